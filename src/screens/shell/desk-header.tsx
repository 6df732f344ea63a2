'use client';

import AppBar from '@mui/material/AppBar';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Divider from '@mui/material/Divider';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useColorScheme } from '@mui/material/styles';
import Toolbar from '@mui/material/Toolbar';
import { usePathname } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { leave } from '../data/leave';
import { useMe } from '../data/queries';
import Link from '../kit/link';
import { ClubChoice } from './club-choice';
import { Shortcuts } from './shortcuts';

const PLACES = [
  ['/line', 'Line'],
  ['/counter', 'Counter'],
  ['/plan', 'Plan'],
  ['/records', 'Records'],
  ['/club', 'Club'],
] as const;

/** On a phone the places are in the menu, too. */
const ONLY_NARROW = { display: { md: 'none' } };
const ONLY_WIDE = { display: { xs: 'none', md: 'flex' } };

/** Where one can go, who one is, and how it looks: behind one button with a word. */
function PersonMenu() {
  const { data: me } = useMe();
  const { mode, setMode } = useColorScheme();
  const here = usePathname();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const close = () => {
    setAnchor(null);
  };
  const club =
    me !== undefined && me.clubs.length > 1 ? me.clubs.find(({ id }) => id === me.clubId)?.name : undefined;
  return (
    <>
      <Button
        color="inherit"
        aria-haspopup="menu"
        aria-expanded={anchor !== null}
        onClick={(event) => {
          setAnchor(event.currentTarget);
        }}
      >
        {me === undefined ? 'Menu' : me.name} ▾
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={close}>
        {PLACES.map(([href, name]) => (
          <MenuItem
            key={href}
            component={Link}
            href={href}
            selected={here.startsWith(href)}
            onClick={close}
            sx={ONLY_NARROW}
          >
            {name}
          </MenuItem>
        ))}
        <Divider sx={ONLY_NARROW} />
        {me === undefined ? null : (
          <MenuItem component={Link} href="/account" onClick={close}>
            <span>
              Account
              <Box className="small">
                {[club, ...me.roles.map((role) => role.replace('-', ' '))]
                  .filter((text) => text !== undefined)
                  .join(', ')}
              </Box>
            </span>
          </MenuItem>
        )}
        <MenuItem
          onClick={() => {
            setMode(mode === 'dark' ? 'light' : 'dark');
            close();
          }}
        >
          {mode === 'dark' ? 'Paper theme' : 'Dim theme'}
        </MenuItem>
        <MenuItem
          onClick={() => {
            void leave();
          }}
        >
          Sign out
        </MenuItem>
      </Menu>
    </>
  );
}

/** The bar on top of every desk screen: where, when, who. */
export function DeskHeader({ children }: { readonly children?: ReactNode }) {
  const here = usePathname();
  return (
    <AppBar
      position="static"
      component="header"
      elevation={0}
      square
      sx={{ bgcolor: 'var(--bar)', color: 'var(--bar-ink)', backgroundImage: 'none' }}
    >
      <Toolbar variant="dense" sx={{ minHeight: 50, columnGap: 1.75, rowGap: 0, flexWrap: 'wrap' }}>
        <Box
          component={Link}
          href="/line"
          sx={{ color: 'inherit', textDecoration: 'none', fontWeight: 700, fontSize: 20 }}
        >
          Groval
        </Box>
        <Box component="nav" aria-label="Places" sx={{ ...ONLY_WIDE, gap: 1.75, mr: 1.75 }}>
          {PLACES.map(([href, name]) => (
            <Box
              key={href}
              component={Link}
              href={href}
              aria-current={here.startsWith(href) ? 'page' : undefined}
              sx={{
                color: 'inherit',
                fontWeight: 600,
                textDecoration: 'none',
                py: 0.5,
                boxShadow: here.startsWith(href) ? '0 3px 0 currentColor' : 'none',
              }}
            >
              {name}
            </Box>
          ))}
        </Box>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1.75, flex: 1, alignItems: 'baseline' }}>
          {children}
        </Box>
        <PersonMenu />
      </Toolbar>
      <ClubChoice />
      <Shortcuts />
    </AppBar>
  );
}
