import type { RouteName } from '@/contracts/kernel/routes';
import type { AircraftPage } from '../aircraft/aircraft-page';
import type { Facts } from '../aircraft/facts';
import type { Folder } from '../aircraft/folder-view';
import type { Line } from '../aircraft/line';
import type { LineMoment } from '../aircraft/line-moment';
import type { LongListPage } from '../aircraft/long-list';
import type { ClubPage, ClubTrial } from '../club/club';
import type { RuleHelp } from '../club/rules';
import type { People } from '../club/people';
import type { SafetyFleet, SafetyPage } from '../club/safety';
import type { DocumentCheckList } from '../documents/document-check';
import type { RampAircraft, RampList } from '../findings/ramp';
import type { DispatchFlight, DispatchList } from '../flights/dispatch';
import type { Handover } from '../flights/handover';
import type { PublicCard } from '../releases/flight-release';
import type { ReplayView } from '../releases/replayed';
import type { DayPlan, DraftAnswer } from '../flights/plan';
import type { Ways } from '../flights/ways';
import type { ChronicList } from '../findings/chronic';
import type { TriageList } from '../findings/triage';
import type { DeferralView } from '../findings/deferral';
import type { RampWalk } from '../walkround/ramp-walk';
import type { PassedChecks } from '../walkround/passed-checks';
import type { AircraftTrends } from '../walkround/trends';
import type { SchoolMethodView } from '../walkround/school-method';
import type { NoticesPage } from '../notices/notices';
import type { Sheet } from '../flights/sheet';
import type { EntryPreview } from '../maintenance/entry-preview';

/** Who is signed in. */
export interface Me {
  readonly name: string;
  readonly roles: readonly string[];
  readonly personId: string;
  readonly email: string;
  /** The club that this session works in; null for somebody who is in none. */
  readonly clubId: string | null;
  readonly clubs: readonly { readonly id: string; readonly name: string }[];
  /** False where there are several and none was chosen in this session. */
  readonly chosen: boolean;
  /** How many notices they have not seen. */
  readonly unread: number;
}

/** One of the demo's people, who sign in with one tap. */
export interface DemoPerson {
  readonly email: string;
  readonly name: string;
}

/** Whose link it is that somebody opened. */
export interface LinkView {
  readonly name: string;
  readonly kind: 'join' | 'new-password' | 'second-club';
  readonly email: string | null;
  readonly club: string;
}

/** An address that is shown once. */
interface ShownOnce {
  readonly path: string;
}

/**
 * What each route answers, for both sides: a route is made by it, and a page reads it by it. Routes whose answer no page reads are not
 * named.
 */
export interface Answers {
  'GET /api/me': Me;
  'GET /api/demo': { readonly people: readonly DemoPerson[] };
  'GET /api/founding': { readonly open: boolean; readonly club: string | null };
  'GET /api/notices': NoticesPage;
  'GET /api/line': Line;
  'GET /api/line/moment': LineMoment;
  'GET /api/triage': TriageList;
  'GET /api/passed-checks/[finding]': PassedChecks;
  'GET /api/chronic': ChronicList;
  'GET /api/safety': SafetyPage;
  'GET /api/safety/fleet': SafetyFleet;
  'GET /api/aircraft/[registration]': AircraftPage;
  'GET /api/aircraft/[registration]/folder': Folder;
  'GET /api/aircraft/[registration]/records/[list]': LongListPage;
  'GET /api/facts/[registration]': Facts;
  'GET /api/sheet/[registration]': Sheet;
  'GET /api/document-check/[registration]': DocumentCheckList;
  'GET /api/ramp': RampList;
  'GET /api/ramp/[registration]': RampAircraft;
  'GET /api/trends/[registration]': AircraftTrends;
  'GET /api/deferrals/[finding]': DeferralView;
  'GET /api/walkround/[registration]': RampWalk;
  'GET /api/walkround/method': SchoolMethodView;
  'GET /api/card/[address]': PublicCard;
  'GET /api/dispatch': DispatchList;
  'GET /api/handover': Handover;
  'GET /api/dispatch/release/[release]/replay': ReplayView;
  'GET /api/dispatch/[flight]': DispatchFlight;
  'GET /api/flights': DayPlan;
  'GET /api/flights/[flight]/ways': Ways;
  'GET /api/club': ClubPage;
  'GET /api/rules': { readonly rules: readonly RuleHelp[] };
  'GET /api/people': People;
  'GET /api/feed': {
    readonly feeds: readonly { readonly feedId: string; readonly name: string; readonly revoked: boolean }[];
  };
  'POST /api/flights/preview': DraftAnswer;
  'POST /api/entries/preview': EntryPreview;
  'POST /api/club/trial': ClubTrial;
  'POST /api/join': LinkView;
  'POST /api/join/take-up': { readonly email: string };
  'POST /api/people': ShownOnce;
  'POST /api/people/links': ShownOnce;
  'POST /api/feed': ShownOnce;
  'POST /api/boxes': { readonly key: string };
  'POST /api/dispatch/release': { readonly releaseId: string; readonly revision: number };
  'POST /api/document-check': { readonly waiting: readonly string[] };
}

/** What a route answers, where a page reads it. */
export type AnswerOf<N extends RouteName> = N extends keyof Answers ? Answers[N] : unknown;
