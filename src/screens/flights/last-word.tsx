import Link from 'next/link';
import type { CounterFlight } from '@/queries/flights/counter';
import { Part } from './part';

/** What the last pilot reported, before the next one takes the aircraft: what nobody followed up is a finding now. */
export function LastWord({
  report,
  registration,
}: {
  readonly report: CounterFlight['lastReport'];
  readonly registration: string;
}) {
  if (report === null) return null;
  const { by, when, words, noted } = report;
  return (
    <Part title="What the last pilot reported">
      <p style={{ margin: 0 }}>
        {by}, <span className="mono">{when}</span>:{' '}
        {words === null ? (
          <>{noted ? 'nothing to report.' : <b>nobody noted anything. Ask.</b>}</>
        ) : (
          <b>“{words}”</b>
        )}
      </p>
      {words === null ? null : (
        <p className="small" style={{ margin: '6px 0 0' }}>
          Is it something on the aircraft, and did nobody follow it up?{' '}
          <Link href={`/ramp/${registration}`}>Report it as a finding</Link> before it leaves.
        </p>
      )}
    </Part>
  );
}
