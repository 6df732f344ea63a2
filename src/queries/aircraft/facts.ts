import { minimumItemInput, type MinimumItemInput } from '@/contracts/aircraft/minimum-list-rows';
import { overlaps, usesIn, usesInAny } from '@/core/envelope/use-set';
import type { TowRope } from '@/core/records/flights/movement';
import { ropeFault } from '@/core/rules/tow-rope';
import { may } from '@/contracts/kernel/permissions';
import { decidePrepared } from '@/core/decision/decide';
import { isGlider, type Aircraft } from '@/core/records/aircraft/aircraft';
import type { EquipmentItem } from '@/core/records/aircraft/equipment';
import { isByType, TYPE_TEMPLATES } from '@/core/records/aircraft/type-templates';
import { knownAt, latestOf } from '@/core/records/facts';
import { authorityOf } from '@/core/rules/register';
import type { Instant } from '@/core/time/instant';
import { civilDateAt } from '@/core/time/zone';
import type { RampData } from '@/core/records/walkround/ramp-data';
import { CATALOGUE } from '@/core/walkround/catalogue';
import { readPlans } from '@/db/walkround/plan-now';
import { readRampData } from '@/db/walkround/plan-aircraft';
import type { StoredAircraft } from '@/db/aircraft/facts-from-rows';
import { findByRegistration } from '@/db/aircraft/aircraft-documents';
import { othersOfKind } from '@/db/aircraft/other-records';
import { readStrikes, strikeOf } from '@/db/aircraft/strikes';
import { readClub } from '@/db/club/clubs';
import type { ClubTransaction } from '@/db/kernel/connection';
import { tellConstraint } from '@/explain/constraint';
import { intervalText } from '@/explain/due';
import { momentText } from '@/explain/formats';
import { dateText } from '@/explain/wording';
import { CATEGORY_NAMES, ROPE_FAULT_NAMES } from '@/explain/names';
import { keptFacts } from '../kernel/kept-facts';
import { preparedFor, rulesOf } from '../kernel/prepared';
import { struckText } from './folder';
import { type Struck } from './folder-view';

/** A record as a line of a list. */
export interface FactLine {
  readonly id: string;
  readonly text: string;
  readonly more: string;
  readonly struck?: Struck | null;
}

/** What is on record of an aircraft beyond its documents and maintenance, for the person who keeps the records. */
export interface Facts {
  readonly aircraftId: string;
  readonly registration: string;
  readonly typeName: string;
  readonly revision: number;
  readonly now: Instant;
  readonly today: string;
  readonly zone: string;
  readonly authority: 'us' | 'au';
  readonly verdict: string;
  /** What nobody has said yet and keeps uses closed, in the order of the decision. */
  readonly missing: readonly {
    readonly id: string;
    readonly headline: string;
    readonly meaning: string;
    readonly remedy: string;
  }[];
  readonly aircraft: Aircraft;
  readonly categoryName: string;
  /** What another description would take the place of. */
  readonly descriptionId: string | null;
  readonly equipment: {
    readonly id: string;
    readonly seen: string;
    readonly approved: boolean;
    readonly items: readonly EquipmentItem[];
  } | null;
  /** What another minimum equipment list would take the place of, one that was withdrawn included. */
  readonly minimumListId: string | null;
  /** The approved minimum equipment list that counts; null where none is on record. */
  readonly minimumList: {
    readonly id: string;
    readonly revision: string;
    readonly approvedOn: string;
    readonly items: readonly MinimumItemInput[];
  } | null;
  readonly items: readonly FactLine[];
  readonly ads: readonly FactLine[];
  /** Whether somebody said that the list is complete. */
  readonly complete: { readonly items: boolean; readonly ads: boolean };
  readonly elt: FactLine | null;
  readonly vorCheck: FactLine | null;
  /** The latest rigging; only of a glider. */
  readonly isGlider: boolean;
  readonly rigging: FactLine | null;
  /** The latest tow rope; only of an aircraft that may tow. */
  readonly mayTow: boolean;
  readonly towRope: FactLine | null;
  readonly databases: readonly FactLine[];
  readonly clubDocuments: readonly FactLine[];
  /** What its walk-round rests on. */
  readonly ramp: RampFacts;
  readonly mayEnter: boolean;
  readonly mayReplace: boolean;
  /** What an equipment list may begin from, those of its own type first; none for somebody who enters nothing. */
  readonly templates: readonly EquipmentTemplate[];
}

