import Box from '@mui/material/Box';
import { useState } from 'react';
import type { FuelGrade } from '@/core/records/walkround/measurement';
import type { RampWalk } from '@/queries/walkround/ramp-walk';
import { BigButton } from '../findings/big-button';
import { Choices, ThumbBar } from '../findings/ramp-frame';
import { FigureEntry } from './figure-step';
import { baseValue, inUnit, unitsFor } from './figures';
import { Consequence } from './notices';

const GRADES: readonly { readonly value: FuelGrade; readonly name: string }[] = [
  { value: 'leaded', name: 'Leaded' },
  { value: 'unleaded', name: 'Unleaded' },
  { value: 'jet', name: 'Jet fuel' },
];

/** Records that what was announced is done, with how much. */
export function DoneForm({
  announced,
  onDone,
  onBack,
}: {
  readonly announced: RampWalk['announced'][number];
  readonly onDone: (
    amount: { readonly amount: string; readonly unit: string } | null,
    grade: FuelGrade | null,
  ) => void;
  readonly onBack: () => void;
}) {
  const { act, amount, words } = announced;
  const liquid = act === 'add-oil' ? 'oil' : act === 'add-fuel' ? 'fuel-dip' : null;
  const units = liquid === null ? [] : unitsFor(liquid);
  const [unit, setUnit] = useState(units[0] ?? '');
  const [text, setText] = useState(
    liquid === null || amount === null ? '' : inUnit(liquid, amount, units[0] ?? '', 1).replace('.', ','),
  );
  const [grade, setGrade] = useState<FuelGrade | null>(null);
  const value = liquid === null ? null : baseValue(liquid, text, unit);
  return (
    <>
      <Box component="h1" sx={{ fontSize: 26, my: 1.5, mx: 0 }}>
        Done: {words}
      </Box>
      {liquid === null ? null : (
        <FigureEntry
          text={text}
          onText={setText}
          unit={unit}
          units={units}
          onUnit={setUnit}
          also={null}
          value={value}
          most={0}
          ticks={[]}
          label="How much was put in"
        />
      )}
      {act === 'add-fuel' ? (
        <>
          <Box component="h2" id="grade" sx={{ fontSize: 19, m: '12px 0 6px' }}>
            What was put in?
          </Box>
          <Choices columns={3}>
            {GRADES.map(({ value: of, name }) => (
              <BigButton
                key={of}
                pressed={grade === of}
                onClick={() => {
                  setGrade(of);
                }}
              >
                {name}
              </BigButton>
            ))}
          </Choices>
          <Consequence isBad={false}>
            After fuelling every tank is dipped again and every drain sampled again.
          </Consequence>
        </>
      ) : null}
      {act === 'add-oil' ? <Consequence isBad={false}>Read the oil again after that.</Consequence> : null}
      <ThumbBar>
        <BigButton onClick={onBack}>Back</BigButton>
        <BigButton
          strong
          disabled={(liquid !== null && value === null) || (act === 'add-fuel' && grade === null)}
          onClick={() => {
            onDone(liquid === null ? null : { amount: text, unit }, grade);
          }}
        >
          It is done
        </BigButton>
      </ThumbBar>
    </>
  );
}
