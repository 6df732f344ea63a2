import { useState } from 'react';
import type { PlanStep } from '@/core/walkround/plan-step';
import type { RampWalk } from '@/queries/walkround/ramp-walk';
import { AnswerBar } from './answer-bar';
import { FigureEntry } from './figure-step';
import { dipValue, factorOf, gaugeAgainst, inUnit, judged, unitsFor, type FigureSays } from './figures';
import { fuelWords, lastFuel } from './fuel-words';
import { GaugeScale } from './gauge-step';
import { Caution, Consequence } from './notices';
import { StepHead, StepWhy } from './step-head';
import type { Said, Walk } from './use-walk';

/** What to announce with an answer, so that it does not evaporate. */
export type AnnounceWith = NonNullable<FigureSays['announce']> & { readonly which: string | null };

interface Props {
  readonly step: PlanStep;
  readonly here: string;
  readonly view: RampWalk;
  readonly walk: Walk;
  readonly onSay: (said: Said, announce: AnnounceWith | null) => void;
  readonly onFound: () => void;
  readonly onUnseen: () => void;
  readonly onBack: (() => void) | null;
}

const OIL_METHOD: Readonly<Record<NonNullable<RampWalk['oilMethod']>, string>> = {
  'stick-screwed-in': 'Read it with the stick screwed in.',
  'stick-not-screwed-in': 'Read it with the stick resting, not screwed in.',
  'after-turning':
    'Turn the propeller forward, ignition off and key in sight, until the oil gurgles back; then read.',
};

/** A step at which a figure is read: fuel by stick or gauge, oil, a strut, volts. */
export function MeasureStep({ step, here, view, walk, onSay, onFound, onUnseen, onBack }: Props) {
  const { asks } = step;
  const quantity = asks.kind === 'figure' ? asks.quantity : 'fuel-dip';
  const stick = asks.kind === 'fuel' && asks.how === 'dip' ? asks.dip : null;
  const units = stick === null ? unitsFor(quantity) : [stick.unit, ...unitsFor('fuel-dip')];
  const [unit, setUnit] = useState(units[0] ?? '');
  const [text, setText] = useState('');
  const steps = walk.walk?.plan.steps ?? [];
  const isGauge = asks.kind === 'fuel' && asks.how === 'gauge';
  const say = (said: Said, announce: AnnounceWith | null = null) => {
    onSay(said, announce);
  };
  const bar = (props: {
    readonly fine: string;
    readonly onFine: () => void;
    readonly fineDisabled?: boolean;
  }) => (
    <AnswerBar
      {...props}
      onFound={onFound}
      onUnseen={onUnseen}
      onBack={onBack}
      onInterrupted={() => {
        void walk.interrupt();
      }}
    />
  );
  if (asks.kind === 'fuel') {
    const value = dipValue(stick, text, unit);
    const over = value !== null && value > asks.holds;
    const shown = stick?.unit === unit ? 'US gal' : unit;
    const apart = isGauge ? null : gaugeAgainst(lastFuel(steps, walk.said, asks.tank, true), value, shown);
    const together = isGauge ? null : fuelWords(view, steps, walk.said, asks, value, shown);
    const short = together?.short ?? null;
    return (
      <>
        <StepHead step={step} here={here} />
        <FigureEntry
          text={text}
          onText={setText}
          unit={unit}
          units={units}
          onUnit={setUnit}
          also={
            value === null
              ? null
              : unit === 'L'
                ? `${inUnit('fuel-dip', value, 'US gal')} US gal`
                : `${inUnit('fuel-dip', value, 'L', 0)} L`
          }
          value={value}
          most={asks.holds}
          ticks={[{ at: asks.holds, words: `full ${inUnit('fuel-dip', asks.holds, shown)}`, strong: false }]}
          label={step.title}
          scale={
            isGauge ? <GaugeScale holds={asks.holds} unit={unit} text={text} onText={setText} /> : undefined
          }
        >
          {over ? (
            <Consequence isBad>
              The tank holds less than that. Read it again; enter a full tank as what it holds.
            </Consequence>
          ) : null}
          {apart === null && together === null ? null : (
            <Consequence isBad={apart !== null || short !== null}>
              {[apart, together?.words].filter((words) => words != null).join(' ')}
            </Consequence>
          )}
        </FigureEntry>
        <StepWhy step={step} />
        {bar({
          fine:
            text === ''
              ? isGauge
                ? 'Tap where the needle stands'
                : 'Type what you read'
              : short === null
                ? `Keep ${text} ${unit}`
                : `Keep ${text}, announce: fuel ${short} ${shown}`,
          fineDisabled: value === null || over,
          onFine: () => {
            say(
              { answer: 'fine', measured: { kind: 'figure', amount: text, unit } },
              short === null ? null : { act: 'add-fuel', amount: String(short), unit: shown, which: null },
            );
          },
        })}
      </>
    );
  }
  if (asks.kind !== 'figure') return null;
  const says = judged(asks.quantity, asks.limits, text, unit);
  const factor = factorOf(asks.quantity, unit);
  const bounds = asks.limits.flatMap(({ min, max }) => [min, max]).filter((one) => one !== null);
  const most = Math.max(...bounds, says.value ?? 0) * 1.15;
  return (
    <>
      <StepHead step={step} here={here} />
      {asks.quantity === 'oil' && view.oilMethod !== null ? <p>{OIL_METHOD[view.oilMethod]}</p> : null}
      <FigureEntry
        text={text}
        onText={setText}
        unit={unit}
        units={units}
        onUnit={setUnit}
        also={null}
        value={says.value}
        most={most}
        ticks={asks.limits.flatMap(({ min, max, uses }) => [
          ...(min === null
            ? []
            : [
                {
                  at: min,
                  words: `${uses === null ? 'least' : 'IFR'} ${Number((min / factor).toFixed(1))}`,
                  strong: uses === null,
                },
              ]),
          ...(max === null
            ? []
            : [{ at: max, words: `most ${Number((max / factor).toFixed(1))}`, strong: true }]),
        ])}
        label={step.title}
      >
        {says.words === null ? null : <Consequence isBad={says.isBad}>{says.words}</Consequence>}
      </FigureEntry>
      {step.caution === null ? null : <Caution>{step.caution}</Caution>}
      <StepWhy step={step} />
      {bar({
        fine:
          text === ''
            ? 'Type what you read'
            : says.announce === null
              ? `Keep ${text} ${unit}`
              : `Keep ${text}, announce: add ${says.announce.amount} ${says.announce.unit}`,
        fineDisabled: says.value === null,
        onFine: () => {
          say(
            { answer: says.isBad ? 'found' : 'fine', measured: { kind: 'figure', amount: text, unit } },
            says.announce === null ? null : { ...says.announce, which: null },
          );
        },
      })}
    </>
  );
}
