import type { Replay } from '../core/decision/replay';

/** What a decision over the same inputs says otherwise, in a sentence. */
export function tellReplay({ versions, verdict, answer, arrived, gone, changed, parts }: Replay): string {
  const changes = [
    ...(verdict.then === verdict.now ? [] : [`${verdict.then} then, ${verdict.now} now`]),
    ...(answer.then === answer.now
      ? []
      : [`the flight: ${String(answer.then)} then, ${String(answer.now)} now`]),
    ...(arrived.length === 0 ? [] : [`new: ${arrived.join(', ')}`]),
    ...(gone.length === 0 ? [] : [`gone: ${gone.join(', ')}`]),
    ...(changed.length === 0 ? [] : [`otherwise: ${changed.join(', ')}`]),
  ];
  const why = versions.map(({ id, then, now }) => `${id} ${then} then, ${now} now`);
  return `${changes.length === 0 ? `differs in ${parts.join(', ')}` : changes.join('; ')}. ${why.length === 0 ? 'No version changed.' : `Changed since: ${why.join('; ')}.`}`;
}
