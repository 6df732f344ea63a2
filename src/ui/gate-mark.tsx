import type { Verdict } from '@/core/decision/decision';

const ARM: Readonly<Record<Verdict, number>> = { Released: -78, Restricted: -36, Grounded: 0 };
const TONE: Readonly<Record<Verdict, string>> = {
  Released: 'var(--released)',
  Restricted: 'var(--restricted)',
  Grounded: 'var(--grounded)',
};

/** The barrier arm: up, half, down and striped. It always stands with the word, so it is hidden from readers of the screen. */
export function GateMark({ verdict, size = 26 }: { readonly verdict: Verdict; readonly size?: number }) {
  const tone = TONE[verdict];
  return (
    <svg width={size} height={size} viewBox="0 0 32 32" aria-hidden="true" focusable="false">
      <rect x="3" y="17" width="7" height="13" rx="1.5" fill={tone} />
      <rect x="1" y="28" width="11" height="3" rx="1" fill={tone} />
      <g transform={`rotate(${ARM[verdict]} 6.5 20)`}>
        <rect x="4" y="16.6" width="26" height="6.8" rx="2" fill={tone} />
        {verdict === 'Grounded' ? (
          <path d="M13 17.2l-3 5.6M19 17.2l-3 5.6M25 17.2l-3 5.6" stroke="var(--card)" strokeWidth="2.4" />
        ) : null}
      </g>
    </svg>
  );
}
