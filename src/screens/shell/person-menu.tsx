'use client';

import Box from '@mui/material/Box';
import Divider from '@mui/material/Divider';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useColorScheme } from '@mui/material/styles';
import { usePathname } from 'next/navigation';
import { may } from '@/contracts/kernel/permissions';
import { leave } from '../data/leave';
import { useMe } from '../data/queries';
import Link from '../kit/link';
import { PLACES } from './places';

/** On a phone the places are in the menu, too. */
const ONLY_NARROW = { display: { md: 'none' } };

/** Where one can go, the person's account, how it looks, and signing out. */
export default function PersonMenu({
  anchor,
  onClose,
}: {
  readonly anchor: HTMLElement;
  readonly onClose: () => void;
}) {
  const { data: me } = useMe();
  const { mode, setMode } = useColorScheme();
  const here = usePathname();
  const club =
    me !== undefined && me.clubs.length > 1 ? me.clubs.find(({ id }) => id === me.clubId)?.name : undefined;
  return (
    <Menu anchorEl={anchor} open onClose={onClose}>
      {PLACES.map(([href, name]) => (
        <MenuItem
          key={href}
          component={Link}
          href={href}
          selected={here.startsWith(href)}
          onClick={onClose}
          sx={ONLY_NARROW}
        >
          {name}
        </MenuItem>
      ))}
      <Divider sx={ONLY_NARROW} />
      {me === undefined ? null : (
        <MenuItem component={Link} href="/account" onClick={onClose}>
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
      <MenuItem component={Link} href="/notices" onClick={onClose}>
        Notices
      </MenuItem>
      {may(me?.roles ?? [], 'see-safety') ? (
        <MenuItem component={Link} href="/safety" onClick={onClose}>
          Safety
        </MenuItem>
      ) : null}
      <MenuItem
        onClick={() => {
          setMode(mode === 'dark' ? 'light' : 'dark');
          onClose();
        }}
      >
        {mode === 'dark' ? 'Light theme' : 'Dark theme'}
      </MenuItem>
      <MenuItem
        onClick={() => {
          void leave();
        }}
      >
        Sign out
      </MenuItem>
    </Menu>
  );
}
