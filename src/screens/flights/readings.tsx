'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { Question } from '@/core/metering/desk';
import { tellQuestion } from '@/explain/meter-asks';
import type { DispatchDial } from '@/queries/flights/dispatch';

/** What is typed at the dispatch page for the meters, with the answers to what was asked about it. */
export interface Readings {
  readonly shown: Readonly<Record<string, string>>;
  readonly accepted: readonly string[];
  /** Meters whose field was left once: before that nobody is interrupted. */
  readonly left: readonly string[];
}

/** Nothing typed yet. */
const NOTHING: Readings = { shown: {}, accepted: [], left: [] };

/** Keeps what is typed for the meters. */
export function useReadings() {
  const [readings, setReadings] = useState(NOTHING);
  return {
    readings,
    type: (dial: string, text: string) => {
      setReadings((now) => ({ ...now, shown: { ...now.shown, [dial]: text } }));
    },
    leave: (dials: readonly string[]) => {
      setReadings((now) => ({ ...now, left: [...new Set([...now.left, ...dials])] }));
    },
    answer: (key: string, yes: boolean) => {
      setReadings((now) => ({
        ...now,
        accepted: yes ? [...now.accepted, key] : now.accepted.filter((one) => one !== key),
      }));
    },
  };
}

/** What was typed, as the server takes it. */
export const enteredOf = (dials: readonly DispatchDial[], { shown }: Readings) =>
  dials.map(({ dial }) => ({ dial: dial.id, shown: (shown[dial.id] ?? '').trim() }));

interface Props {
  readonly dials: readonly DispatchDial[];
  readonly asks: readonly Question[];
  readonly state: ReturnType<typeof useReadings>;
  /** What each must show or showed, above its field. */
  readonly beside: (dial: DispatchDial) => string;
  /** One under the other, where there is little room. */
  readonly stacked?: boolean;
}

/** The meters one under the other: what is on record, what is read, and what has to be asked about it. */
export function ReadingFields({
  dials,
  asks,
  state: { readings, type, leave, answer },
  beside,
  stacked = false,
}: Props) {
  const all = dials.map(({ dial }) => dial);
  return (
    <Stack spacing={2}>
      {dials.map((one) => {
        const { dial } = one;
        const own = readings.left.includes(dial.id) ? asks.filter((ask) => ask.dial === dial.id) : [];
        const same = own.length === 0 && readings.left.includes(dial.id);
        return (
          <Box
            key={dial.id}
            sx={{
              display: 'grid',
              gridTemplateColumns: stacked ? 'minmax(0, 1fr)' : '260px 200px minmax(0, 1fr)',
              gap: stacked ? 10 : 16,
              alignItems: 'center',
            }}
          >
            <div>
              <b>{dial.name}</b>
              {dial.bills ? <span className="small"> · billed by it</span> : null}
              <div className="small">{beside(one)}</div>
            </div>
            <TextField
              label={`${dial.name} shows`}
              value={readings.shown[dial.id] ?? ''}
              onChange={(event) => {
                type(dial.id, event.target.value);
              }}
              onBlur={() => {
                leave([dial.id]);
              }}
              autoComplete="off"
              error={own.length > 0}
              slotProps={{
                htmlInput: { inputMode: 'decimal', className: 'figure', style: { fontSize: 20 } },
              }}
            />
            <div role={own.length > 0 ? 'alert' : undefined}>
              {same ? <span className="small">agrees</span> : null}
              {own.map((ask) => {
                const { headline, accept } = tellQuestion(ask, dial, all);
                return (
                  <Box key={ask.key} sx={{ borderLeft: '4px solid var(--restricted)', pl: 1.5 }}>
                    <div>{headline}</div>
                    {ask.intended.length === 0 ? null : (
                      <Stack
                        direction="row"
                        spacing={1}
                        sx={{ alignItems: 'center', flexWrap: 'wrap', my: 0.75, mx: 0 }}
                      >
                        Did you mean{' '}
                        {ask.intended.map(({ text }) => (
                          <Button
                            key={text}
                            size="small"
                            variant="outlined"
                            className="figure"
                            onClick={() => {
                              type(dial.id, text);
                            }}
                          >
                            {text}
                          </Button>
                        ))}
                      </Stack>
                    )}
                    {accept === null ? null : (
                      <FormControlLabel
                        control={
                          <Checkbox
                            checked={readings.accepted.includes(ask.key)}
                            onChange={(_, yes) => {
                              answer(ask.key, yes);
                            }}
                          />
                        }
                        label={accept}
                      />
                    )}
                  </Box>
                );
              })}
            </div>
          </Box>
        );
      })}
    </Stack>
  );
}
