import { may } from '@/contracts/kernel/permissions';
import { dialState } from '@/core/counter/desk';
import { decidePrepared } from '@/core/decision/decide';
import type { DecidedConstraint, LimitAhead } from '@/core/decision/decision';
import {
  authorityFor,
  mayBeSignedBy,
  type CertificateKind,
  type SignedWork,
} from '@/core/records/club/certificate';
import { boxAhead, BOX_SLACK } from '@/core/records/meters/box-reading';
import { dialsInUse } from '@/core/records/meters/dial';
import { knownAt, type KnownFacts } from '@/core/records/facts';
import type { Uplift } from '@/core/records/walkround/measurement';
import { oilPerHour, oilSteps } from '@/core/records/meters/oil-trend';
import { hoursFromSeconds } from '@/core/quantities/hours';
import { decimalVolume } from '@/core/quantities/volume';
import {
  INSPECTION_KINDS,
  INSPECTION_WORK,
  type InspectionKind,
} from '@/core/records/maintenance/inspection';
import type { DocumentKind } from '@/core/records/documents/document';
import type { Counter, Meter } from '@/core/records/meters/meters';
import { mostOf, unsaidStretches } from '@/core/records/meters/unlogged';
import { authorityOf } from '@/core/rules/register';
import type { Instant } from '@/core/time/instant';
import { civilDateAt, type ZoneId } from '@/core/time/zone';
import {
  certificatesOf,
  findByRegistration,
  documentsOf,
  waitingPapersOf,
} from '@/db/aircraft/aircraft-documents';
import { loadAircraft } from '@/db/aircraft/aircraft-facts';
import { boxesOf } from '@/db/meters/meter-boxes';
import { storedDate, storedInstant } from '@/db/kernel/checked-values';
import { readClub } from '@/db/club/clubs';
import type { ClubTransaction } from '@/db/kernel/connection';
import { readDials } from '@/db/meters/dials';
import { latestFlights } from '@/db/flights/flights';
import { flownByMonth } from '@/db/meters/flown-by-month';
import { logbookOf } from '@/db/maintenance/logbook';
import { othersOfKind, type KnownMark } from '@/db/aircraft/other-records';
import { latestReadings } from '@/db/meters/readings';
import { photosOfRecords } from '@/db/findings/record-photos';
import { readStrikes, strikeOf, type StrikeRow } from '@/db/aircraft/strikes';
import { waitingOfAircraft } from '@/db/documents/vouching';
import { shownText } from '@/explain/counter';
import { tellDue } from '@/explain/due';
import { dateText, list, meterText, momentText, readingText, sentenceCase } from '@/explain/formats';
import { signedText } from '@/explain/for-reader';
import { entitledText } from '@/explain/remedies';
import { leftText, limitName } from '@/explain/limits';
import {
  CERTIFICATE_NAMES,
  COUNTED,
  DOCUMENT_NAMES,
  INSPECTION_NAMES,
  METER_NAMES_IN_WORDS,
} from '@/explain/names';
import { counterDial, type CounterDial } from '../flights/counter';
import { preparedFor, rulesOf } from '../kernel/prepared';
import { releaseView, type ReleaseView } from '../releases/release';

/** How much of each list a folder shows at once. */
const MOST = 40;
const FLIGHTS = 15;
const MONTHS = 12;

/** An entry that was struck out: by whom, when and why. */
export interface Struck {
  readonly by: string;
  readonly when: string;
  readonly why: string;
}

/** What the page says of an entry that was copied from paper. */
export interface CopyView {
  readonly copied: boolean;
  /** Nobody has vouched for it yet, so it does not count. */ readonly waits: boolean;
  readonly vouchedBy: string | null;
  readonly photos: readonly string[];
}

/** A document that a member saw and that does not count until somebody entitled has vouched for it. */
export interface WaitingDocument {
  readonly id: string;
  readonly name: string;
  readonly details: string;
  readonly seen: string;
  readonly photos: readonly string[];
}

