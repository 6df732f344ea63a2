'use client';

import { useColorScheme } from '@mui/material/styles';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import type { ReactNode } from 'react';
import { useMe } from '../data/queries';
import { leave } from '../data/leave';
import { ClubChoice } from './club-choice';

const plain = {
  background: 'none',
  border: '1px solid #5b6872',
  borderRadius: 6,
  color: 'inherit',
  font: 'inherit',
  fontSize: 14,
  padding: '6px 9px',
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
    <header
      style={{
        display: 'flex',
        flexWrap: 'wrap',
        alignItems: 'center',
        columnGap: 13,
        rowGap: 6,
        padding: '8px 20px',
        background: 'var(--bar)',
        color: 'var(--bar-ink)',
        minHeight: 50,
      }}
    >
      <Link href="/line" style={{ color: 'inherit', textDecoration: 'none', fontWeight: 700, fontSize: 20 }}>
        Groval
      </Link>
      <nav aria-label="Places" style={{ display: 'flex', gap: 13, alignItems: 'center', marginRight: 14 }}>
        {PLACES.map(([href, name]) => (
          <Link
            key={href}
            href={href}
            aria-current={here.startsWith(href) ? 'page' : undefined}
            style={{
              color: 'inherit',
              fontWeight: 600,
              textDecoration: 'none',
              padding: '4px 0',
              boxShadow: here.startsWith(href) ? '0 3px 0 currentColor' : 'none',
            }}
          >
            {name}
          </Link>
        ))}
      </nav>
      {children}
      <span style={{ flex: 1 }} />
      <button
        type="button"
        style={plain}
        onClick={() => {
          setMode(mode === 'dark' ? 'light' : 'dark');
        }}
      >
        {mode === 'dark' ? 'Paper' : 'Dim'}
      </button>
      {me === undefined ? null : (
        <>
          <Link href="/account" style={{ fontSize: 14, color: 'inherit' }}>
            {me.name},{' '}
            {me.clubs.length > 1 ? `${me.clubs.find(({ id }) => id === me.clubId)?.name ?? ''}, ` : ''}
            {me.roles.map((role) => role.replace('-', ' ')).join(', ')}
          </Link>
          <button
            type="button"
            style={plain}
            onClick={() => {
              void leave();
            }}
          >
            Sign out
          </button>
        </>
      )}
      <ClubChoice />
    </header>
  );
}
