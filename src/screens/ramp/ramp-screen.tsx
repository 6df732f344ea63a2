'use client';

import { useRouter } from 'next/navigation';
import { useRegistration } from '../data/address';
import { useOutbox } from '../data/kept-findings';
import { useMe, useRampAircraft, useRampList } from '../data/queries';
import { Trouble } from '../shell/trouble';
import { BigButton } from './big-button';
import { Report } from './report';

function Choose({ onChoose }: { readonly onChoose: (registration: string) => void }) {
  const { data, error, refetch } = useRampList();
  if (data === undefined) return error === null ? <p>Loading the aircraft …</p> : <Trouble error={error} retry={() => { void refetch(); }} />;
  return (
    <>
      <h1 style={{ fontSize: 26, margin: '12px 0' }}>Which aircraft?</h1>
      <div style={{ display: 'grid', gap: 8 }}>
        {data.aircraft.map(({ aircraftId, registration, typeName }) => <BigButton key={aircraftId} detail={typeName} onClick={() => { onChoose(registration); }}><span className="figure" style={{ fontSize: 22 }}>{registration}</span></BigButton>)}
      </div>
      {data.aircraft.length === 0 ? <p>The club has no aircraft yet. Ask the dispatcher.</p> : null}
    </>
  );
}

/** The ramp, on a phone: choose the aircraft, report what was found. */
export function RampScreen() {
  const router = useRouter();
  const registration = useRegistration();
  const me = useMe();
  const aircraft = useRampAircraft(registration);
  const waiting = useOutbox(me.data?.personId);
  const refusedOnes = waiting.filter(({ trouble }) => trouble !== null);
  return (
    <div className="stark" style={{ minHeight: '100vh' }}>
      <header style={{ display: 'flex', alignItems: 'center', justifyContent: 'space-between', padding: '12px 16px', borderBottom: '3px solid var(--ink)', fontSize: 16 }}>
        <span className="figure" style={{ fontSize: 20 }}>{registration ?? 'Groval'}</span>
        <span>{waiting.length === 0 ? 'all sent' : `${waiting.length} kept on phone`}</span>
      </header>
      <main style={{ padding: '0 16px 24px', maxWidth: 560, margin: '0 auto' }}>
        {refusedOnes.map((kept) => <p key={kept.findingId} role="alert" style={{ border: '3px solid var(--grounded)', borderRadius: 8, padding: 12, fontWeight: 700 }}>{kept.registration}: {kept.finding.what}. {kept.trouble}</p>)}
        {me.error !== null ? <Trouble error={me.error} retry={() => { void me.refetch(); }} />
          : registration === null ? <Choose onChoose={(chosen) => { router.push(`/ramp/${chosen}`); }} />
            : aircraft.error !== null ? <Trouble error={aircraft.error} retry={() => { void aircraft.refetch(); }} />
              : aircraft.data === undefined || me.data === undefined ? <p>Loading {registration} …</p>
                : <Report key={aircraft.data.aircraftId} aircraft={aircraft.data} personId={me.data.personId} onDone={() => { router.push('/ramp'); }} />}
      </main>
    </div>
  );
}
