import { may } from '@/contracts/kernel/permissions';
import { dialState } from '@/core/metering/desk';
import { decidePrepared } from '@/core/decision/decide';
import {
  type CertificateKind,
  type SignedWork,
  authorityFor,
  mayBeSignedBy,
} from '@/core/records/club/certificate';
import type { DocumentKind } from '@/core/records/documents/document';
import { type KnownFacts, knownAt } from '@/core/records/facts';
import { workOfMethod } from '@/core/records/maintenance/ad';
import { INSPECTION_KINDS, INSPECTION_WORK } from '@/core/records/maintenance/inspection';
import { BOX_SLACK, boxAhead } from '@/core/records/meters/box-reading';
import { dialsInUse } from '@/core/records/meters/dial';
import type { Counter } from '@/core/records/meters/meters';
import { mostOf, unsaidStretches } from '@/core/records/meters/unlogged';
import { authorityOf } from '@/core/rules/register';
import type { Instant } from '@/core/time/instant';
import { type ZoneId, civilDateAt } from '@/core/time/zone';
import {
  certificatesOf,
  documentsOf,
  findByRegistration,
  waitingPapersOf,
} from '@/db/aircraft/aircraft-documents';
import { othersOfKind } from '@/db/aircraft/other-records';
import { type StrikeRow, readStrikes, strikeOf } from '@/db/aircraft/strikes';
import { readClub } from '@/db/club/clubs';
import { waitingOfAircraft } from '@/db/documents/vouching';
import { photosOfRecords } from '@/db/findings/record-photos';
import { latestFlights } from '@/db/flights/flights';
import { storedDate, storedInstant } from '@/db/kernel/checked-values';
import type { ClubTransaction } from '@/db/kernel/connection';
import { logbookOf } from '@/db/maintenance/logbook';
import { readDials } from '@/db/meters/dials';
import { flownByMonth } from '@/db/meters/flown-by-month';
import { boxesOf } from '@/db/meters/meter-boxes';
import { latestReadings } from '@/db/meters/readings';
import { shownText } from '@/explain/meter-asks';
import { meterText, momentText } from '@/explain/formats';
import { dateText, list, sentenceCase } from '@/explain/wording';
import {
  CERTIFICATE_NAMES,
  COUNTED,
  DOCUMENT_NAMES,
  INSPECTION_NAMES,
  METER_NAMES_IN_WORDS,
} from '@/explain/names';
import { dispatchDial } from '../flights/dispatch';
import { keptFacts } from '../kernel/kept-facts';
import { keptRows } from '../kernel/kept-rows';
import { preparedFor, rulesOf } from '../kernel/prepared';
import { releaseView } from '../releases/release';
import { dueRows } from './due-rows';
import { flightLine, readingLine, workLine } from './folder-lines';
import type { CopyView, Folder, Struck } from './folder-view';
import { oilOf } from './oil-view';

/** How much of each list a folder shows at once. */
const MOST = 40;
const FLIGHTS = 15;
const MONTHS = 12;

function paperDetails(row: Awaited<ReturnType<typeof documentsOf>>[number]): string {
  const day = (text: string | null, before: string) =>
    text === null ? [] : [`${before} ${dateText(storedDate(text))}`];
  return [
    ...(row.revision === null ? [] : [`revision ${row.revision}`]),
    ...(row.serial_shown === null ? [] : [`for serial ${row.serial_shown}`]),
    ...(row.temporary === true ? ['copy of the application'] : []),
    ...day(row.issued_on, row.temporary === true ? 'of' : 'issued'),
    ...day(row.printed_expiry, 'expires'),
    ...day(row.dated_on, 'dated'),
    ...(row.registration_shown === null ? [] : [`shows ${row.registration_shown}`]),
  ].join(', ');
}

