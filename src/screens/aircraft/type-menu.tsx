'use client';

import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';

/** Chooses a type of aircraft, or every type. */
export default function TypeMenu({
  anchor,
  types,
  chosen,
  onChoose,
  onClose,
}: {
  readonly anchor: HTMLElement;
  readonly types: readonly string[];
  readonly chosen: string | null;
  readonly onChoose: (type: string | null) => void;
  readonly onClose: () => void;
}) {
  return (
    <Menu anchorEl={anchor} open onClose={onClose}>
      {[null, ...types].map((type) => (
        <MenuItem
          key={type ?? ''}
          selected={type === chosen}
          onClick={() => {
            onChoose(type);
          }}
        >
          {type ?? 'Every type'}
        </MenuItem>
      ))}
    </Menu>
  );
}