/** What the walk-round of an aircraft rests on, as the form shows it. */
export interface RampFacts {
  /** What another one would take the place of. */
  readonly id: string | null;
  /** Null where nobody has said what it has: then every step is asked for. */
  readonly features: readonly string[] | null;
  readonly data: RampData | null;
  readonly tanks: readonly string[];
  readonly steps: readonly { readonly code: string; readonly title: string }[];
  /** How many steps a whole walk-round has now. */
  readonly count: number;
}

async function rampFacts(tx: ClubTransaction, stored: StoredAircraft, now: Instant): Promise<RampFacts> {
  const data = await readRampData(tx, stored.aircraftId);
  return {
    id: data?.id ?? (stored.features === null ? null : stored.aircraftId),
    features: data?.features ?? stored.features,
    data,
    tanks: (stored.facts.aircraft.particulars.fuel?.tanks ?? []).map(({ id }) => id),
    steps: CATALOGUE.map(({ code, title }) => ({ code, title })),
    count: (await readPlans(tx, stored, null, now))('walk-round').steps.length,
  };
}

/** Whether a rope fits, in words. */
function ropeText(rope: TowRope): string {
  const fault = ropeFault(rope);
  return fault === null ? 'fits' : ROPE_FAULT_NAMES[fault];
}

/** An equipment list of another aircraft, or of a type, without what is each aircraft's own: its dates and what its documents ask for. */
export interface EquipmentTemplate {
  readonly name: string;
  readonly about: string;
  readonly lines: readonly Pick<EquipmentItem, 'kind' | 'fitted' | 'typeCertification'>[];
}

/** So many lists of other aircraft of the type are offered. */
const MOST_LISTS = 5;

/** Other aircraft of the club of the same type, whose lists somebody compared; then the types that ship with the program. */
function templatesFor(
  fleet: readonly StoredAircraft[],
  { aircraftId, typeName: type }: Pick<StoredAircraft, 'aircraftId' | 'typeName'>,
): readonly EquipmentTemplate[] {
  const own = fleet
    .filter((one) => one.aircraftId !== aircraftId && one.typeName === type)
    .flatMap(({ facts: { aircraft, equipment } }): readonly EquipmentTemplate[] => {
      const list = latestOf(equipment);
      return list === null
        ? []
        : [
            {
              name: aircraft.registration,
              about: `${type} of this club`,
              lines: list.items.map(({ kind, fitted, typeCertification }) => ({
                kind,
                fitted,
                typeCertification,
              })),
            },
          ];
    });
  const shipped = TYPE_TEMPLATES.map((template): EquipmentTemplate => ({
    name: template.type,
    about: template.about,
    lines: [
      ...template.fitted.map((kind) => ({ kind, fitted: true, typeCertification: isByType(kind) })),
      ...template.notFitted.map((kind) => ({ kind, fitted: false, typeCertification: isByType(kind) })),
    ],
  }));
  return [
    ...own.slice(0, MOST_LISTS),
    ...shipped.filter(({ name }) => name === type),
    ...shipped.filter(({ name }) => name !== type),
  ];
}

const ELTS = {
  fitted: 'fitted',
  'removed-for-repair': 'removed for repair',
  deactivated: 'deactivated',
  'not-fitted': 'not fitted',
} as const;

/** What several rules miss is told once. */
function merged(missing: Facts['missing']): Facts['missing'] {
  return missing.filter((one, at) => missing.findIndex((other) => other.headline === one.headline) === at);
}

