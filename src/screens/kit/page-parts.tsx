'use client';

import Box from '@mui/material/Box';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import { type ReactNode, useState } from 'react';

/**
 * The way to each part of a page; each has an address of its own.
 * @param names of the parts, by what stands behind the #
 * @param label of all of them together
 */
export function PartTabs({
  names,
  part,
  label,
}: {
  readonly names: Readonly<Record<string, string>>;
  readonly part: string;
  readonly label: string;
}) {
  return (
    <Tabs
      value={part}
      variant="scrollable"
      scrollButtons="auto"
      aria-label={label}
      sx={{ borderBottom: '1px solid var(--rule)', mt: 0.5 }}
    >
      {Object.entries(names).map(([name, words]) => (
        <Tab
          key={name}
          component="a"
          href={`#${name}`}
          value={name}
          id={`tab-${name}`}
          aria-controls={`part-${name}`}
          label={words}
        />
      ))}
    </Tabs>
  );
}

/**
 * The parts themselves: each comes when it is looked at first, and stays as it is from then on, so that what
 * was typed in it is not lost.
 */
export function PartPanels({
  parts,
  part,
}: {
  readonly parts: Readonly<Record<string, ReactNode>>;
  readonly part: string;
}) {
  const [seen, setSeen] = useState<ReadonlySet<string>>(() => new Set([part]));
  if (!seen.has(part)) setSeen(new Set([...seen, part]));
  return Object.entries(parts).map(([name, content]) => (
    <Box
      key={name}
      role="tabpanel"
      id={`part-${name}`}
      aria-labelledby={`tab-${name}`}
      hidden={name !== part}
    >
      {seen.has(name) ? content : null}
    </Box>
  ));
}