/** Of which counters of unlogged time nobody said how many there were, and what counts until somebody does. */
function landingsOf(
  id: string,
  { unlogged, accounted }: Pick<KnownFacts, 'unlogged' | 'accounted'>,
): { readonly asks: readonly Counter[]; readonly counts: string } {
  const stretch = unsaidStretches(unlogged).find((one) => one.id === id);
  const asks = stretch?.unseen.filter((meter) => accounted[meter].state === 'known') ?? [];
  const most = mostOf(stretch?.seconds ?? 0);
  return {
    asks,
    counts:
      asks.length === 0 || most === 0
        ? ''
        : `How many ${list(asks.map((meter) => COUNTED[meter]))} it had is not known: ${most} count against limits until somebody says, the most that there can have been.`,
  };
}

/** Everything that a folder shows beside the facts. */
const rowsOf = keptRows(async (tx, aircraftId) => ({
  strikes: new Map(
    (await readStrikes(tx, aircraftId)).map((row) => strikeOf(row)).map((one) => [one.record, one]),
  ),
  dials: await readDials(tx, aircraftId),
  flights: await latestFlights(tx, aircraftId, MOST),
  attributions: new Map(
    (await othersOfKind(tx, aircraftId, 'attribution')).map((one) => [one.unlogged, one]),
  ),
  waiting: await waitingOfAircraft(tx, aircraftId),
  photos: await photosOfRecords(tx, aircraftId),
  papers: await documentsOf(tx, aircraftId),
  waitingPapers: await waitingPapersOf(tx, aircraftId),
  readings: await latestReadings(tx, aircraftId, MOST),
  unlogged: await othersOfKind(tx, aircraftId, 'unlogged'),
  logbook: await logbookOf(tx, aircraftId, MOST),
  boxes: await boxesOf(tx, aircraftId),
  marks: await othersOfKind(tx, aircraftId, 'known-mark'),
  uplifts: await othersOfKind(tx, aircraftId, 'uplift'),
}));

