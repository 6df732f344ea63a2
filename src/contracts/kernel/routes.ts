import type { z } from 'zod';
import { triageSchema } from '../findings/triage';
import { enterPermitSchema } from '../maintenance/permit';
import {
  approveWorkSchema,
  beginWorkSchema,
  checkFlightSchema,
  independentInspectionSchema,
  recordWorkSchema,
} from '../maintenance/work';
import { deviceSchema, endDeviceSchema, noticeSettingsSchema, readNoticesSchema } from '../notices/notices';
import { deferSchema } from '../findings/defer';
import { restrictSchema, withdrawRestrictionSchema } from '../flights/dispatch-restriction';
import { factSchema, newAircraftSchema } from '../aircraft/aircraft-entry';
import { chooseClubSchema, ownPasswordSchema } from '../club/account';
import { feedSchema, revokeFeedSchema } from '../exchange/calendar';
import { correctReadingSchema, strikeSchema } from '../maintenance/corrections';
import {
  attributionSchema,
  checkInSchema,
  checkOutSchema,
  dialSchema,
  exchangeSchema,
  metersReadSchema,
} from '../flights/dispatch';
import { demoSignInSchema } from '../club/demo';
import {
  clubChangeSchema,
  clubTrialSchema,
  foundingSchema,
  linkSchema,
  takeUpSchema,
} from '../club/founding';
import { clearFuelSchema } from '../findings/clear-fuel';
import { knownMarkSchema } from '../findings/known-mark';
import {
  changeReleaseSchema,
  dailyInspectionSchema,
  issueReleaseSchema,
} from '../releases/maintenance-release';
import { releaseFlightSchema, withdrawReleaseSchema } from '../releases/flight-release';
import { boxReadingsSchema, fitBoxSchema, removeBoxSchema } from '../meters/meter-box';
import { entryPreviewSchema, newEntrySchema } from '../maintenance/new-entry';
import {
  admitSchema,
  certificateSchema,
  changeRolesSchema,
  endCertificateSchema,
  newLinkSchema,
  revokeLinkSchema,
} from '../club/people';
import type { Act } from './permissions';
import { cancelSchema, planPreviewSchema, planSchema } from '../flights/plan';
import { findingSchema } from '../findings/report-finding';
import { returnToServiceSchema } from '../findings/return-to-service';
import { clearListSchema, documentCheckRoundSchema } from '../documents/document-check';
import { signInSchema } from '../club/account';
import { vouchSchema } from '../documents/vouching';
import {
  announcedDoneSchema,
  announceSchema,
  beginWalkroundSchema,
  endWalkroundSchema,
  methodSchema,
  takenApartSchema,
  walkroundEventsSchema,
} from '../walkround/walkround';

/**
 * Every route of the application: who is let in, what it takes and how much of it. Routes are made from this table, a test compares it with
 * the files, and the hostile runs attack whatever stands in it.
 */

/** Who is let in. */
export type Access =
  /** Anybody, signed in or not. */
  | 'open'
  /** The person who has a key: a meter recorder, an address of the calendar. */
  | 'key'
  /** The person who is signed in, a member of a club or not. */
  | 'person'
  /** A member of a club with a role. */
  | 'member';

/** What a route takes. */
export type Body =
  | { readonly kind: 'none' }
  | { readonly kind: 'json'; readonly schema: z.ZodType; readonly maxBytes: number }
  /** Bytes that are held whole. */
  | { readonly kind: 'bytes'; readonly maxBytes: number }
  /** A file of any length up to the limit; it is received whole, beside the memory, before anything is done with it. */
  | { readonly kind: 'file'; readonly maxBytes: number };

export interface Route {
  readonly access: Access;
  /** Acts of the permissions table of which one is needed; empty where every member may. */
  readonly acts: readonly Act[];
  readonly body: Body;
}

/** Most of what a form sends, in bytes. */
const FORM_BYTES = 128 * 1024;
const MB = 1024 * 1024;

const json = <S extends z.ZodType>(schema: S, maxBytes = FORM_BYTES) =>
  ({ kind: 'json', schema, maxBytes }) as const;
const none = { kind: 'none' } as const;
const read = (acts: readonly Act[] = []) => ({ access: 'member', acts, body: none }) as const;
const act = <S extends z.ZodType>(schema: S, ...acts: readonly Act[]) =>
  ({ access: 'member', acts, body: json(schema) }) as const;
const open = <S extends z.ZodType>(schema: S) => ({ access: 'open', acts: [], body: json(schema) }) as const;

