import type { Volume } from '../core/quantities/volume';
import type { Announced } from '../core/records/walkround/measurement';
import type { PlanKind } from '../core/walkround/plan-kinds';
import { volumeText } from './formats';

/** What each list is called in the middle of a sentence. */
export const PLAN_NAMES: Readonly<Record<PlanKind, string>> = {
  'walk-round': 'walk-round',
  'daily-inspection': 'daily inspection',
  'run-up': 'run-up',
  briefing: 'passenger briefing',
  rigging: 'rigging',
};

/** What somebody is told who has no certificate for a list. */
export const NO_CERTIFICATE: Readonly<Record<PlanKind, string>> = {
  'walk-round': '',
  'daily-inspection':
    'The daily inspection is done and signed by a pilot or a licensed engineer. You have no such certificate on record here that is in force; ask one of them, or do the walk-round.',
  'run-up': '',
  briefing: '',
  rigging:
    'Rigging is answered for by a pilot or a mechanic. You have no such certificate on record here that is in force; help one of them, who goes through the list.',
};

const ACTS: Readonly<Record<Announced['act'], string>> = {
  'add-oil': 'add oil',
  'add-fuel': 'fuel',
  'drain-again': 'drain again',
  'inflate-tyre': 'inflate the tyre',
  fetch: 'fetch',
};

/** What was announced, as the middle of a sentence: 'add oil, 1.00 US qt', 'fuel, left tank, 8.0 US gal'. @param amount picolitres */
export function announcedWords(act: Announced['act'], which: string | null, amount: number | null): string {
  return [
    ACTS[act],
    ...(which === null ? [] : [act === 'add-fuel' ? `${which} tank` : which]),
    ...(amount === null ? [] : [volumeText(amount as Volume, 'up', act === 'add-oil' ? 'US qt' : 'US gal')]),
  ].join(', ');
}
