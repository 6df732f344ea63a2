import type { RampAircraft } from '@/queries/findings/ramp';

/** What the last pilot reported, before anything else: it says where to look. */
export function LastPilot({ report }: { readonly report: RampAircraft['lastReport'] }) {
  if (report === null) return null;
  const { by, when, words, noted } = report;
  return (
    <p
      style={{
        margin: '12px 0 0',
        padding: '10px 14px',
        borderLeft: '4px solid var(--ink)',
        background: 'var(--card)',
        fontSize: 17,
        overflowWrap: 'anywhere',
      }}
    >
      <span className="small" style={{ display: 'block' }}>
        The last pilot, {by}, {when}
      </span>
      {words === null ? noted ? 'Nothing to report.' : 'Nobody noted a report. Ask.' : <b>“{words}”</b>}
    </p>
  );
}
