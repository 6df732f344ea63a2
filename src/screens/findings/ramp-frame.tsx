import type { ReactNode } from 'react';

interface Props {
  readonly title: ReactNode;
  readonly waiting: number;
  readonly children: ReactNode;
}

/** The phone's frame: what it is about and what has not been sent yet on top; the rest is the question. */
export function RampFrame({ title, waiting, children }: Props) {
  return (
    <div className="stark" style={{ minHeight: '100dvh', display: 'flex', flexDirection: 'column' }}>
      <header
        style={{
          display: 'flex',
          alignItems: 'center',
          justifyContent: 'space-between',
          padding: '10px 16px',
          borderBottom: '3px solid var(--ink)',
          fontSize: 16,
        }}
      >
        <span className="figure" style={{ fontSize: 20 }}>
          {title}
        </span>
        <span>{waiting === 0 ? 'all sent' : `${waiting} kept on phone`}</span>
      </header>
      <main
        style={{
          padding: '0 16px',
          maxWidth: 600,
          width: '100%',
          margin: '0 auto',
          boxSizing: 'border-box',
          flex: 1,
          display: 'flex',
          flexDirection: 'column',
        }}
      >
        {children}
      </main>
    </div>
  );
}

/** The ways on and back, always in the same place: at the foot of the screen, in the thumb's arc. */
export function ThumbBar({ children }: { readonly children: ReactNode }) {
  return (
    <div
      style={{
        position: 'sticky',
        bottom: 0,
        marginTop: 'auto',
        background: 'var(--paper)',
        padding: '12px 0 16px',
        display: 'flex',
        gap: 10,
      }}
    >
      {children}
    </div>
  );
}

/** Choices in two columns, so that left and right stand where they are. */
export function Choices({
  columns = 1,
  children,
}: {
  readonly columns?: 1 | 2;
  readonly children: ReactNode;
}) {
  return (
    <div
      style={{
        display: 'grid',
        gap: 8,
        gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))`,
        paddingBottom: 8,
      }}
    >
      {children}
    </div>
  );
}
