import type { ReactNode } from 'react';

/** A part of the conversation at the Counter, in its order. */
export function Part({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <section aria-label={title} style={{ borderTop: '1px solid var(--rule)', padding: '14px 0' }}>
      <h2 style={{ margin: '0 0 10px' }}>{title}</h2>
      {children}
    </section>
  );
}
