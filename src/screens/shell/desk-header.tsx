'use client';

import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import { useColorScheme } from '@mui/material/styles';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import type { ReactNode } from 'react';
import { leave } from '../data/leave';
import { useMe } from '../data/queries';
import { ClubChoice } from './club-choice';

const plain = {
  background: 'none',
  border: '1px solid #5b6872',
  borderRadius: '6px',
  color: 'inherit',
  font: 'inherit',
  fontSize: 14,
  py: 0.75,
  px: 1.125,
  minHeight: 34,
  cursor: 'pointer',
  textDecoration: 'none',
} as const;

const PLACES = [
  ['/line', 'Line'],
  ['/counter', 'Counter'],
  ['/plan', 'Plan'],
  ['/records', 'Records'],
  ['/club', 'Club'],
] as const;

/** The bar on top of every desk screen: where, when, who. */
export function DeskHeader({ children }: { readonly children?: ReactNode }) {
  const { data: me } = useMe();
  const { mode, setMode } = useColorScheme();
  const here = usePathname();
  return (
    <Stack
      component="header"
      direction="row"
      sx={{
        flexWrap: 'wrap',
        alignItems: 'center',
        columnGap: 1.625,
        rowGap: 0.75,
        py: 1,
        px: 2.5,
        background: 'var(--bar)',
        color: 'var(--bar-ink)',
        minHeight: 50,
      }}
    >
      <Box
        component={Link}
        href="/line"
        sx={{ color: 'inherit', textDecoration: 'none', fontWeight: 700, fontSize: 20 }}
      >
        Groval
      </Box>
      <Stack
        component="nav"
        direction="row"
        spacing={1.625}
        aria-label="Places"
        sx={{ alignItems: 'center', mr: 1.75 }}
      >
        {PLACES.map(([href, name]) => (
          <Box
            component={Link}
            key={href}
            href={href}
            aria-current={here.startsWith(href) ? 'page' : undefined}
            sx={{
              color: 'inherit',
              fontWeight: 600,
              textDecoration: 'none',
              py: 0.5,
              px: 0,
              boxShadow: here.startsWith(href) ? '0 3px 0 currentColor' : 'none',
            }}
          >
            {name}
          </Box>
        ))}
      </Stack>
      {children}
      <Box component="span" sx={{ flex: 1 }} />
      <Box
        component="button"
        type="button"
        sx={plain}
        onClick={() => {
          setMode(mode === 'dark' ? 'light' : 'dark');
        }}
      >
        {mode === 'dark' ? 'Paper' : 'Dim'}
      </Box>
      {me === undefined ? null : (
        <>
          <Box component={Link} href="/account" sx={{ fontSize: 14, color: 'inherit' }}>
            {me.name},{' '}
            {me.clubs.length > 1 ? `${me.clubs.find(({ id }) => id === me.clubId)?.name ?? ''}, ` : ''}
            {me.roles.map((role) => role.replace('-', ' ')).join(', ')}
          </Box>
          <Box
            component="button"
            type="button"
            sx={plain}
            onClick={() => {
              void leave();
            }}
          >
            Sign out
          </Box>
        </>
      )}
      <ClubChoice />
    </Stack>
  );
}
