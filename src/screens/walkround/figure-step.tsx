import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import { useState, type ReactNode } from 'react';
import { BigButton } from '../findings/big-button';
import { KeyPad } from './key-pad';
import { LimitBar, type Tick } from './limit-bar';

/** A figure that is typed on big keys and drawn against its limits meanwhile. */
export function FigureEntry({
  text,
  onText,
  unit,
  units,
  onUnit,
  also,
  value,
  most,
  ticks,
  label,
  scale,
  children,
}: {
  readonly text: string;
  readonly onText: (text: string) => void;
  readonly unit: string;
  readonly units: readonly string[];
  readonly onUnit: (unit: string) => void;
  /** The same in another unit; null while there is none. */
  readonly also: string | null;
  readonly value: number | null;
  readonly most: number;
  readonly ticks: readonly Tick[];
  readonly label: string;
  /** A scale to tap instead of keys; keys come when they are asked for. */
  readonly scale?: ReactNode;
  readonly children?: ReactNode;
}) {
  const [isTyping, setIsTyping] = useState(false);
  return (
    <Box sx={{ mt: 1 }}>
      <Stack direction="row" spacing={1} sx={{ alignItems: 'baseline', flexWrap: 'wrap' }}>
        <Box
          component="output"
          className="figure"
          aria-label={label}
          sx={{ fontSize: 40, fontWeight: 700, lineHeight: 1.1, minWidth: 40 }}
        >
          {text === '' ? '–' : text}
        </Box>
        <Box
          component="button"
          type="button"
          disabled={units.length < 2}
          aria-label={`Unit ${unit}; change it`}
          onClick={() => {
            onUnit(units[(units.indexOf(unit) + 1) % units.length] ?? unit);
          }}
          sx={{
            minHeight: 44,
            px: 1.5,
            font: 'inherit',
            fontSize: 18,
            fontWeight: 700,
            color: 'var(--ink)',
            background: 'transparent',
            border: units.length < 2 ? 'none' : '2px solid var(--ink)',
            borderRadius: '6px',
            cursor: 'pointer',
          }}
        >
          {unit}
        </Box>
        {also === null ? null : <span>{also}</span>}
      </Stack>
      {scale !== undefined && !isTyping ? (
        scale
      ) : most > 0 ? (
        <LimitBar value={value} most={most} ticks={ticks} label={label} />
      ) : null}
      {children}
      <Box sx={{ mt: 1 }}>
        {scale !== undefined && !isTyping ? (
          <BigButton
            onClick={() => {
              setIsTyping(true);
            }}
          >
            It is a display: type the figure
          </BigButton>
        ) : (
          <KeyPad value={text} onChange={onText} />
        )}
      </Box>
    </Box>
  );
}
