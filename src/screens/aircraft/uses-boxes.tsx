'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import { DIMENSION_NAMES, DIMENSIONS, type Dimension } from '@/core/envelope/dimensions';
import { sentenceCase } from '@/explain/wording';
import { TITLES, type TickedBox, wordOf } from './uses-words';

/** Uses as a form holds them: for each dimension the values that are ticked. */
/** A first box: an ordinary trainer by day, visually. Nothing is assumed that somebody did not leave ticked. */
const FIRST_BOX: TickedBox = {
  light: ['day'],
  rules: ['vfr'],
  purpose: ['private-rental', 'positioning-to-maintenance', 'maintenance-check-flight'],
  crew: [...DIMENSIONS.crew],
  range: ['local', 'cross-country'],
  transponderAirspace: ['outside'],
  adsbAirspace: ['outside'],
  overWater: ['within-glide'],
  passengers: [...DIMENSIONS.passengers],
};

/** What an aircraft is approved and fitted for: one set of ticks, or several where it may, say, tow only by day. */
export function UsesBoxes({
  boxes,
  onChange,
}: {
  readonly boxes: readonly TickedBox[];
  readonly onChange: (boxes: readonly TickedBox[]) => void;
}) {
  const tick = (at: number, dimension: Dimension, value: string, on: boolean) => {
    onChange(
      boxes.map((box, place) =>
        place !== at
          ? box
          : {
              ...box,
              [dimension]: DIMENSIONS[dimension].filter((one: string) =>
                one === value ? on : box[dimension].includes(one),
              ),
            },
      ),
    );
  };
  return (
    <Stack spacing={1.75}>
      {boxes.map((box, at) => (
        <Box component="fieldset" key={at} sx={{ border: '1px solid var(--rule)', py: 1, px: 1.75, m: 0 }}>
          <legend>
            {boxes.length === 1 ? 'Approved and fitted for' : `Approved and fitted for, ${at + 1}`}
          </legend>
          {DIMENSION_NAMES.map((dimension) => (
            <Stack
              direction="row"
              key={dimension}
              role="group"
              aria-label={TITLES[dimension]}
              sx={{ flexWrap: 'wrap', alignItems: 'center', borderTop: '1px solid var(--rule)' }}
            >
              <Box component="span" sx={{ width: 200, fontWeight: 600, fontSize: 14 }}>
                {TITLES[dimension]}
              </Box>
              {DIMENSIONS[dimension].map((value: string) => (
                <FormControlLabel
                  key={value}
                  control={
                    <Checkbox
                      size="small"
                      checked={box[dimension].includes(value)}
                      onChange={(_, on) => {
                        tick(at, dimension, value, on);
                      }}
                    />
                  }
                  label={sentenceCase(wordOf(dimension, value))}
                />
              ))}
              {box[dimension].length === 0 ? (
                <Box component="span" sx={{ color: 'var(--grounded)', fontWeight: 700 }}>
                  Tick at least one.
                </Box>
              ) : null}
            </Stack>
          ))}
          {boxes.length === 1 ? null : (
            <Button
              size="small"
              onClick={() => {
                onChange(boxes.filter((_, place) => place !== at));
              }}
            >
              Take this set away
            </Button>
          )}
        </Box>
      ))}
      <div>
        <Button
          size="small"
          onClick={() => {
            onChange([...boxes, boxes.at(-1) ?? FIRST_BOX]);
          }}
        >
          {boxes.length === 0 ? 'Say what it is approved for' : 'Another set of uses'}
        </Button>
      </div>
    </Stack>
  );
}
