import { listOf } from './list-step';

/** Putting a glider together, up to the checks of the master list. Common practice, no source; the maker's own list comes first. */
export const RIGGING = listOf('glider', [
  {
    code: 'R01',
    title: 'Read the papers before rigging',
    right: 'Certificates, manual and placards are there, and the maker’s list is in your hand.',
    why: 'A glider that may not fly need not be rigged.',
    typicalDefect: 'one missing or expired',
    firstAction: 'ground-until-mechanic',
  },
  {
    code: 'R02',
    title: 'Count tools and parts before',
    right: 'Each on its outline on the cloth.',
    why: 'Only then does the count afterwards say anything.',
    typicalDefect: 'one missing',
    firstAction: 'service-before-flight',
  },
  {
    code: 'R03',
    title: 'Make the trailer fast',
    right: 'Brake on, wheels chocked, level as the manual says.',
    why: 'A trailer that moves takes the wing along.',
    typicalDefect: 'brake does not hold',
    firstAction: 'service-before-flight',
  },
  {
    code: 'R04',
    title: 'Choose place, crew and time',
    right: 'Sheltered, enough hands, each with a number; nobody is called away.',
    why: 'A step is lost when somebody leaves.',
    caution: 'Interrupted: two steps back.',
    typicalDefect: 'too few hands, or wind',
    firstAction: 'service-before-flight',
  },
  {
    code: 'R05',
    title: 'Clean and grease pins and fittings',
    right: 'Bare, greased; no crack, no play, no wear.',
    why: 'Grit wears the fitting out.',
    typicalDefect: 'crack, play or wear',
    firstAction: 'ground-until-mechanic',
    looksAt: 'structure',
  },
  {
    code: 'R06',
    title: 'Slide the main pins in',
    right: 'They go in with little force.',
    why: 'One that does not is bent, or the spar is.',
    caution: 'Never hammer. Where one needs force, a mechanic looks at the spar.',
    typicalDefect: 'needs force',
    firstAction: 'ground-until-mechanic',
    looksAt: 'structure',
  },
  {
    code: 'R07',
    title: 'Secure every pin and bolt',
    right: 'In, locked, safety in, each touched by a hand.',
    why: 'One that works loose opens in flight.',
    typicalDefect: 'safety missing or worn',
    firstAction: 'ground-until-mechanic',
    looksAt: 'structure',
  },
  {
    code: 'R08',
    title: 'Connect and secure every control',
    right: 'Ailerons, air brakes, flaps, elevator, trim: each seen and pulled.',
    why: 'One that only lies in place holds until the first pull.',
    caution: 'Those that connect themselves are looked at too.',
    typicalDefect: 'does not engage or lock',
    firstAction: 'ground-until-mechanic',
    looksAt: 'controls',
  },
]);
/** What of the master list the rigging ends with, in this order. */
export const RIGGING_CHECKS: readonly string[] = ['K235', 'K236', 'K237', 'K238', 'K244'];
