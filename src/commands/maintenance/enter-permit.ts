import type { EnterPermit } from '@/contracts/maintenance/permit';
import { DIMENSIONS, type FullBox } from '@/core/envelope/dimensions';
import { authorityFor } from '@/core/records/club/certificate';
import { reliefsOf } from '@/core/records/maintenance/permit';
import type { FlightPermit } from '@/core/records/maintenance/work-entry';
import { authorityOf } from '@/core/rules/register';
import { civilDateAt } from '@/core/time/zone';
import { insertOthers } from '@/db/aircraft/other-records';
import { Refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { enterOnce } from '../kernel/enter-once';
import { ownCertificate, requireReturnable } from '../kernel/signing';

/**
 * What a permit opens here, however much it says: a flight to where the aircraft is corrected, by day, visually, with nobody aboard but
 * required crew.
 */
const PERMITTED: FullBox = {
  ...DIMENSIONS,
  purpose: ['positioning-to-maintenance'],
  light: ['day'],
  rules: ['vfr'],
  overWater: ['within-glide'],
  passengers: ['none'],
};

const invalid = (message: string, path: string): Refused =>
  new Refused({ code: 'invalid', message, problems: [{ path, message }] });

/**
 * Enters a special flight permit, with the statement of the mechanic who signs that the aircraft is safe for the flight.
 * Source: 14 CFR 21.197(a)(1) and 21.199 (from memory).
 */
export async function enterPermit(
  ports: Ports,
  actor: Actor,
  entry: EnterPermit,
): Promise<Outcome<{ readonly revision: number }>> {
  return enterOnce(
    ports,
    actor,
    'enter-permit',
    entry,
    { id: entry.permitId, value: {} },
    async ({ tx, club, stored, registration, recordedAt }) => {
      const { zone } = club.place;
      const today = civilDateAt(recordedAt, zone);
      const { number, registrationShown, validFrom, validUntil, untilTimeInService, on } = entry;
      if (registrationShown !== registration)
        throw invalid(
          `This permit is of ${registrationShown}. It opens nothing for ${registration}.`,
          'registrationShown',
        );
      if (validUntil < validFrom) throw invalid('Its last day is before its first.', 'validUntil');
      if (validUntil < today) throw invalid('This permit is over already.', 'validUntil');
      const by = { name: actor.name, certificate: await ownCertificate(tx, actor, entry.certificateId) };
      const authority = authorityFor(authorityOf(club.packs), stored.facts.aircraft);
      requireReturnable(by, { on, today }, authority, []);
      const permit: FlightPermit = {
        id: entry.permitId,
        recordedAt,
        number,
        registrationShown,
        validFrom,
        validUntil,
        uses: [PERMITTED],
        aboard: entry.aboard,
        untilTimeInService,
        safeForFlight: { on, by },
        conditions: entry.conditions,
      };
      if (reliefsOf([permit], registration, zone, authority).length === 0)
        throw invalid('This permit opens nothing. Look at its number, its days and the statement.', 'number');
      await insertOthers(tx, actor.clubId, entry.aircraftId, actor.personId, [
        { id: permit.id, kind: 'permit', happenedAt: recordedAt, recordedAt, body: permit },
      ]);
      return {
        id: permit.id,
        number,
        validFrom,
        validUntil,
        conditions: entry.conditions,
        on,
        certificate: { kind: by.certificate.kind, number: by.certificate.number },
      };
    },
  );
}
