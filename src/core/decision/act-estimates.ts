import type { Act } from '../rules/parts/constraint';

/** What doing something takes: whole minutes out of service, and whole cents. */
export interface ActEstimate {
  readonly minutes: number;
  readonly cents: number;
}

const HOUR = 60;
const DAY = 24 * HOUR;

/**
 * What each act takes where nobody has said otherwise: estimates of ours, common practice, no source. They choose between remedies and never
 * decide. A 100-hour comes before an annual, completing an entry before doing the work again, and a signature takes minutes.
 */
export const ACT_ESTIMATES: Readonly<Record<Act, ActEstimate>> = {
  'put-document-aboard': { minutes: 10, cents: 0 },
  'check-document': { minutes: 5, cents: 0 },
  'display-certificate': { minutes: 5, cents: 0 },
  'replace-document': { minutes: 5 * DAY, cents: 2_000 },
  'fetch-the-right-document': { minutes: 30, cents: 0 },
  'update-document': { minutes: HOUR, cents: 5_000 },
  'renew-registration': { minutes: 10 * DAY, cents: 500 },
  'record-registration-dates': { minutes: 5, cents: 0 },
  'register-new-owner': { minutes: 10 * DAY, cents: 500 },
  'record-first-flight-date': { minutes: 5, cents: 0 },
  'record-particulars': { minutes: 10, cents: 0 },
  'complete-annual': { minutes: 4 * DAY, cents: 180_000 },
  'complete-condition-inspection': { minutes: 2 * DAY, cents: 90_000 },
  'clear-inspection-list': { minutes: DAY, cents: 60_000 },
  'complete-hundred-hour': { minutes: DAY, cents: 80_000 },
  'complete-inspection-entry': { minutes: 2 * HOUR, cents: 0 },
  'record-excess-reason': { minutes: HOUR, cents: 0 },
  'record-meter-reading': { minutes: 5, cents: 0 },
  'correct-meter-reading': { minutes: 10, cents: 0 },
  'correct-record': { minutes: 10, cents: 0 },
  'say-landings': { minutes: 5, cents: 0 },
  'repair-and-return-to-service': { minutes: DAY, cents: 40_000 },
  'service-and-record': { minutes: 30, cents: 2_000 },
  'instructor-judges': { minutes: 30, cents: 0 },
  'complete-repair-entry': { minutes: 2 * HOUR, cents: 0 },
  'defer-item': { minutes: 30, cents: 0 },
  'record-approved-uses': { minutes: 10, cents: 0 },
  'record-category': { minutes: 5, cents: 0 },
  'use-covered-category': { minutes: 10, cents: 0 },
  'inspect-elt': { minutes: 2 * HOUR, cents: 8_000 },
  'replace-elt-battery': { minutes: 3 * DAY, cents: 30_000 },
  'reinstall-elt': { minutes: 4 * HOUR, cents: 10_000 },
  'record-elt-removal': { minutes: 30, cents: 0 },
  'deactivate-elt': { minutes: 30, cents: 0 },
  'record-elt': { minutes: 10, cents: 0 },
  'test-altimeter-static': { minutes: DAY, cents: 45_000 },
  'test-static-system': { minutes: 3 * HOUR, cents: 15_000 },
  'test-transponder': { minutes: DAY, cents: 25_000 },
  'check-vor': { minutes: 20, cents: 0 },
  'update-database': { minutes: 30, cents: 5_000 },
  'comply-with-ad': { minutes: DAY, cents: 40_000 },
  'record-ads': { minutes: 4 * HOUR, cents: 20_000 },
  'complete-item': { minutes: DAY, cents: 30_000 },
  'record-item-history': { minutes: HOUR, cents: 0 },
  'record-items': { minutes: 2 * HOUR, cents: 0 },
  'replace-part': { minutes: 2 * DAY, cents: 80_000 },
  'install-equipment': { minutes: 2 * DAY, cents: 80_000 },
  'record-equipment': { minutes: HOUR, cents: 0 },
  'release-after-work': { minutes: 2 * HOUR, cents: 0 },
  'fly-check-flight': { minutes: HOUR, cents: 15_000 },
  'inspect-independently': { minutes: HOUR, cents: 5_000 },
  'add-oil': { minutes: 10, cents: 1_500 },
  'remove-oil': { minutes: 20, cents: 0 },
  'add-fuel': { minutes: 20, cents: 0 },
  'remove-fuel': { minutes: 30, cents: 0 },
  measure: { minutes: 5, cents: 0 },
  'sample-fuel': { minutes: 5, cents: 0 },
  'deal-with-suspect-fuel': { minutes: DAY, cents: 40_000 },
  'complete-work-entry': { minutes: 2 * HOUR, cents: 0 },
  'service-measured-item': { minutes: 2 * HOUR, cents: 5_000 },
  'have-trend-looked-at': { minutes: 4 * HOUR, cents: 15_000 },
  'issue-maintenance-release': { minutes: 2 * DAY, cents: 90_000 },
  'sign-daily-inspection': { minutes: 20, cents: 0 },
  'renew-club-document': { minutes: DAY, cents: 0 },
  'withdraw-dispatch-restriction': { minutes: 5, cents: 0 },
  'record-return': { minutes: 5, cents: 0 },
  'record-rigging': { minutes: 30, cents: 0 },
  'state-for-flight': { minutes: 2, cents: 0 },
  'obtain-atc-authorisation': { minutes: HOUR, cents: 0 },
  'change-flight': { minutes: 10, cents: 0 },
  'obtain-special-flight-permit': { minutes: 2 * DAY, cents: 0 },
  'replace-tow-rope': { minutes: 10, cents: 5_000 },
};
