import {
  mayBeSignedBy,
  signatureFaults,
  type CertificateKind,
  type SignedWork,
} from '@/core/records/club/certificate';
import type { KnownFacts } from '@/core/records/facts';
import { latestRelease } from '@/core/records/maintenance/work-entry';
import type { CivilDate } from '@/core/time/civil-date';
import { civilDateAt, type ZoneId } from '@/core/time/zone';
import type { ClubTransaction } from '@/db/kernel/connection';
import { dayBefore } from '@/db/releases/day-before';
import { othersOfKind } from '@/db/aircraft/other-records';
import { shownText } from '@/explain/meter-asks';
import { signedText } from '@/explain/for-reader';
import { readingText } from '@/explain/formats';
import { dateText } from '@/explain/wording';

interface OwnCertificate {
  readonly id: string;
  readonly kind: CertificateKind;
  readonly name: string;
}

/** The maintenance release as the folder shows it, under the rules that know one. */
export interface ReleaseView {
  readonly release: {
    readonly id: string;
    readonly shown: string | null;
    readonly issued: string;
    readonly expires: string;
    readonly signed: string;
    readonly aboard: boolean | null;
    readonly standing: 'in-force' | 'suspended' | 'cancelled' | null;
    readonly required: readonly {
      readonly id: string;
      readonly what: string;
      readonly due: string;
      readonly done: string | null;
    }[];
  } | null;
  /** Open findings: what pilots endorsed on it, until somebody entitled clears it. */
  readonly endorsements: readonly { readonly id: string; readonly what: string; readonly on: string }[];
  readonly daily: {
    readonly signedToday: string | null;
    readonly carried: string | null;
    readonly before: readonly string[];
    readonly certificates: readonly { readonly id: string; readonly name: string }[];
  };
  readonly mayIssue: readonly { readonly id: string; readonly name: string }[];
  readonly mayCertify: readonly { readonly id: string; readonly name: string }[];
}

interface CarriedOver {
  readonly day: CivilDate;
  readonly flights: number;
  readonly flown: number | null;
  readonly landings: number | null;
  readonly oil: readonly string[];
  readonly timeInService: number | null;
}

/** The carried-over figures in words. */
export function carriedText({ day, flights, flown, landings, oil, timeInService }: CarriedOver): string {
  return [
    `${dateText(day)}: ${flights} ${flights === 1 ? 'flight' : 'flights'}`,
    flown === null ? 'hours not known' : shownText('h', flown),
    landings === null ? 'landings not known' : `${landings} ${landings === 1 ? 'landing' : 'landings'}`,
    oil.length === 0 ? 'no oil added' : `oil added ${oil.join(', ')}`,
    ...(timeInService === null ? [] : [`in service ${shownText('h', timeInService)}`]),
  ].join(' · ');
}

/** How many daily inspections are listed. */
const MOST = 7;

/** What the folder shows of the release. */
export async function releaseView(
  tx: ClubTransaction,
  known: KnownFacts,
  aircraftId: string,
  zone: ZoneId,
  today: CivilDate,
  own: readonly OwnCertificate[],
  showsNumbers: boolean,
): Promise<ReleaseView> {
  const release = latestRelease(known.releases, zone);
  const service = known.accounted['time-in-service'];
  const carried = await dayBefore(
    tx,
    aircraftId,
    zone,
    today,
    service.state === 'known' ? service.value : null,
  );
  const counts = known.dailyInspections.filter(
    ({ on, signedBy }) => signatureFaults(signedBy, 'daily-inspection', on, known.authority).length === 0,
  );
  const signed = counts.find(({ on }) => on === today);
  const signs = (work: SignedWork) =>
    own
      .filter(({ kind }) => mayBeSignedBy(work, known.authority).includes(kind))
      .map(({ id, name }) => ({ id, name }));
  return {
    release:
      release === null
        ? null
        : {
            id: release.id,
            shown: release.registrationShown,
            issued:
              release.issuedOn === null
                ? 'day of issue not known'
                : `${dateText(release.issuedOn)}${release.issuedAt === null ? '' : ` at ${readingText(release.issuedAt)}`}`,
            expires: `${release.expiresOn === null ? 'date not known' : dateText(release.expiresOn)}${release.expiresAt === null ? ', hours not known' : ` or at ${readingText(release.expiresAt)}, whichever comes first`}`,
            signed: signedText(release.signedBy, showsNumbers),
            aboard: release.aboard,
            standing: release.standing,
            required: release.required.map(({ id, what, by, at, certified }) => ({
              id,
              what,
              due:
                [
                  ...(by === null ? [] : [`by ${dateText(by)}`]),
                  ...(at === null ? [] : [`at ${readingText(at)}`]),
                ].join(' or ') || 'before the next flight',
              done:
                certified === null
                  ? null
                  : `${dateText(certified.on)}, ${signedText(certified.by, showsNumbers)}`,
            })),
          },
    endorsements: known.discrepancies
      .filter(({ rectification }) => rectification === null)
      .map(({ id, what, happenedAt }) => ({ id, what, on: dateText(civilDateAt(happenedAt, zone)) })),
    daily: {
      signedToday: signed === undefined ? null : signedText(signed.signedBy, showsNumbers),
      carried: carried === null ? null : carriedText(carried),
      certificates: signs('daily-inspection'),
      before: (await othersOfKind(tx, aircraftId, 'daily-inspection'))
        .filter(({ on }) => on < today)
        .sort((a, b) => (a.on < b.on ? 1 : -1))
        .slice(0, MOST)
        .map(
          ({ on, signedBy, carried: over }) =>
            `${dateText(on)}: ${signedText(signedBy, showsNumbers)}${over == null ? '' : `. Carried over from ${carriedText(over)}`}`,
        ),
    },
    mayIssue: signs('maintenance-release'),
    mayCertify: signs('return-to-service'),
  };
}
