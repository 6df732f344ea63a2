import { usesIn } from '../envelope/use-set';
import { latestAll } from '../records/facts';
import type { TowRope } from '../records/flights/movement';
import { constraint, remedy, PILOT_OR_MECHANIC } from './parts/constraint';
import type { TowRopeFault } from './parts/reason';
import { result, rule } from './parts/rule';

const source = { kind: 'regulation', citation: '14 CFR 91.309(a)(3)' } as const;
const TOWING = usesIn({ purpose: ['glider-towing'] });

/**
 * The fault of a rope and its links for a glider of `gliderWeight`, or null. The rope holds 80 to 200 % of that weight; a
 * stronger one needs links at both ends: the glider's of 80 to 200 %, the tug's stronger than it, by at most 25 %, and at most 200 %.
 */
export function ropeFault({
  strength,
  sound,
  gliderLink,
  tugLink,
  gliderWeight: w,
}: Pick<TowRope, 'strength' | 'sound' | 'gliderLink' | 'tugLink' | 'gliderWeight'>): TowRopeFault | null {
  if (strength === null || sound === null || w === null) return 'unknown';
  if (!sound) return 'knot-or-strand';
  // In hundredths, so that no percentage is rounded.
  if (strength * 100 < w * 80) return 'too-weak';
  if (strength * 100 <= w * 200) return null;
  if (gliderLink === null || tugLink === null) return 'unknown';
  if (gliderLink === 'none' || tugLink === 'none') return 'links-needed';
  if (gliderLink * 100 < w * 80 || gliderLink * 100 > w * 200) return 'glider-link';
  return tugLink > gliderLink && tugLink * 100 <= gliderLink * 125 && tugLink * 100 <= w * 200
    ? null
    : 'tug-link';
}

/** The rope and weak links for a tow. */
export const towRope = rule({
  id: 'tow-rope',
  title: 'Tow rope and links',
  source,
  explanation:
    'The rope holds between 80 % and 200 % of the glider’s maximum certificated operating weight; a stronger one needs weak links at both ends, the tug’s somewhat stronger than the glider’s. A rope with a knot or a broken strand is not used.',
  judge: (facts) => {
    const latest: readonly (TowRope | null)[] = latestAll(facts.towRopes);
    const judged = (latest.length === 0 ? [null] : latest).map((rope) => ({
      rope,
      fault: rope === null ? ('no-rope' as const) : ropeFault(rope),
    }));
    const found = judged.find(({ fault }) => fault !== null);
    if (found === undefined || found.fault === null) return result([]);
    const { rope, fault } = found;
    const unknown = fault === 'no-rope' || fault === 'unknown';
    return result(
      [
        constraint({
          key: 'rope',
          certainty: unknown ? 'unknown' : 'failed',
          source,
          reason: { code: 'tow-rope-unfit', fault },
          records: rope === null ? [] : [rope.id],
          closes: TOWING,
          remedies: [remedy('replace-tow-rope', PILOT_OR_MECHANIC)],
          condition: true,
        }),
      ],
      unknown ? ['towRopes'] : [],
    );
  },
});