export const ROUTES = {
  'GET /api/health': { access: 'open', acts: [], body: none },
  'GET /api/demo': { access: 'open', acts: [], body: none },
  'POST /api/demo': open(demoSignInSchema),
  'GET /api/founding': { access: 'open', acts: [], body: none },
  'POST /api/founding': open(foundingSchema),
  'POST /api/join': open(linkSchema),
  'POST /api/join/take-up': open(takeUpSchema),
  'POST /api/join/accept': { access: 'person', acts: [], body: json(linkSchema) },
  'POST /api/auth/sign-in/email': open(signInSchema),
  'POST /api/auth/sign-out': { access: 'open', acts: [], body: { kind: 'bytes', maxBytes: 1024 } },
  'POST /api/box/readings': { access: 'key', acts: [], body: json(boxReadingsSchema) },
  'GET /api/calendar/[secret]': { access: 'key', acts: [], body: none },
  'GET /api/card/[address]': { access: 'key', acts: [], body: none },
  'GET /api/card/[address]/pdf': { access: 'key', acts: [], body: none },

  'GET /api/me': { access: 'person', acts: [], body: none },
  'POST /api/me/club': { access: 'person', acts: [], body: json(chooseClubSchema) },
  'POST /api/me/password': { access: 'person', acts: [], body: json(ownPasswordSchema) },
  'GET /api/me/data': read(),

  'GET /api/notices': read(['manage-own-notices']),
  'POST /api/notices/read': act(readNoticesSchema, 'manage-own-notices'),
  'POST /api/notices/settings': act(noticeSettingsSchema, 'manage-own-notices'),
  'POST /api/notices/devices': act(deviceSchema, 'manage-own-notices'),
  'POST /api/notices/devices/end': act(endDeviceSchema, 'manage-own-notices'),

  'GET /api/line': read(),
  'GET /api/line/moment': read(),
  'GET /api/events': read(),
  'GET /api/aircraft/[registration]': read(),
  'GET /api/aircraft/[registration]/folder': read(),
  'GET /api/aircraft/[registration]/records/[list]': read(),
  'GET /api/facts/[registration]': read(),
  'GET /api/sheet/[registration]': read(),
  'GET /api/document-check/[registration]': read(),
  'GET /api/ramp': read(),
  'GET /api/ramp/[registration]': read(),
  'GET /api/trends/[registration]': read(),
  'GET /api/walkround/[registration]': read(),
  'GET /api/walkround/method': read(),
  'GET /api/dispatch': read(),
  'GET /api/handover': read(),
  'GET /api/dispatch/[flight]': read(),
  'GET /api/dispatch/release/[release]/replay': read(),
  'GET /api/flights': read(),
  'GET /api/flights/[flight]/ways': read(),
  'GET /api/club': read(),
  'GET /api/rules': read(),
  'GET /api/people': read(),
  'GET /api/feed': read(),
  'GET /api/photos/[photo]': read(),
  'GET /api/export/[list]': read(),
  'GET /api/key-tags': read(),
  'GET /api/deferrals/[finding]': read(),
  'GET /api/deferrals/[finding]/placard': read(),

  'POST /api/findings': act(findingSchema, 'report-finding'),
  'PUT /api/findings/[id]/photos/[photo]': {
    access: 'member',
    acts: ['add-photo'],
    body: { kind: 'bytes', maxBytes: 16 * MB },
  },
  'POST /api/deferrals': act(deferSchema, 'defer-finding'),
  'GET /api/triage': read(),
  'GET /api/passed-checks/[finding]': read(),
  'GET /api/chronic': read(),
  'GET /api/safety': read(['see-safety']),
  'GET /api/safety/fleet': read(['see-safety']),
  'POST /api/triage': act(triageSchema, 'triage-finding'),
  'POST /api/permits': act(enterPermitSchema, 'enter-permit'),
  'POST /api/work-entries': act(recordWorkSchema, 'record-work'),
  'POST /api/work-entries/begun': act(beginWorkSchema, 'begin-work'),
  'POST /api/work-entries/approvals': act(approveWorkSchema, 'approve-work'),
  'POST /api/work-entries/check-flights': act(checkFlightSchema, 'record-check-flight'),
  'POST /api/work-entries/inspections': act(independentInspectionSchema, 'inspect-independently'),
  'POST /api/restrictions': act(restrictSchema, 'restrict-dispatch'),
  'POST /api/restrictions/withdrawals': act(withdrawRestrictionSchema, 'withdraw-restriction'),
  'POST /api/walkround': act(beginWalkroundSchema, 'do-walk-round'),
  'POST /api/walkround/events': act(walkroundEventsSchema, 'do-walk-round'),
  'POST /api/walkround/end': act(endWalkroundSchema, 'do-walk-round'),
  'POST /api/walkround/taken-apart': act(takenApartSchema, 'record-taken-apart'),
  'POST /api/walkround/announced': act(announceSchema, 'do-walk-round'),
  'POST /api/walkround/announced/done': act(announcedDoneSchema, 'record-announced'),
  'POST /api/walkround/method': act(methodSchema, 'set-walk-round-method'),
  'POST /api/returns': act(returnToServiceSchema, 'return-to-service'),
  'POST /api/marks': act(knownMarkSchema, 'accept-mark'),
  'POST /api/document-check': act(documentCheckRoundSchema, 'check-documents'),
  'POST /api/vouchings': act(vouchSchema, 'vouch-for-copy', 'state-documents'),
  'POST /api/entries': act(newEntrySchema, 'sign-entry', 'copy-entry'),
  'POST /api/entries/preview': act(entryPreviewSchema),
  'POST /api/lists': act(clearListSchema, 'clear-list'),
  'POST /api/fuel-clearances': act(clearFuelSchema, 'clear-fuel'),
  'POST /api/releases': act(issueReleaseSchema, 'sign-release', 'copy-entry'),
  'POST /api/releases/change': act(changeReleaseSchema, 'see-release'),
  'POST /api/daily-inspections': act(dailyInspectionSchema, 'sign-daily-inspection'),
  'POST /api/strikes': act(strikeSchema, 'correct-records'),
  'POST /api/corrections': act(correctReadingSchema, 'correct-records'),
  'POST /api/meters': act(dialSchema, 'keep-meters'),
  'POST /api/meters/exchange': act(exchangeSchema, 'keep-meters'),
  'POST /api/meters/readings': act(metersReadSchema, 'read-meters'),
  'POST /api/boxes': act(fitBoxSchema, 'keep-meters'),
  'POST /api/boxes/remove': act(removeBoxSchema, 'keep-meters'),
  'POST /api/unlogged': act(attributionSchema, 'attribute-unlogged'),
  'POST /api/dispatch/release': act(releaseFlightSchema, 'release-flight'),
  'POST /api/dispatch/release/withdraw': act(withdrawReleaseSchema, 'withdraw-release'),
  'POST /api/dispatch/out': act(checkOutSchema, 'check-out'),
  'POST /api/dispatch/in': act(checkInSchema, 'check-in'),
  'POST /api/flights': act(planSchema, 'plan-flight'),
  'POST /api/flights/cancel': act(cancelSchema, 'plan-flight'),
  'POST /api/flights/preview': act(planPreviewSchema),
  'POST /api/fleet': act(newAircraftSchema, 'add-aircraft'),
  'POST /api/facts': act(factSchema, 'enter-fact'),
  'POST /api/club': act(clubChangeSchema, 'change-club'),
  'POST /api/club/trial': act(clubTrialSchema, 'change-club'),
  'POST /api/people': act(admitSchema, 'manage-people'),
  'POST /api/people/roles': act(changeRolesSchema, 'manage-people'),
  'POST /api/people/certificates': act(certificateSchema, 'manage-people'),
  'POST /api/people/certificates/end': act(endCertificateSchema, 'manage-people'),
  'POST /api/people/links': act(newLinkSchema, 'manage-people'),
  'POST /api/people/links/revoke': act(revokeLinkSchema, 'manage-people'),
  'POST /api/feed': act(feedSchema, 'keep-calendar'),
  'POST /api/feed/revoke': act(revokeFeedSchema, 'keep-calendar'),
  'POST /api/import': { access: 'member', acts: ['import-rows'], body: { kind: 'file', maxBytes: 200 * MB } },
} as const satisfies Readonly<Record<string, Route>>;

export type RouteName = keyof typeof ROUTES;
export const ROUTE_NAMES = Object.keys(ROUTES) as readonly RouteName[];

/** Routes that take JSON, and what each makes of it. */
export type JsonRoute = {
  [N in RouteName]: (typeof ROUTES)[N]['body'] extends { readonly kind: 'json' } ? N : never;
}[RouteName];
export type Sent<N extends JsonRoute> = (typeof ROUTES)[N]['body'] extends {
  readonly schema: infer S extends z.ZodType;
}
  ? z.output<S>
  : never;

/** A value as a form holds it: each field by its name and kind, chosen or not yet. What is missing or wrong is said by the schema. */
type Entered<T> = T extends readonly (infer Item)[]
  ? readonly Entered<Item>[]
  : T extends object
    ? { readonly [K in keyof T]: Entered<T[K]> }
    : T extends string
      ? string | null
      : T extends number
        ? number | null
        : T;
/** What a page hands to a route. */
export type Given<N extends JsonRoute> = (typeof ROUTES)[N]['body'] extends {
  readonly schema: infer S extends z.ZodType;
}
  ? Entered<z.input<S>>
  : never;