/** Something that has to be done again, or that ends. */
export interface DueRow {
  readonly id: string;
  readonly name: string;
  readonly interval: string;
  readonly last: string;
  readonly next: string;
  readonly sum: string;
  readonly left: string;
  readonly daysLeft: number | null;
  readonly hoursLeft: number | null;
  readonly signs: string;
}

/** What an aircraft's folder holds beyond its verdict. */
export interface Folder {
  readonly aircraftId: string;
  readonly registration: string;
  readonly revision: number;
  readonly now: Instant;
  readonly today: string;
  readonly zone: string;
  readonly serialNumber: string | null;
  readonly due: readonly DueRow[];
  readonly papers: readonly {
    readonly documentCheckId: string;
    readonly kind: DocumentKind;
    readonly name: string;
    readonly number: string | null;
    readonly details: string;
    readonly keptWhere: string;
    readonly state: 'aboard' | 'missing' | 'not-needed' | 'not-looked-for';
    readonly seen: string;
  }[];
  readonly waitingDocuments: readonly WaitingDocument[];
  /** Copies of the maintenance release for which nobody has vouched yet. */
  readonly waitingReleases: readonly {
    readonly id: string;
    readonly when: string;
    readonly photos: readonly string[];
  }[];
  readonly mayVouch: { readonly copies: boolean; readonly documents: boolean };
  readonly dials: readonly {
    readonly id: string;
    readonly name: string;
    readonly unit: 'h' | 'count';
    readonly bills: boolean;
    readonly shows: string;
    readonly counts: readonly { readonly meter: Meter; readonly name: string; readonly stands: string }[];
    readonly replaced: boolean;
    readonly why: string | null;
    readonly since: string;
  }[];
  /** What is in the panel now, as it is compared when somebody reads it; and the time in service where only the logbook has it. */
  readonly panel: { readonly dials: readonly CounterDial[]; readonly service: string | null };
  readonly readings: readonly {
    readonly id: string;
    readonly when: string;
    readonly name: string;
    readonly shown: string;
    readonly stands: string;
    readonly whose: string;
    readonly struck: Struck | null;
  }[];
  readonly unlogged: readonly {
    readonly id: string;
    readonly when: string;
    readonly name: string;
    readonly from: string;
    readonly to: string;
    readonly length: string;
    readonly lastBy: string | null;
    readonly attributedTo: string | null;
    readonly note: string | null;
    /** Of which counters nobody said how many there were, and what counts until then. */ readonly asks: readonly Counter[];
    readonly counts: string;
    readonly struck: Struck | null;
  }[];
  readonly logbook: readonly ({
    readonly id: string;
    readonly kind: 'inspection' | 'done' | 'compliance' | 'list-cleared';
    readonly title: string;
    readonly on: string;
    readonly sortKey: string;
    readonly reading: string;
    readonly description: string;
    readonly signed: string;
    readonly outcome: string;
    readonly struck: Struck | null;
  } & CopyView)[];
  readonly openLists: readonly { readonly id: string; readonly name: string; readonly on: string }[];
  readonly flights: readonly {
    readonly id: string;
    readonly left: string;
    readonly person: string;
    readonly figures: string;
    readonly landings: number | null;
    readonly billed: string;
    readonly remarks: string;
    readonly out: boolean;
  }[];
  readonly marks: readonly KnownMark[];
  readonly boxes: readonly {
    readonly id: string;
    readonly name: string;
    readonly words: string;
    readonly ahead: string | null;
    readonly removed: boolean;
    readonly struck: Struck | null;
  }[];
  /** Under rules that know one. */
  readonly release: ReleaseView | null;
  /** Oil use between one top-up and the next, newest last, in US quarts an hour; and what they say together, null while they are too few. */
  readonly oil: {
    readonly steps: readonly { readonly at: string; readonly use: number }[];
    readonly trend: string | null;
  };
  readonly months: readonly { readonly month: string; readonly hours: number }[];
  readonly sign: {
    /** The reader's certificates that judge a mark. */
    readonly judgement: readonly { readonly id: string; readonly name: string }[];
    readonly inspections: readonly {
      readonly kind: InspectionKind;
      readonly name: string;
      readonly signs: string;
      readonly certificates: readonly { readonly id: string; readonly name: string }[];
    }[];
    readonly items: readonly {
      readonly id: string;
      readonly name: string;
      readonly meters: readonly Meter[];
      readonly signs: string;
      readonly certificates: readonly { readonly id: string; readonly name: string }[];
    }[];
    readonly ads: readonly {
      readonly id: string;
      readonly name: string;
      readonly methods: readonly { readonly id: string; readonly name: string }[];
      readonly meters: readonly Meter[];
      readonly signs: string;
      readonly certificates: readonly { readonly id: string; readonly name: string }[];
    }[];
  };
}

