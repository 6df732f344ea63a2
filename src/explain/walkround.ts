import type { Volume } from '../core/quantities/volume';
import type { Announced } from '../core/records/walkround/measurement';
import { volumeText } from './formats';

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
