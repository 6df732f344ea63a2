import type { ReactNode } from 'react';

/** A target for a thumb: at least 56 px high, words first. */
export function BigButton({ children, detail, strong = false, onClick, disabled = false }: { readonly children: ReactNode; readonly detail?: string; readonly strong?: boolean; readonly onClick: () => void; readonly disabled?: boolean }) {
  return (
    <button type="button" onClick={onClick} disabled={disabled} style={{
      width: '100%', minHeight: 56, padding: '10px 14px', textAlign: strong ? 'center' : 'left', font: 'inherit', fontSize: strong ? 20 : 18, fontWeight: 700, borderRadius: 8, cursor: 'pointer',
      background: strong ? 'var(--sea)' : 'var(--card)', color: strong ? 'var(--on-sea)' : 'var(--ink)', border: strong ? 'none' : '2px solid var(--ink)', opacity: disabled ? 0.55 : 1,
    }}>
      {children}
      {detail === undefined ? null : <span style={{ display: 'block', fontWeight: 400, fontSize: 15, color: strong ? 'inherit' : 'var(--soft)' }}>{detail}</span>}
    </button>
  );
}