const DAY = 86_400_000;

function dueRows(
  limits: readonly LimitAhead[],
  inForce: readonly DecidedConstraint[],
  facts: Parameters<typeof tellDue>[1],
): readonly DueRow[] {
  const seen = new Set<string>();
  const row = (
    constraint: DecidedConstraint,
    left: string,
    daysLeft: number | null,
    hoursLeft: number | null,
  ): readonly DueRow[] => {
    const words = tellDue(constraint, facts);
    if (words === null) return [];
    const name = sentenceCase(limitName(constraint));
    // What two rules ask of one thing is due once.
    const key = `${name} ${words.next}`;
    if (seen.has(key)) return [];
    seen.add(key);
    return [
      {
        id: constraint.id,
        name,
        ...words,
        left,
        daysLeft,
        hoursLeft,
        signs: constraint.remedies[0] === undefined ? '' : entitledText(constraint.remedies[0].by),
      },
    ];
  };
  return [
    ...inForce.flatMap((constraint) =>
      constraint.begins.kind === 'recorded' ? [] : row(constraint, 'now', 0, null),
    ),
    ...limits.flatMap((limit) =>
      row(
        limit.constraint,
        leftText(limit),
        limit.currency === 'time' ? Math.floor(limit.left / DAY) : null,
        limit.currency === 'hours' ? limit.left / 3600 : null,
      ),
    ),
  ];
}

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
  const [stored] = await loadAircraft(tx, club.place, found.aircraft_id, true);
  if (stored === undefined) return null;
  const aircraftId = found.aircraft_id;
  const authority = authorityFor(authorityOf(club.packs), stored.facts.aircraft);
  const { prepared, present } = preparedFor(stored, club, rulesOf(club), now);
  const decision = decidePrepared(prepared, null, present);
  const known = knownAt(stored.facts, present, authority);
  const ahead = boxAhead(known.meters, known.accounted);
  const strikes = new Map(
    (await readStrikes(tx, aircraftId)).map((row) => strikeOf(row)).map((one) => [one.record, one]),
  );
  const struck = (id: string): Struck | null => struckText(strikes.get(id), zone);
  const dials = await readDials(tx, aircraftId);
  const inUse = new Set(dialsInUse(dials).map(({ id }) => id));
  const nameOf = new Map(dials.map(({ id, name }) => [id, name]));
  const flights = await latestFlights(tx, aircraftId, MOST);
  const flier = new Map(flights.map(({ id, personName }) => [id, personName]));
  const attributions = new Map(
    (await othersOfKind(tx, aircraftId, 'attribution')).map((one) => [one.unlogged, one]),
  );
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
  const waiting = await waitingOfAircraft(tx, aircraftId);
  const photos = await photosOfRecords(tx, aircraftId);
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
    papers: (await documentsOf(tx, aircraftId)).map((row) => ({
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
    waitingDocuments: (await waitingPapersOf(tx, aircraftId)).map((row) => ({
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
        .map((dial) => counterDial(dialState(dial, known.accounted))),
      service:
        dials.some(
          ({ id, counts }) => inUse.has(id) && counts.some(({ meter }) => meter === 'time-in-service'),
        ) || known.accounted['time-in-service'].state !== 'known'
          ? null
          : meterText('time-in-service', known.accounted['time-in-service'].value),
    },
    readings: (await latestReadings(tx, aircraftId, MOST)).map((reading) => ({
      id: reading.id,
      when: momentText(reading.happenedAt, zone),
      name:
        (reading.dialId === null ? undefined : nameOf.get(reading.dialId))
        ?? sentenceCase(METER_NAMES_IN_WORDS[reading.meter]),
      shown: reading.entered,
      stands: `${METER_NAMES_IN_WORDS[reading.meter]} ${meterText(reading.meter, reading.value)}`,
      whose: reading.flightId === null ? '' : (flier.get(reading.flightId) ?? ''),
      struck: struck(reading.id),
    })),
    unlogged: (await othersOfKind(tx, aircraftId, 'unlogged'))
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
    logbook: (await logbookOf(tx, aircraftId, MOST)).map((entry) => ({
      id: entry.id,
      kind: entry.kind,
      on: dateText(storedDate(entry.on)),
      sortKey: entry.on,
      description: entry.description ?? '',
      reading: entry.reading === null ? '' : readingText(entry.reading),
      signed: signedText(entry.signed, showsNumbers),
      title:
        entry.kind === 'inspection'
          ? sentenceCase(INSPECTION_NAMES[entry.what as InspectionKind])
          : entry.kind === 'done'
            ? (stored.facts.items?.find(({ id }) => id === entry.what)?.name ?? 'Item')
            : entry.kind === 'compliance'
              ? `AD ${stored.facts.ads?.find(({ id }) => id === entry.what)?.number ?? ''}`
              : 'List of an inspection cleared',
      outcome:
        entry.outcome === 'discrepancies-listed'
          ? 'not approved; a list was given'
          : entry.outcome === 'approved'
            ? 'approved'
            : '',
      struck: struck(entry.id),
      ...copyOf(entry.id),
    })),
    openLists: known.inspections
      .filter(({ outcome, listCleared }) => outcome === 'discrepancies-listed' && listCleared === null)
      .map(({ id, kind, completedOn }) => ({ id, name: INSPECTION_NAMES[kind], on: dateText(completedOn) })),
    flights: flights.slice(0, FLIGHTS).map((flight) => ({
      id: flight.id,
      left: momentText(flight.leftAt, zone),
      person: flight.personName,
      out: flight.returned === null,
      figures: flight.readings
        .map(
          ({ dial, name, shown }) =>
            `${name} ${shown} → ${flight.returned?.readings.find((one) => one.dial === dial)?.shown ?? '…'}`,
        )
        .join(' · '),
      landings: flight.returned?.landings ?? null,
      billed: flight.returned?.billed == null ? '' : shownText('h', flight.returned.billed),
      remarks: flight.returned?.remarks ?? '',
    })),
    boxes: (await boxesOf(tx, aircraftId)).map((box) => ({
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
    marks: (await othersOfKind(tx, aircraftId, 'known-mark')).filter(({ id }) => !strikes.has(id)),
    oil: oilOf((await othersOfKind(tx, aircraftId, 'uplift')).filter(({ id }) => !strikes.has(id))),
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
        methods: methods.map((method) => ({ id: method.id, name: method.name })),
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

/** So many steps of the oil use are drawn. */
const OIL_STEPS = 10;

function oilOf(uplifts: readonly Uplift[]): Folder['oil'] {
  const trend = oilPerHour(uplifts);
  return {
    steps: oilSteps(uplifts)
      .slice(-OIL_STEPS)
      .map(({ at, perHour }) => ({
        at: readingText(hoursFromSeconds(at)),
        use: Number(decimalVolume(perHour, 'US qt', 3, 'up')),
      })),
    trend: trend === null ? null : `${decimalVolume(trend.perHour, 'US qt', 2, 'up')} US qt an hour`,
  };
}

/** Who struck out an entry, when and why; null where nobody did. */
export function struckText(strike: StrikeRow | undefined, zone: ZoneId): Struck | null {
  return strike === undefined
    ? null
    : { by: strike.byName, when: momentText(strike.recordedAt, zone), why: strike.why };
}
