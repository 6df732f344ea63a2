import type { PlanKind } from '@/core/walkround/plan-kinds';

/** What a list is called, when it is gone through, and what follows its signature. */
export const LIST_WORDS: Readonly<
  Record<PlanKind, { readonly title: string; readonly about: string; readonly signed: string }>
> = {
  'walk-round': { title: 'Walk-round', about: '', signed: 'Go to the desk to check out.' },
  'daily-inspection': {
    title: 'Daily inspection',
    about:
      'Before the first flight of the day: the maintenance release, then the whole walk-round. It stands for the walk-round too.',
    signed: 'Now certify it on the maintenance release, with your certificate and password.',
  },
  'run-up': {
    title: 'Run-up',
    about:
      'At the hold, engine running. The pilot flying looks outside; somebody else reads where there is one.',
    signed: 'What you found is on record. The pilot in command decides.',
  },
  briefing: {
    title: 'Passenger briefing',
    about: 'Before the engine starts, with everybody who flies along.',
    signed: 'On record for this flight.',
  },
  rigging: {
    title: 'Rigging',
    about:
      'Undisturbed, by the maker’s list in your hand. To begin says that the glider is apart: it stays unavailable until you have signed.',
    signed: 'The walk-round still comes before the flight.',
  },
};

/** What to do where the run-up found something. */
export const BACK_TO_STAND =
  'Do not take off. Taxi back to the stand and shut down; the desk hears of it. A mechanic looks before the next flight.';
