import type { AircraftPage } from '@/queries/aircraft-page';

/** How much of a ruler is drawn: 60 hours, or 400 days. */
const HOURS = 60;
const DAYS = 400;

type Ahead = AircraftPage['limits'][number];

function Ruler({ limit }: { readonly limit: Ahead }) {
  const share = limit.hoursLeft === null ? (limit.daysLeft ?? 0) / DAYS : limit.hoursLeft / HOURS;
  const wall = Math.min(1, share) * 100;
  return (
    <svg width="100%" height={14} aria-hidden="true" style={{ display: 'block', margin: '4px 0' }}>
      <rect x="0" y="4" width={`${wall}%`} height="6" fill="var(--plan)" />
      <rect x={`${wall}%`} y="4" width={`${100 - wall}%`} height="6" fill="var(--rule)" opacity="0.5" />
      {share <= 1 ? <rect x={`${Math.min(99, wall)}%`} y="0" width="4" height="14" fill="var(--grounded)" /> : null}
    </svg>
  );
}

type Told = Ahead & { readonly source: string };

function Limits({ limits }: { readonly limits: readonly Told[] }) {
  return (
    <ul style={{ listStyle: 'none', margin: 0, padding: 0 }}>
      {limits.map((limit) => (
        <li key={limit.id} style={{ borderTop: '1px solid var(--rule)', padding: '8px 0' }}>
          <span className="figure" style={{ fontSize: 18 }}>{limit.figure}</span> {limit.headline}
          {limit.hoursLeft === null && limit.daysLeft === null ? null : <Ruler limit={limit} />}
          <div className="small">{limit.meaning} Signs: {limit.who}. Source: {limit.source}.</div>
        </li>
      ))}
    </ul>
  );
}

/** So many are shown at once; the rest, and what anybody at the aircraft does in a minute, can be opened. */
const SHOWN = 6;

/** Limits ahead as rulers, each with its wall, nearest first; one that two rules share is told once. */
export function LimitsAhead({ page }: { readonly page: AircraftPage }) {
  const told = page.limits.filter(({ headline }, at) => page.limits.findIndex((other) => other.headline === headline) === at)
    .map((limit): Told => ({ ...limit, source: [...new Set(page.limits.filter(({ headline }) => headline === limit.headline).map(({ source }) => source))].join('; ') }));
  const limits = told.filter(({ step }) => !step);
  const steps = told.filter(({ step }) => step);
  const more = limits.slice(SHOWN);
  const summary = { padding: '8px 0', borderTop: '1px solid var(--rule)', cursor: 'pointer' } as const;
  return (
    <section aria-labelledby="limits"><h2 id="limits">Limits ahead</h2>
      {told.length === 0 ? <p>None on record.</p> : <Limits limits={limits.slice(0, SHOWN)} />}
      {more.length === 0 ? null : <details><summary style={summary}>{more.length} later</summary><Limits limits={more} /></details>}
      {steps.length === 0 ? null : <details><summary style={summary}>{steps.length} to be looked at or measured again</summary><Limits limits={steps} /></details>}
    </section>
  );
}
