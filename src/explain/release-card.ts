import type { Decision, LimitAhead } from '../core/decision/decision';
import { releaseTerms, type ReleaseTerms } from '../core/decision/release-terms';
import type { KnownFacts } from '../core/records/facts';
import type { ReleaseCard, Restriction } from '../core/decision/flight-release';
import type { PlannedFlight } from '../core/records/flights/planned-flight';
import { tellReasons } from './constraint';
import { capText, clockText, measureText, momentText } from './formats';
import { leftText, limitName } from './limits';
import { DOCUMENT_NAMES, NOT_CHECKED_NAMES, PURPOSE_NAMES, QUANTITY_NAMES_IN_WORDS } from './names';
import { windowText } from './window-text';
import { sentenceCase } from './wording';

/** What the pilot of a release has to read back. */
export function restrictionsOf(
  { constraints, notices, caps, reliefs }: Decision,
  { permits }: Pick<KnownFacts, 'permits'>,
): readonly Restriction[] {
  const told = tellReasons([...constraints, ...notices]).map(({ id, headline, meaning }) => ({
    key: id,
    words: headline,
    meaning,
  }));
  const capped = caps.map((cap) => ({
    key: `cap.${cap.quantity}.${cap.bound}`,
    words: sentenceCase(`${capText(cap)}.`),
    meaning: '',
  }));
  // A ferry flight goes under the conditions of its permit.
  const permitted = reliefs.flatMap(({ permit }) =>
    permits
      .filter(({ id }) => id === permit)
      .map(({ id, number, conditions = '' }) => ({
        key: `permit.${id}`,
        words: `Special flight permit ${number ?? ''}: ${conditions === '' ? 'its conditions are on it' : conditions}`,
        meaning: '',
      })),
  );
  return [
    ...permitted,
    ...told,
    ...capped.filter(({ key }, at) => capped.findIndex((one) => one.key === key) === at),
  ];
}

const limitText = (limit: LimitAhead | null): readonly string[] =>
  limit === null ? [] : [`${leftText(limit)} to ${limitName(limit.constraint)}`];

const walkRoundText = ({ ramp, place }: KnownFacts): string => {
  const walked = ramp?.walkround ?? null;
  if (walked === null) return 'No walk-round is on record since the last flight.';
  const when = momentText(walked.signedAt ?? walked.happenedAt, place.zone);
  return walked.signedAt === null
    ? `Walk-round begun by ${walked.by} ${when}, not signed.`
    : `Walk-round signed by ${walked.by} ${when}.`;
};

/**
 * The card of a release, and what it rests on; null where the flight may not go as it stands, and then nothing is signed.
 * @param compare known marks and watched items, in words
 * @param measured fuel and oil as they were measured at the desk, in words; empty where nobody did
 */
export function releaseOf(
  decision: Decision,
  known: KnownFacts,
  flight: PlannedFlight,
  {
    typeName,
    person,
    by,
    measured,
    compare,
  }: {
    readonly typeName: string;
    readonly person: string;
    readonly by: string;
    readonly measured: readonly string[];
    readonly compare: readonly string[];
  },
): { readonly card: ReleaseCard; readonly terms: ReleaseTerms } | null {
  const { zone, name: field } = known.place;
  const terms = releaseTerms(decision, flight.ends, zone);
  if (terms === null) return null;
  const { firstLimit } = decision;
  const lastOf = new Map<string, (typeof known.documents)[number]>();
  for (const document of known.documents) {
    const before = lastOf.get(document.kind);
    if (before === undefined || before.happenedAt <= document.happenedAt) lastOf.set(document.kind, document);
  }
  const figures = new Map<string, { readonly happenedAt: number; readonly words: string }>();
  for (const { quantity, which, value, happenedAt } of known.ramp?.measurements ?? []) {
    const name = `${QUANTITY_NAMES_IN_WORDS[quantity]}${which === null ? '' : ` ${which}`}`;
    const before = figures.get(name);
    if (before === undefined || before.happenedAt <= happenedAt)
      figures.set(name, {
        happenedAt,
        words: `${sentenceCase(name)} ${measureText(quantity, value)}, ${momentText(happenedAt, zone)}`,
      });
  }
  return {
    terms,
    card: {
      registration: decision.registration,
      typeName,
      field,
      verdict: decision.verdict,
      window: sentenceCase(windowText(decision.window)),
      flight: {
        person,
        purpose: flight.purpose === null ? 'purpose not said' : PURPOSE_NAMES[flight.purpose],
        when: `${momentText(flight.starts, zone)} to ${clockText(flight.ends, zone)}`,
      },
      signed: { by, at: momentText(decision.asOf, zone) },
      until: momentText(terms.until, zone),
      restrictions: restrictionsOf(decision, known),
      walkRound: walkRoundText(known),
      measured: [...measured, ...[...figures.values()].map(({ words }) => words)],
      documents: [...lastOf.values()]
        .filter((one) => one.kind !== 'cabin-tank-form-337' || one.tankFitted !== false)
        .map(
          ({ kind, aboard, happenedAt }) =>
            `${sentenceCase(DOCUMENT_NAMES[kind])}, ${aboard === true ? 'seen' : 'not found'} ${momentText(happenedAt, zone)}`,
        ),
      compare,
      limits: [firstLimit.time, firstLimit.hours, firstLimit.landings].flatMap(limitText),
      notChecked: decision.notChecked
        .filter((what) => what !== 'fuel-and-oil-aboard' || measured.length === 0)
        .map((what) => NOT_CHECKED_NAMES[what]),
    },
  };
}
