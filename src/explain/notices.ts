import type { FindingState } from '../core/records/findings/life';
import type { Instant } from '../core/time/instant';
import type { ZoneId } from '../core/time/zone';
import { momentText } from './formats';

/** What somebody is told, in words: a title of one line, and what there is to say. */
export interface NoticeWords {
  readonly title: string;
  readonly body: string;
}

/**
 * Of a flight whose aircraft is not available, or is again.
 * @param whose who flies, where that is not who is told
 * @param answer what the core says of the flight, in words
 */
export function describeFlightNotice(
  kind: 'flight-available' | 'flight-not-available',
  registration: string,
  { starts, whose }: { readonly starts: Instant; readonly whose: string | null },
  answer: string,
  zone: ZoneId,
): NoticeWords {
  const flight = `${whose === null ? 'your flight' : `the flight of ${whose}`} on ${momentText(starts, zone)}`;
  return kind === 'flight-not-available'
    ? {
        title: `${registration} is not available for ${flight}`,
        body: `${answer} Ask the dispatcher for another aircraft or another time.`.trim(),
      }
    : {
        title: `${registration} is available again for ${flight}`,
        body: 'The walk-round and the pilot in command decide on the day.',
      };
}

/** Of a release that became void. @param why what came up, in sentences */
export function describeVoidRelease(registration: string, why: readonly string[]): NoticeWords {
  return {
    title: `${registration}: the release is void`,
    body: `${why.join(' ')} Do not leave with it: ask the dispatcher.`.trim(),
  };
}

const STATES: Readonly<Record<FindingState, string>> = {
  reported: 'was received',
  decided: 'was looked at and stays as it is classed',
  grounded: 'grounds the aircraft until a mechanic has dealt with it',
  watched: 'is watched: look at it on each walk-round',
  deferred: 'is deferred: some uses may stay closed',
  'same-as-another': 'is held to be the same as another finding',
  'entry-not-valid': 'has an entry that does not count',
  closed: 'was dealt with and closed',
};

/** Of a finding that somebody reported. */
export function describeFindingNotice(state: FindingState, registration: string, what: string): NoticeWords {
  return { title: `${registration}: what you found ${STATES[state]}`, body: `“${what}”` };
}

/** A mail with some notices. @param url of the application, without a slash at its end */
export function describeMail(
  notices: readonly (NoticeWords & { readonly path: string })[],
  club: string,
  url: string,
): { readonly subject: string; readonly text: string } {
  const [first, ...more] = notices;
  const parts = notices.map(({ title, body, path }) =>
    [title, body, `${url}${path}`].filter((line) => line !== '').join('\n'),
  );
  return {
    subject: first === undefined || more.length > 0 ? `${club}: ${notices.length} notices` : first.title,
    text: [...parts, `${club}. How you are told: ${url}/notices`].join('\n\n'),
  };
}