/** An aircraft's folder; null when the club has none such. */
export async function folder(
  tx: ClubTransaction,
  reader: {
    readonly clubId: string;
    readonly personId: string;
    readonly name: string;
    readonly roles: readonly string[];
  },
  registration: string,
  now: Instant,
): Promise<Folder | null> {
  const found = await findByRegistration(tx, registration);
  if (found === undefined) return null;
  const club = await readClub(tx, reader.clubId);
  const { zone } = club.place;
  const [stored] = await keptFacts(tx, club, found.aircraft_id);
  if (stored === undefined) return null;
  const aircraftId = found.aircraft_id;
  const authority = authorityFor(authorityOf(club.packs), stored.facts.aircraft);
  const { prepared, present } = preparedFor(stored, club, rulesOf(club), now);
  const decision = decidePrepared(prepared, null, present);
  const known = knownAt(stored.facts, present, authority);
  const ahead = boxAhead(known.meters, known.accounted);
  const rows = await rowsOf(tx, stored);
  const { strikes, dials, flights, attributions, waiting, photos } = rows;
  const struck = (id: string): Struck | null => struckText(strikes.get(id), zone);
  const inUse = new Set(dialsInUse(dials).map(({ id }) => id));
  const nameOf = new Map(dials.map(({ id, name }) => [id, name]));
  const flier = new Map(flights.map(({ id, personName }) => [id, personName]));
  const certificates = (await certificatesOf(tx, reader.personId)).map((row) => ({
    id: row.certificate_id,
    kind: row.kind as CertificateKind,
    name: `${CERTIFICATE_NAMES[row.kind as CertificateKind]}, ${row.number}`,
  }));
  const maySign = may(reader.roles, 'sign-entry');
  const showsNumbers = may(reader.roles, 'see-certificates');
  const signers = (work: SignedWork) => ({
    signs:
      list(
        mayBeSignedBy(work, authority).map((kind) => CERTIFICATE_NAMES[kind]),
        'or',
      ) || 'nobody under this club’s rules',
    certificates: maySign
      ? certificates
          .filter(({ kind }) => mayBeSignedBy(work, authority).includes(kind))
          .map(({ id, name }) => ({ id, name }))
      : [],
  });
  const { items, ads } = known;
  /** Of a copy: whether it waits, who vouched for it, and its photos. */
  const copyOf = (id: string): CopyView => {
    const record = waiting.get(id);
    return {
      copied: record !== undefined,
      waits: record !== undefined && record.vouched === null && !record.struck,
      vouchedBy: record?.vouched?.by ?? null,
      photos: photos.get(id) ?? [],
    };
  };
  return {
    aircraftId,
    registration: decision.registration,
    revision: stored.revision,
    now,
    today: civilDateAt(now, zone),
    zone,
    serialNumber: stored.facts.aircraft.particulars.serialNumber,
    due: dueRows(decision.limits, decision.constraints, known),
    papers: rows.papers.map((row) => ({
      documentCheckId: row.sighting_id,
      kind: row.kind as DocumentKind,
      name: sentenceCase(DOCUMENT_NAMES[row.kind as DocumentKind]),
      number: row.number,
      details: paperDetails(row),
      keptWhere: row.kept_where ?? 'place not recorded',
      state:
        row.tank_fitted === false
          ? 'not-needed'
          : row.aboard === true
            ? 'aboard'
            : row.aboard === false
              ? 'missing'
              : 'not-looked-for',
      seen: `${momentText(storedInstant(row.happened_at), zone)}${row.display_name === null ? '' : ` by ${row.display_name}`}`,
    })),
    waitingDocuments: rows.waitingPapers.map((row) => ({
      id: row.sighting_id,
      name: sentenceCase(DOCUMENT_NAMES[row.kind as DocumentKind]),
      details: [
        paperDetails(row),
        row.number === null ? '' : `number ${row.number}`,
        row.aboard === true ? 'on board' : '',
      ]
        .filter((text) => text !== '')
        .join(', '),
      seen: `${momentText(storedInstant(row.happened_at), zone)}${row.display_name === null ? '' : ` by ${row.display_name}`}`,
      photos: photos.get(row.sighting_id) ?? [],
    })),
    waitingReleases: [...waiting.values()]
      .filter(
        ({ table, kind, vouched, struck: out }) =>
          table === 'aircraft_record' && kind === 'release' && vouched === null && !out,
      )
      .map(({ recordId, recordedAt }) => ({
        id: recordId,
        when: momentText(recordedAt, zone),
        photos: photos.get(recordId) ?? [],
      })),
    mayVouch: {
      copies: may(reader.roles, 'vouch-for-copy'),
      documents: may(reader.roles, 'state-documents'),
    },
    dials: dials.map((dial) => {
      const { last, disputed } = dialState(dial, known.accounted);
      return {
        id: dial.id,
        name: dial.name,
        unit: dial.unit,
        bills: dial.bills,
        shows:
          last === null
            ? disputed === null
              ? 'never read'
              : 'two readings contradict each other'
            : shownText(dial.unit, last),
        replaced: !inUse.has(dial.id),
        why: dial.why,
        since: dateText(civilDateAt(dial.happenedAt, zone)),
        counts: dial.counts.map(({ meter }) => {
          const standing = known.accounted[meter];
          return {
            meter,
            name: METER_NAMES_IN_WORDS[meter],
            stands: standing.state === 'known' ? meterText(meter, standing.value) : 'not known',
          };
        }),
      };
    }),
    panel: {
      dials: dials
        .filter(({ id }) => inUse.has(id))
        .map((dial) => dispatchDial(dialState(dial, known.accounted))),
      service:
        dials.some(
          ({ id, counts }) => inUse.has(id) && counts.some(({ meter }) => meter === 'time-in-service'),
        ) || known.accounted['time-in-service'].state !== 'known'
          ? null
          : meterText('time-in-service', known.accounted['time-in-service'].value),
    },
    readings: rows.readings.map((reading) => ({
      ...readingLine(reading, nameOf, zone),
      whose: reading.flightId === null ? '' : (flier.get(reading.flightId) ?? ''),
      struck: struck(reading.id),
    })),
    unlogged: rows.unlogged
      .map((one) => ({
        ...landingsOf(one.id, known),
        id: one.id,
        when: momentText(one.seenAt, zone),
        name: one.name,
        from: one.from,
        to: one.to,
        length: one.length,
        lastBy: one.lastBy,
        attributedTo: attributions.get(one.id)?.to ?? null,
        note: attributions.get(one.id)?.note ?? null,
        struck: struck(one.id),
      }))
      .reverse(),
    logbook: rows.logbook.map((entry) => ({
      ...workLine(entry, stored.facts, showsNumbers),
      struck: struck(entry.id),
      ...copyOf(entry.id),
    })),
    openLists: known.inspections
      .filter(({ outcome, listCleared }) => outcome === 'discrepancies-listed' && listCleared === null)
      .map(({ id, kind, completedOn }) => ({ id, name: INSPECTION_NAMES[kind], on: dateText(completedOn) })),
    flights: flights.slice(0, FLIGHTS).map((flight) => flightLine(flight, zone)),
    boxes: rows.boxes.map((box) => ({
      id: box.boxId,
      name: box.name,
      removed: box.removed,
      struck: struck(box.boxId),
      ahead:
        box.removed
        || struck(box.boxId) !== null
        || flights[0]?.returned === null
        || ahead === null
        || ahead <= BOX_SLACK
          ? null
          : shownText('h', ahead),
      words:
        box.last === null
          ? 'has sent nothing yet'
          : box.last.fell
            ? `counts less than it did, ${momentText(box.last.at, zone)}: it was reset. Take it out and fit it again`
            : `counted to ${shownText('h', box.last.total + box.offset)} in service, ${momentText(box.last.at, zone)}`,
    })),
    release:
      authority === 'au'
        ? await releaseView(tx, known, aircraftId, zone, civilDateAt(now, zone), certificates, showsNumbers)
        : null,
    marks: rows.marks
      .filter(({ id }) => !strikes.has(id))
      .map((mark) => ({ ...mark, size: mark.size ?? null, photos: photos.get(mark.id) ?? [] })),
    oil: oilOf(rows.uplifts.filter(({ id }) => !strikes.has(id))),
    months: await flownByMonth(tx, aircraftId, zone, now, MONTHS),
    sign: {
      judgement: signers('judgement').certificates,
      inspections: INSPECTION_KINDS.map((kind) => ({
        kind,
        name: sentenceCase(INSPECTION_NAMES[kind]),
        ...signers(INSPECTION_WORK[kind]),
      })),
      items: (items ?? []).map(({ id, name, interval, signedAs }) => ({
        id,
        name,
        meters: interval.meters.map(({ meter }) => meter),
        ...signers(signedAs),
      })),
      ads: (ads ?? []).map(({ id, number, title, methods, initial }) => ({
        id,
        name: `${number}: ${title}`,
        methods: methods.map((method) => ({
          id: method.id,
          name: method.name,
          certificates: signers(workOfMethod(method)).certificates,
        })),
        meters: [
          ...new Set(
            [...initial.meters, ...methods.flatMap(({ repeats }) => repeats?.meters ?? [])].map(
              ({ meter }) => meter,
            ),
          ),
        ],
        ...signers('return-to-service'),
      })),
    },
  };
}

/** Who struck out an entry, when and why; null where nobody did. */
export function struckText(strike: StrikeRow | undefined, zone: ZoneId): Struck | null {
  return strike === undefined
    ? null
    : { by: strike.byName, when: momentText(strike.recordedAt, zone), why: strike.why };
}
