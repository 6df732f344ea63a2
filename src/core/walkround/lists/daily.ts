import { listOf } from './list-step';

/**
 * What the daily inspection of a club under a maintenance release has before the walk-round.
 * Source: CAR 1988 Schedule 5 part 1 and the release's own parts (from memory); the rest common practice, no source.
 */
export const DAILY = listOf('cabin-power-off', [
  {
    code: 'D01',
    title: 'Open the maintenance release',
    right: 'Of this aircraft, and in force by its date and by its hours.',
    why: 'Past either limit the aircraft does not fly.',
    typicalDefect: 'expired, or another aircraft’s',
    firstAction: 'ground-until-mechanic',
  },
  {
    code: 'D02',
    title: 'Read what was written on it',
    right: 'Every entry is cleared, or you know what it closes.',
    why: 'A major defect stands there before you find it.',
    typicalDefect: 'an open entry',
    firstAction: 'ground-until-mechanic',
  },
  {
    code: 'D03',
    title: 'Add up the last day flown',
    right: 'Hours, landings and oil stand on the release.',
    why: 'A missing day hides hours until the next inspection.',
    typicalDefect: 'a day is missing',
    firstAction: 'service-before-flight',
  },
  {
    code: 'D04',
    title: 'See what falls due today',
    right: 'Nothing runs out before the day’s last landing.',
    why: 'It must not end in the air.',
    typicalDefect: 'runs out today',
    firstAction: 'service-before-flight',
  },
]);
