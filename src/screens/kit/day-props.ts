import type { SxProps, Theme } from '@mui/material/styles';
import type { ReactNode } from 'react';

/** A day as a form holds it: 2026-11-24, or empty. */
export interface DayFieldProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (day: string) => void;
  readonly onBlur?: (() => void) | undefined;
  readonly help?: ReactNode;
  readonly error?: string | undefined;
  /** The first and the last day that may be chosen. */
  readonly min?: string;
  readonly max?: string;
  readonly size?: 'small' | 'medium';
  readonly sx?: SxProps<Theme>;
}
