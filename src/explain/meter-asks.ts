import type { Question } from '../core/metering/desk';
import type { Dial } from '../core/records/meters/dial';
import { hoursFromSeconds } from '../core/quantities/hours';
import { hoursOverText, readingText } from './formats';

/** What a dial shows, or how much it ran on: `4177.5 h`, or a count. */
export function shownText(unit: Dial['unit'], value: number): string {
  return unit === 'h' ? readingText(hoursFromSeconds(Math.abs(value))) : String(Math.abs(value));
}

const ACCEPT = {
  'flown-unlogged': 'I have read it again: somebody flew and did not write it down',
  'started-again-from-zero': 'I have read it again: it passed its highest figure and started again from zero',
  'read-again': 'I have read it again: this is what it shows',
} as const satisfies Record<NonNullable<Question['accept']>, string>;

/** A question about a reading in words, with the label of yes; null where only another reading will do. */
export function tellQuestion(
  question: Question,
  { name, unit }: Pick<Dial, 'name' | 'unit'>,
  others: readonly Pick<Dial, 'id' | 'name'>[],
): { readonly headline: string; readonly accept: string | null } {
  const accept = question.accept === null ? null : ACCEPT[question.accept];
  const said = (value: number) => shownText(unit, value);
  switch (question.kind) {
    case 'missing':
      return { headline: `${name}: read it and write down what it shows.`, accept };
    case 'disputed':
      return {
        headline: `${name}: ${said(question.earlier)} and later ${said(question.later)} are on record, and one of them is wrong. Correct that one in the folder first.`,
        accept,
      };
    case 'unreadable':
      return {
        headline: `${name}: ‘${question.shown}’ is no reading. Write it as ${unit === 'h' ? '4177.5, with a point and at most two decimals' : 'a whole number'}.`,
        accept,
      };
    case 'gap':
      return {
        headline: `${name}: ${said(question.length)} more than ${said(question.last)}, where the last flight ended. Unlogged time counts towards every limit at once, no matter who flew it.`,
        accept,
      };
    case 'below':
      return question.run === null
        ? {
            headline: `${name}: less than ${said(question.last)}, which is on record. Read it again. If the meter was exchanged, record that first; if the entry before is wrong, correct that first.`,
            accept,
          }
        : {
            headline: `${name}: less than ${said(question.last)}. If it passed its highest figure, it ran ${said(question.run)}.`,
            accept,
          };
    case 'doubt': {
      const { doubt } = question;
      switch (doubt.kind) {
        case 'more-than-elapsed':
          return {
            headline: `${name}: ${said(doubt.added)} more than at check-out, but only ${hoursOverText(hoursFromSeconds(doubt.elapsed))} have passed by the clock.`,
            accept,
          };
        case 'too-many':
          return {
            headline: `${name}: ${doubt.added} more than at check-out, in ${hoursOverText(hoursFromSeconds(doubt.elapsed))} by the clock.`,
            accept,
          };
        case 'unusual-ratio': {
          const other = others.find(({ id }) => id === doubt.other)?.name ?? 'the other meter';
          const share = (value: number) => `${Math.round(value * 100)} %`;
          return {
            headline: `${name}: ${said(doubt.added)} while ${other} ran ${said(doubt.otherAdded)}, which is ${share(doubt.added / Math.max(1, doubt.otherAdded))} of it; usually it is ${share(doubt.least)} to ${share(doubt.most)}.`,
            accept,
          };
        }
        case 'backwards':
          return { headline: `${name}: less than at check-out.`, accept };
        default: {
          const missing: never = doubt;
          throw new RangeError(`no such doubt: ${JSON.stringify(missing)}`);
        }
      }
    }
    default: {
      const missing: never = question;
      throw new RangeError(`no such question: ${JSON.stringify(missing)}`);
    }
  }
}
