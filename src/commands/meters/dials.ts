import type { DialExchange, NewDial } from '@/contracts/flights/dispatch';
import { meterReading } from '@/core/metering/reading';
import { dialState } from '@/core/metering/desk';
import { readingOf } from '@/core/metering/slips';
import { countsAfterExchange, type Dial } from '@/core/records/meters/dial';
import { knownAt, presentFor } from '@/core/records/facts';
import { authorityOf } from '@/core/rules/register';
import { currentDials, insertDials, readDials } from '@/db/meters/dials';
import { insertReadings } from '@/db/aircraft/folder-rows';
import { shownText } from '@/explain/meter-asks';
import { meterText } from '@/explain/formats';
import { sentenceCase } from '@/explain/wording';
import { METER_NAMES_IN_WORDS } from '@/explain/names';
import { changeAircraft } from '../kernel/change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';
import { keepStretchOfEntry } from './unlogged';

const invalid = (path: string, message: string): Refused =>
  new Refused({ code: 'invalid', message, problems: [{ path, message }] });

function wrapOf(text: string | null, unit: Dial['unit']): number | null {
  if (text === null) return null;
  const value = readingOf(text, unit);
  if (value === undefined || value === 0)
    throw invalid('wrapsAt', 'Say where it starts again from zero, such as 10000, or leave it empty.');
  return value;
}

/** Hours that nobody wrote down are seen only beside a figure that is known. */
const disputed = (name: string, earlier: string, later: string): string =>
  `${sentenceCase(name)}: ${earlier} and later ${later} are on record, and one of them is wrong. Correct that one first.`;

/** Says that an aircraft has a meter, what it counts towards and what each of those stands at now. */
export async function addDial(
  ports: Ports,
  actor: Actor,
  entry: NewDial,
): Promise<Outcome<{ readonly dialId: string; readonly revision: number }>> {
  const denied = denial(actor, 'keep-meters');
  if (denied !== null) return refused(denied);
  return changeAircraft(
    ports,
    actor,
    entry.aircraftId,
    'add-meter',
    entry.seenRevision,
    async (changing) => {
      const { tx, club, stored, recordedAt } = changing;
      const inUse = await currentDials(tx, entry.aircraftId);
      const taken = entry.counts.find(({ meter }) =>
        inUse.some(({ counts }) => counts.some((count) => count.meter === meter)),
      );
      if (taken !== undefined)
        throw invalid(
          'counts',
          'Another meter of this aircraft counts towards that already. If it was exchanged, record the exchange.',
        );
      if (entry.bills && inUse.some(({ bills }) => bills))
        throw invalid('bills', 'Another meter is the one that flights are billed by.');
      if (new Set(entry.counts.map(({ meter }) => meter)).size !== entry.counts.length)
        throw invalid('counts', 'Each is named once.');
      const shows = readingOf(entry.shows, entry.unit);
      if (shows === undefined) throw invalid('shows', 'Write what it shows now, such as 1610.4.');
      const known = knownAt(stored.facts, presentFor(stored.facts, recordedAt), authorityOf(club.packs));
      const stands = entry.counts.map(({ meter, standsAt }) => {
        const value = readingOf(standsAt, entry.unit);
        if (value === undefined) throw invalid('counts', 'Write what each stands at now, such as 4749.5.');
        const standing = known.accounted[meter];
        if (standing.state === 'contradiction')
          throw invalid(
            'counts',
            disputed(
              METER_NAMES_IN_WORDS[meter],
              meterText(meter, standing.earlierValue),
              meterText(meter, standing.laterValue),
            ),
          );
        if (standing.state === 'known' && value < standing.value)
          throw invalid(
            'counts',
            `That is less than ${shownText(entry.unit, standing.value)}, which is on record. Read it again, or correct the entry before.`,
          );
        return { meter, value };
      });
      const dial: Dial = {
        id: entry.dialId,
        happenedAt: recordedAt,
        recordedAt,
        name: entry.name,
        unit: entry.unit,
        bills: entry.bills,
        counts: stands.map(({ meter, value }) => ({ meter, offset: value - shows })),
        wrapsAt: wrapOf(entry.wrapsAt, entry.unit),
        replaces: null,
      };
      await insertDials(tx, actor.clubId, entry.aircraftId, actor.personId, [{ ...dial, why: null }]);
      await insertReadings(
        tx,
        actor.clubId,
        entry.aircraftId,
        actor.personId,
        stands.map(({ meter, value }) => ({
          ...meterReading(ports.newId(), meter, value, recordedAt, recordedAt),
          entered: entry.shows,
          dialId: dial.id,
        })),
      );
      await keepStretchOfEntry(ports, actor, changing, {
        entryId: dial.id,
        aircraftId: entry.aircraftId,
        readings: stands,
        words: 'as it stood when a meter was entered',
        by: actor.name,
      });
      return {
        value: { dialId: dial.id },
        ledger: {
          id: dial.id,
          name: dial.name,
          shows: entry.shows,
          counts: entry.counts.map(({ meter, standsAt }) => ({ meter, standsAt })),
          bills: dial.bills,
          wrapsAt: entry.wrapsAt,
        },
      };
    },
    {
      request: entry,
      found: async (tx) =>
        (await readDials(tx, entry.aircraftId)).some(({ id }) => id === entry.dialId)
          ? { dialId: entry.dialId }
          : null,
    },
  );
}

