import Box from '@mui/material/Box';
import { useEffect } from 'react';

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '.', '0', '⌫'] as const;

/** What the text becomes by a key: digits, one point or comma, at most three decimals. */
export function typed(text: string, key: string): string {
  if (key === '⌫') return text.slice(0, -1);
  if (key === ',' || key === '.') return text.includes('.') ? text : `${text === '' ? '0' : text}.`;
  const [whole = '', decimals] = text.split('.');
  if (decimals === undefined) return whole.length >= 5 ? text : `${text}${key}`.replace(/^0(?=\d)/u, '');
  return decimals.length >= 3 ? text : `${text}${key}`;
}

/** Big keys for a figure. The keyboard of the machine works too. */
export function KeyPad({
  value,
  onChange,
}: {
  readonly value: string;
  readonly onChange: (next: string) => void;
}) {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      if (/^[\d.,]$/u.test(event.key)) onChange(typed(value, event.key));
      else if (event.key === 'Backspace') onChange(typed(value, '⌫'));
    };
    window.addEventListener('keydown', press);
    return () => {
      window.removeEventListener('keydown', press);
    };
  }, [value, onChange]);
  return (
    <Box
      role="group"
      aria-label="Keys for the figure"
      sx={{ display: 'grid', gridTemplateColumns: 'repeat(3, minmax(0, 1fr))', gap: 0.75 }}
    >
      {KEYS.map((key) => (
        <Box
          key={key}
          component="button"
          type="button"
          aria-label={key === '⌫' ? 'Delete the last key' : key === '.' ? 'Point' : key}
          onClick={() => {
            onChange(typed(value, key));
          }}
          sx={{
            minHeight: 48,
            font: 'inherit',
            fontSize: 22,
            fontWeight: 700,
            color: 'var(--ink)',
            background: 'var(--card)',
            border: '2px solid var(--ink)',
            borderRadius: '6px',
            cursor: 'pointer',
            touchAction: 'manipulation',
          }}
        >
          {key}
        </Box>
      ))}
    </Box>
  );
}