/** The facts of one aircraft; null when the club has none such. */
export async function facts(
  tx: ClubTransaction,
  reader: { readonly clubId: string; readonly roles: readonly string[] },
  registration: string,
  now: Instant,
): Promise<Facts | null> {
  const found = await findByRegistration(tx, registration);
  if (found === undefined) return null;
  const club = await readClub(tx, reader.clubId);
  const { zone } = club.place;
  const [stored] = await keptFacts(tx, club, found.aircraft_id);
  if (stored === undefined) return null;
  const { prepared, present } = preparedFor(stored, club, rulesOf(club), now);
  const decision = decidePrepared(prepared, null, present);
  const known = knownAt(stored.facts, present, authorityOf(club.packs));
  const seen = (at: Instant) => `as of ${momentText(at, zone)}`;
  const elt = latestOf(known.elts);
  const check = latestOf(known.vorChecks);
  const rigging = latestOf(known.riggings);
  const rope = latestOf(known.towRopes);
  const strikes = new Map(
    (await readStrikes(tx, found.aircraft_id)).map((row) => strikeOf(row)).map((one) => [one.record, one]),
  );
  const struck = (id: string) => struckText(strikes.get(id), zone);
  const items = await othersOfKind(tx, found.aircraft_id, 'item');
  const ads = await othersOfKind(tx, found.aircraft_id, 'ad');
  return {
    aircraftId: found.aircraft_id,
    registration,
    typeName: found.type_name,
    revision: found.revision,
    now,
    today: civilDateAt(now, zone),
    zone,
    authority: known.authority === 'au' ? 'au' : 'us',
    verdict: decision.verdict,
    missing: merged(
      decision.constraints
        .filter(({ certainty }) => certainty === 'unknown')
        .map((constraint) => {
          const words = tellConstraint(constraint, 'in-force');
          return {
            id: words.id,
            headline: words.headline,
            meaning: words.meaning,
            remedy:
              words.remedies[0] === undefined ? '' : `${words.remedies[0].act}: ${words.remedies[0].by}`,
          };
        }),
    ),
    descriptionId:
      known.descriptions.at(-1)?.id ?? (known.aircraft.approvedFor === null ? null : found.aircraft_id),
    aircraft: known.aircraft,
    ramp: await rampFacts(tx, stored, now),
    categoryName:
      known.aircraft.category === null ? 'category not known' : CATEGORY_NAMES[known.aircraft.category],
    equipment:
      known.equipmentList === null
        ? null
        : {
            id: known.equipmentList.id,
            seen: seen(known.equipmentList.happenedAt),
            approved: known.equipmentList.approved === true,
            items: known.equipmentList.items,
          },
    minimumListId: latestOf(known.minimumLists)?.id ?? null,
    minimumList:
      known.minimumList === null
        ? null
        : { ...known.minimumList, items: known.minimumList.items.map((item) => minimumItemInput(item)) },
    items: items.map(({ id, name, interval, until }) => ({
      id,
      struck: struck(id),
      text: name,
      more:
        until === null
          ? intervalText(interval)
          : until === 'no-expiry'
            ? 'no expiry'
            : `until ${dateText(until)}`,
    })),
    ads: ads.map(({ id, number, title, applies, methods }) => ({
      id,
      struck: struck(id),
      text: `${number}: ${title}`,
      more:
        applies === false ? 'does not apply to this aircraft' : methods.map(({ name }) => name).join('; '),
    })),
    complete: { items: known.items !== null, ads: known.ads !== null },
    elt:
      elt === null
        ? null
        : {
            id: elt.id,
            text: elt.state === null ? 'state not known' : ELTS[elt.state],
            more: [
              ...(elt.batteryReplaceBy === null
                ? []
                : [`battery to be replaced by ${dateText(elt.batteryReplaceBy)}`]),
              seen(elt.happenedAt),
            ].join(', '),
          },
    vorCheck:
      check === null
        ? null
        : {
            id: check.id,
            text: `${check.method === null ? 'method not known' : check.method.replaceAll('-', ' ')}, ${check.error === null ? 'error not known' : `${(check.error / 10).toFixed(1)}°`}`,
            more: `${check.place ?? 'place not known'}, ${check.signedBy ?? 'not signed'}, ${seen(check.happenedAt)}`,
          },
    isGlider: isGlider(known.aircraft),
    mayTow:
      known.aircraft.approvedFor === null
      || overlaps(usesInAny(known.aircraft.approvedFor), usesIn({ purpose: ['glider-towing'] })),
    towRope:
      rope === null
        ? null
        : {
            id: rope.id,
            text: ropeText(rope),
            more: seen(rope.happenedAt),
          },
    rigging:
      rigging === null
        ? null
        : {
            id: rigging.id,
            text: rigging.state,
            more: [
              ...(rigging.assemblyCheckedBy === null
                ? []
                : [`assemblies checked by ${rigging.assemblyCheckedBy}`]),
              ...(rigging.controlsCheckedBy === null
                ? []
                : [`controls checked by ${rigging.controlsCheckedBy}`]),
              seen(rigging.happenedAt),
            ].join(', '),
          },
    databases: known.databases.map(({ id, content, lastDay, effectiveOn }) => ({
      id,
      text: content,
      more:
        lastDay !== null
          ? `last day ${dateText(lastDay)}`
          : effectiveOn !== null
            ? `in force from ${dateText(effectiveOn)}`
            : 'dates not known',
    })),
    clubDocuments: known.clubDocuments.map(({ id, kind, name, validUntil }) => ({
      id,
      text: name,
      more: `${kind === 'insurance' ? 'insurance, ' : ''}${validUntil === null ? 'expiry not known' : validUntil === 'no-expiry' ? 'no expiry' : `valid to ${dateText(validUntil)}`}`,
    })),
    mayEnter: may(reader.roles, 'enter-fact'),
    mayReplace: may(reader.roles, 'replace-fact'),
    templates: may(reader.roles, 'enter-fact') ? templatesFor(await keptFacts(tx, club, null), stored) : [],
  };
}
