import { POSITIONING } from '../../envelope/ordinary';
import { ALL_USES, difference, intersection, NO_USES, usesIn, type UseSet } from '../../envelope/use-set';
import { isGlider, type Aircraft } from '../../records/aircraft/aircraft';
import type { Discrepancy } from '../../records/findings/discrepancy';
import { latestAll, type KnownFacts } from '../../records/facts';

/** An aircraft without a working ELT may be ferried to where it is installed or repaired, with nobody aboard but required crew: 14 CFR 91.207(e) (from memory). */
export const BUT_FERRY = difference(ALL_USES, intersection(POSITIONING, usesIn({ passengers: ['none'] })));
/** Training may go without one where the flight says that it stays within 50 NM, whatever the club calls local: 91.207(f)(3) (from memory). */
const TRAINING = usesIn({
  purpose: ['instruction-school-aircraft', 'instruction-own-aircraft'],
  range: ['local', 'cross-country'],
});
export const BUT_TRAINING = difference(BUT_FERRY, TRAINING);

/** Whether the rule asks for one at all: it speaks of aeroplanes, and 91.207(f)(9) leaves out those for one person (from memory). */
export function needsElt(aircraft: Aircraft): boolean {
  return !isGlider(aircraft) && aircraft.particulars.seats !== 1;
}

/** The uses that the operating rules need a working ELT for. */
export function eltUses(aircraft: Aircraft): UseSet {
  return needsElt(aircraft) ? BUT_TRAINING : NO_USES;
}

/** A finding on an ELT that was taken away for repair since: its own rule says what that leaves, and a repaired one comes back with its entry. */
export function isRemovedElt({ equipment, happenedAt }: Discrepancy, { elts }: KnownFacts): boolean {
  const latest = latestAll(elts);
  return (
    equipment.every((kind) => kind === 'elt')
    && latest.length > 0
    && latest.every((one) => one.state === 'removed-for-repair' && one.happenedAt > happenedAt)
  );
}
