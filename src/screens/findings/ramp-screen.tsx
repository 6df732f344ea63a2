'use client';

import Box from '@mui/material/Box';
import { useRouter } from 'next/navigation';
import { useSecondInAddress } from '../data/address';
import { useOutbox } from '../data/kept-findings';
import { useMe, useRampAircraft, useRampList } from '../data/queries';
import { Coming } from '../shell/coming';
import { Trouble } from '../shell/trouble';
import { BigButton } from './big-button';
import { Choices, RampFrame, ThumbBar } from './ramp-frame';
import { Refused } from './refused';
import { Report } from './report';
import { SignOut } from './sign-out';

function Choose({ onChoose }: { readonly onChoose: (registration: string) => void }) {
  const { data, error, refetch } = useRampList();
  if (data === undefined) return <Coming query={{ error, refetch }} what="the aircraft" />;
  return (
    <>
      <Box component="h1" sx={{ fontSize: 26, my: 1.5, mx: 0 }}>
        Which aircraft?
      </Box>
      <Choices columns={2}>
        {data.aircraft.map(({ aircraftId, registration, typeName }) => (
          <BigButton
            key={aircraftId}
            detail={typeName}
            onClick={() => {
              onChoose(registration);
            }}
          >
            <Box component="span" className="figure" sx={{ fontSize: 21 }}>
              {registration}
            </Box>
          </BigButton>
        ))}
      </Choices>
      {data.aircraft.length === 0 ? <p>The club has no aircraft yet. Ask the dispatcher.</p> : null}
      <ThumbBar>
        <SignOut />
      </ThumbBar>
    </>
  );
}

/** The ramp, on a phone: choose the aircraft, report what was found. */
export function RampScreen() {
  const router = useRouter();
  const registration = useSecondInAddress();
  const me = useMe();
  const aircraft = useRampAircraft(registration);
  const waiting = useOutbox(me.data?.personId);
  const refusedOnes = waiting.filter(({ trouble }) => trouble !== null);
  return (
    <RampFrame title={registration ?? 'Groval'} waiting={waiting.length}>
      {refusedOnes.map((kept) => (
        <Refused key={kept.findingId} kept={kept} />
      ))}
      {me.error !== null ? (
        <Trouble
          error={me.error}
          retry={() => {
            void me.refetch();
          }}
        />
      ) : registration === null ? (
        <Choose
          onChoose={(chosen) => {
            router.push(`/ramp/${chosen}`);
          }}
        />
      ) : aircraft.error !== null ? (
        <Trouble
          error={aircraft.error}
          retry={() => {
            void aircraft.refetch();
          }}
        />
      ) : aircraft.data === undefined || me.data === undefined ? (
        <p>Loading {registration} …</p>
      ) : (
        <>
          {aircraft.data.daily === 'not-signed' ? (
            <Box
              component="a"
              href={`/aircraft/${aircraft.data.registration}#release`}
              sx={{
                display: 'flex',
                alignItems: 'center',
                minHeight: 48,
                m: '12px 0 0',
                py: 0,
                px: 1.75,
                border: '2px solid var(--grounded)',
                fontWeight: 700,
              }}
            >
              The daily inspection is not signed for today. Sign it …
            </Box>
          ) : null}
          <Report
            key={aircraft.data.aircraftId}
            aircraft={aircraft.data}
            personId={me.data.personId}
            clubId={me.data.clubId}
            onDone={() => {
              router.push('/ramp');
            }}
          />
        </>
      )}
    </RampFrame>
  );
}
