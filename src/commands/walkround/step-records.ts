import type { WalkroundEvents } from '@/contracts/walkround/walkround';
import { parseMeasure } from '@/core/quantities/measure';
import { QUANTITIES } from '@/core/records/walkround/measurement';
import type { Instant } from '@/core/time/instant';
import { dipped } from '@/core/walkround/dip';
import type { PlanStep } from '@/core/walkround/plan-step';
import type { OtherRecord } from '@/db/aircraft/other-kinds';
import { Refused } from '../kernel/command';

type AnswerEvent = Extract<WalkroundEvents['events'][number], { kind: 'answer' }>;

const wrong = (at: number, message: string, field = 'measured'): Refused =>
  new Refused({ code: 'invalid', message, problems: [{ path: `events.${at}.${field}`, message }] });

/** Thousandths of what a stick reads. */
const THOUSANDTHS = 1000;

/** What a figure at a step comes to in the base unit of its quantity. @throws Refused for a unit of something else, or a stick that reads beyond its table */
function valueOf(
  { asks, title }: PlanStep,
  given: { readonly amount: string; readonly unit: string },
  at: number,
): number {
  if (asks.kind === 'fuel' && asks.dip !== null && asks.how === 'dip' && given.unit === asks.dip.unit) {
    const holds = dipped(asks.dip.points, Math.round(Number(given.amount) * THOUSANDTHS));
    if (holds === null)
      throw wrong(
        at,
        `${title}: the stick reads ${given.amount} ${given.unit}, more than its table. Read it again, or enter the tank as full.`,
      );
    return holds;
  }
  const base = asks.kind === 'fuel' ? 'pL' : asks.kind === 'figure' ? QUANTITIES[asks.quantity] : null;
  const value = base === null ? undefined : parseMeasure(given.amount, given.unit, base);
  if (value === undefined)
    throw wrong(
      at,
      `${title}: ${given.amount} ${given.unit} is no figure for it. Enter it again in its unit.`,
    );
  return value;
}

/**
 * What an answer leaves on record beside itself: a measurement, a sample, or that a thing that is looked at is good. A cup that was not looked at leaves
 * none, and so does a figure that nobody read.
 * @param at where it stands in what was sent, for a refusal
 * @throws Refused for a figure that belongs to another step, or is none
 */
export function recordsOfAnswer(
  step: PlanStep,
  event: AnswerEvent,
  happenedAt: Instant,
  recordedAt: Instant,
  at: number,
): readonly OtherRecord[] {
  const { asks } = step;
  const base = { id: event.eventId, happenedAt, recordedAt };
  const measurement = (
    quantity: Extract<OtherRecord, { kind: 'measurement' }>['body']['quantity'],
    which: string | null,
    value: number,
  ): readonly OtherRecord[] => [{ ...base, kind: 'measurement', body: { ...base, quantity, which, value } }];
  const { measured, answer } = event;
  const isSeen = answer === 'fine' || answer === 'found';
  if (answer === 'found' && event.findingId === null && measured === null)
    throw wrong(at, `${step.title}: say what was found, as a finding.`, 'findingId');
  if (measured === null) {
    if (asks.kind === 'good' && isSeen)
      return measurement(asks.quantity, asks.which, answer === 'fine' ? 1 : 0);
    if (isSeen && answer === 'fine' && asks.kind !== 'look' && asks.kind !== 'good')
      throw wrong(at, `${step.title}: enter what you measured, or say that you could not.`);
    return [];
  }
  if (asks.kind === 'sample' && measured.kind === 'sample') {
    if (answer === 'fine' && measured.result !== 'clean')
      throw wrong(at, `${step.title}: a cup that is not clean is something found.`, 'answer');
    return [
      {
        ...base,
        kind: 'sample',
        body: { ...base, result: measured.result, drain: asks.drain, cleared: null },
      },
    ];
  }
  if (measured.kind === 'figure' && asks.kind === 'fuel')
    return measurement(
      asks.how === 'gauge' ? 'fuel-gauge' : 'fuel-dip',
      asks.tank,
      valueOf(step, measured, at),
    );
  if (measured.kind === 'figure' && asks.kind === 'figure')
    return measurement(asks.quantity, asks.which, valueOf(step, measured, at));
  throw wrong(at, `${step.title}: nothing of this kind is measured there.`);
}
