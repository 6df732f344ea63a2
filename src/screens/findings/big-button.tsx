import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

interface Props {
  readonly children: ReactNode;
  readonly detail?: string;
  readonly strong?: boolean;
  readonly wide?: boolean;
  readonly onClick: () => void;
  readonly disabled?: boolean;
  /** For one of several that can be chosen: whether it is. */
  readonly pressed?: boolean;
}

/** A target for a thumb: at least 56 px high, words first. `strong` is the one way on; `wide` takes both columns. */
export function BigButton({
  children,
  detail,
  strong = false,
  wide = false,
  onClick,
  disabled = false,
  pressed,
}: Props) {
  return (
    <Box
      component="button"
      type="button"
      onClick={onClick}
      disabled={disabled}
      aria-pressed={pressed}
      sx={{
        flex: strong ? 2 : 1,
        minHeight: 58,
        py: 1,
        px: 1.5,
        textAlign: strong ? 'center' : 'left',
        font: 'inherit',
        fontSize: strong ? 20 : 18,
        fontWeight: 700,
        borderRadius: '6px',
        cursor: 'pointer',
        lineHeight: 1.2,
        gridColumn: wide ? '1 / -1' : undefined,
        background: disabled ? 'var(--card)' : strong || pressed === true ? 'var(--sea)' : 'var(--card)',
        color: disabled ? 'var(--soft)' : strong || pressed === true ? 'var(--on-sea)' : 'var(--ink)',
        border:
          strong && !disabled ? '2px solid var(--sea)' : `2px ${disabled ? 'dashed' : 'solid'} var(--ink)`,
      }}
    >
      {children}
      {detail === undefined ? null : (
        <Box
          component="span"
          sx={{
            display: 'block',
            fontWeight: 400,
            fontSize: 15,
            mt: 0.25,
            color: strong ? 'inherit' : 'var(--soft)',
          }}
        >
          {detail}
        </Box>
      )}
    </Box>
  );
}
