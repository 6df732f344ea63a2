'use client';

import AppBar from '@mui/material/AppBar';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Toolbar from '@mui/material/Toolbar';
import { usePathname } from 'next/navigation';
import { lazy, Suspense, useEffect, useState, type ReactNode } from 'react';
import { endForeignDevice } from '../data/own-device';
import { useMe } from '../data/queries';
import Link from '../kit/link';
import { ClubChoice } from './club-choice';
import { PLACES } from './places';
import { Shortcuts } from './shortcuts';

/** On a phone the places are in the menu. */
const ONLY_WIDE = { display: { xs: 'none', md: 'flex' } };

const loadMenu = () => import('./person-menu');
const PersonMenu = lazy(loadMenu);

/** Who one is: behind one button with a word. The menu comes when somebody reaches for it. */
function Person() {
  const { data: me } = useMe();
  useEffect(() => {
    if (me !== undefined) endForeignDevice(me.personId);
  }, [me]);
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button
        color="inherit"
        aria-haspopup="menu"
        aria-expanded={anchor !== null}
        onPointerEnter={() => {
          void loadMenu();
        }}
        onFocus={() => {
          void loadMenu();
        }}
        onClick={(event) => {
          setAnchor(event.currentTarget);
        }}
      >
        {me === undefined ? 'Menu' : me.name} ▾
      </Button>
      {anchor === null ? null : (
        <Suspense>
          <PersonMenu
            anchor={anchor}
            onClose={() => {
              setAnchor(null);
            }}
          />
        </Suspense>
      )}
    </>
  );
}

/** What one was told and has not seen. */
function Unread() {
  const { data: me } = useMe();
  if (me === undefined || me.unread === 0) return null;
  return (
    <Box component={Link} href="/notices" sx={{ color: 'inherit', fontWeight: 700 }}>
      {me.unread === 1 ? '1 notice' : `${me.unread} notices`}
    </Box>
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
        <Box
          sx={{
            display: 'flex',
            flexWrap: 'wrap',
            columnGap: 1.75,
            // On a phone, place and time have a line of their own: beside the notices they would break over several.
            flex: { xs: '1 0 100%', md: 1 },
            order: { xs: 1, md: 0 },
            alignItems: 'baseline',
          }}
        >
          {children}
        </Box>
        <Box sx={{ display: 'flex', alignItems: 'baseline', columnGap: 1.75, ml: 'auto' }}>
          <Unread />
          <Person />
        </Box>
      </Toolbar>
      <ClubChoice />
      <Shortcuts />
    </AppBar>
  );
}
