import type { Method } from '@/core/walkround/method';
import { inOrder, orderFaults, rulesFor, type OrderFault } from '@/core/walkround/order-rules';
import { codeOfSlot } from '@/core/walkround/plan';
import type { Stop } from '@/core/walkround/walking';
import type { WalkedStep } from '@/queries/walkround/school-method';

/** A stop on the walk: a place, and what is done there one after another. The same place may be reached twice. */
export interface Block {
  readonly id: string;
  readonly place: string;
  readonly station: string;
  readonly side: 'left' | 'right' | null;
  readonly steps: readonly WalkedStep[];
}

/** Steps in their order as stops: what follows at one place is one of them. */
export function blocksOf(steps: readonly WalkedStep[]): readonly Block[] {
  const blocks: Block[] = [];
  for (const step of steps) {
    const last = blocks.at(-1);
    if (last?.place === step.place) blocks[blocks.length - 1] = { ...last, steps: [...last.steps, step] };
    else {
      const { place, station, side } = step;
      blocks.push({ id: step.slot, place, station, side, steps: [step] });
    }
  }
  return blocks;
}

export const stepsOf = (blocks: readonly Block[]): readonly WalkedStep[] =>
  blocks.flatMap(({ steps }) => steps);

export const stopOf = ({ station, side, steps }: Block): Stop => ({
  station,
  side,
  codes: steps.map(({ slot }) => codeOfSlot(slot)),
});

/** Every rule that the order breaks. @param laps whether lamps have a lap of their own */
export const faultsOf = (blocks: readonly Block[], laps: Method['laps']): readonly OrderFault[] =>
  orderFaults(
    stepsOf(blocks).map(({ slot }) => codeOfSlot(slot)),
    rulesFor(laps),
  );

/** The nearest order that breaks no rule. */
export const putRight = (blocks: readonly Block[], laps: Method['laps']): readonly Block[] =>
  blocksOf(inOrder(stepsOf(blocks), ({ slot }) => codeOfSlot(slot), rulesFor(laps)));

/** The same list with one of it moved. */
export function moved<T>(list: readonly T[], from: number, to: number): readonly T[] {
  const rest = list.filter((_, at) => at !== from);
  const taken = list.slice(from, from + 1);
  return [...rest.slice(0, to), ...taken, ...rest.slice(to)];
}
