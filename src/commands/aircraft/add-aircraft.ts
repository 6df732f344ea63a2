import type { NewAircraft } from '@/contracts/aircraft/aircraft-entry';
import { UNKNOWN_PARTICULARS } from '@/core/records/aircraft/aircraft';
import { findByRegistration } from '@/db/aircraft/aircraft-documents';
import { inClub } from '@/db/kernel/club-transaction';
import { refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';
import { bringIn } from '../kernel/load-folder';
import { NO_RECORDS } from '../kernel/load-records';

/** What the database says of a key that is there already. */
const TWICE = '23505';

/** Enters an aircraft of the club. Nothing is known of it but what it is called, so that it is closed until its records are in. */
export async function addAircraft(
  ports: Ports,
  actor: Actor,
  { aircraftId, registration, typeName, category, firstFlownOn, serialNumber }: NewAircraft,
): Promise<Outcome<{ readonly aircraftId: string }>> {
  const denied = denial(actor, 'add-aircraft');
  if (denied !== null) return refused(denied);
  const there = (message: string) =>
    refused({
      code: 'invalid',
      message,
      problems: [{ path: 'registration', message: 'is on record already' }],
    });
  const known = await inClub(ports.db, actor.clubId, (tx) => findByRegistration(tx, registration));
  if (known !== undefined)
    return known.aircraft_id === aircraftId
      ? { ok: true, value: { aircraftId } }
      : there(`The club has ${registration} already. Open its folder.`);
  try {
    return await bringIn(ports, actor, {
      aircraftId,
      registration,
      typeName,
      category,
      firstFlownOn,
      approvedFor: null,
      features: null,
      particulars: { ...UNKNOWN_PARTICULARS, serialNumber },
      ...NO_RECORDS,
    });
  } catch (error) {
    if (typeof error === 'object' && error !== null && 'code' in error && error.code === TWICE)
      return there(`Somebody entered ${registration} at the same moment. Open its folder.`);
    throw error;
  }
}
