import type { Decision } from '../core/decision/decision';
import { newAgainst, type ReleaseTerms } from '../core/decision/release-terms';
import type { ReleaseStanding } from '../core/decision/flight-release';
import type { Instant } from '../core/time/instant';
import type { ZoneId } from '../core/time/zone';
import { tellReasons } from './constraint';
import { tellFlight } from './flight';
import { momentText } from './formats';

/** Why a decision ends a release, in words; empty where it holds. */
export function againstRelease(
  terms: ReleaseTerms,
  decision: Decision,
  hasLeft: boolean,
  zone: ZoneId,
): readonly string[] {
  const words = tellReasons(newAgainst(terms, decision, hasLeft)).map(({ headline }) => headline);
  if (words.length > 0 || hasLeft || decision.flight?.answer === 'yes') return words;
  const why = decision.flight === null ? '' : tellFlight(decision.flight, decision, zone);
  return [why === '' ? 'The flight may not go as it stands.' : why];
}

/** Why a release does not hold at a moment, in words; null where it does. */
export function whyOver({ end, until }: ReleaseStanding, now: Instant, zone: ZoneId): string | null {
  if (end !== null)
    return end.why === 'void'
      ? `It is void since ${momentText(end.at, zone)}: ${end.words.join(' ')}`
      : end.why === 'withdrawn'
        ? `It was withdrawn ${momentText(end.at, zone)}: ${end.words.join(' ')}`
        : `It ended ${momentText(end.at, zone)}.`;
  return now < until ? null : `It ended ${momentText(until, zone)}.`;
}