/** Records that a meter was exchanged: everything that it counts towards goes on from where it stood. */
export async function exchangeDial(
  ports: Ports,
  actor: Actor,
  entry: DialExchange,
): Promise<Outcome<{ readonly dialId: string; readonly revision: number }>> {
  const denied = denial(actor, 'keep-meters');
  if (denied !== null) return refused(denied);
  return changeAircraft(
    ports,
    actor,
    entry.aircraftId,
    'exchange-meter',
    entry.seenRevision,
    async (changing) => {
      const { tx, club, stored, recordedAt } = changing;
      const old = (await currentDials(tx, entry.aircraftId)).find(({ id }) => id === entry.replaces);
      if (old === undefined)
        throw new Refused({
          code: 'not-found',
          message: 'That meter is not in this aircraft any more. Open the folder again.',
        });
      const [lastRead, firstRead] = [
        readingOf(entry.lastShown, old.unit),
        readingOf(entry.firstShown, old.unit),
      ];
      if (lastRead === undefined)
        throw invalid('lastShown', 'Write what the old meter showed when it was taken out.');
      if (firstRead === undefined) throw invalid('firstShown', 'Write what the new meter shows.');
      const { last: before, disputed: two } = dialState(
        old,
        knownAt(stored.facts, presentFor(stored.facts, recordedAt), authorityOf(club.packs)).accounted,
      );
      if (two !== null)
        throw invalid(
          'lastShown',
          disputed(old.name, shownText(old.unit, two.earlier), shownText(old.unit, two.later)),
        );
      if (before !== null && lastRead < before)
        throw invalid(
          'lastShown',
          `The old meter cannot have shown less than ${shownText(old.unit, before)}, which is on record. If it had stopped, write ${shownText(old.unit, before)}.`,
        );
      const dial: Dial = {
        ...old,
        id: entry.dialId,
        name: entry.name,
        happenedAt: recordedAt,
        recordedAt,
        counts: countsAfterExchange(old, lastRead, firstRead),
        wrapsAt: wrapOf(entry.wrapsAt, old.unit),
        replaces: old.id,
      };
      await insertDials(tx, actor.clubId, entry.aircraftId, actor.personId, [{ ...dial, why: entry.why }]);
      await insertReadings(
        tx,
        actor.clubId,
        entry.aircraftId,
        actor.personId,
        old.counts.map(({ meter, offset }) => ({
          ...meterReading(ports.newId(), meter, lastRead + offset, recordedAt, recordedAt),
          entered: entry.lastShown,
          dialId: old.id,
        })),
      );
      await keepStretchOfEntry(ports, actor, changing, {
        entryId: dial.id,
        aircraftId: entry.aircraftId,
        readings: old.counts.map(({ meter, offset }) => ({ meter, value: lastRead + offset })),
        words: 'as the meter showed that was taken out',
        by: actor.name,
      });
      return {
        value: { dialId: dial.id },
        ledger: {
          id: dial.id,
          replaces: old.id,
          name: dial.name,
          lastShown: entry.lastShown,
          firstShown: entry.firstShown,
          why: entry.why,
        },
      };
    },
    {
      request: entry,
      found: async (tx) =>
        (await readDials(tx, entry.aircraftId)).some(({ id }) => id === entry.dialId)
          ? { dialId: entry.dialId }
          : null,
    },
  );
}
