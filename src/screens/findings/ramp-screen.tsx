'use client';

import Box from '@mui/material/Box';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { setHash, useHash, useSecondInAddress } from '../data/address';
import { giveUp } from '../data/kept-walks';
import { unfinished, useOutbox } from '../data/kept-findings';
import { useRampAircraft, useRampList } from '../data/queries';
import { Coming } from '../shell/coming';
import { Trouble } from '../shell/trouble';
import { useOfflineRamp } from '../walkround/keep-offline';
import { AircraftOnRamp } from '../walkround/aircraft-on-ramp';
import { useKeptWalk, useWalker, type Walker } from '../walkround/use-kept';
import { useWalkOutbox } from '../walkround/use-outbox';
import { BarLink } from './bar-link';
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

/** Reporting one finding without a walk-round. It asks for the aircraft's list, which needs a signal the first time. */
function ReportOne({
  registration,
  walker,
  onDone,
}: {
  readonly registration: string;
  readonly walker: Walker;
  readonly onDone: () => void;
}) {
  const aircraft = useRampAircraft(registration);
  if (aircraft.data === undefined) return <Coming query={aircraft} what={registration} />;
  return (
    <Report
      key={aircraft.data.aircraftId}
      aircraft={aircraft.data}
      personId={walker.personId}
      clubId={walker.clubId}
      onDone={onDone}
    />
  );
}

/** Whether the daily inspection was signed, where the club's rules ask for one. */
function DailyInspection({ registration }: { readonly registration: string }) {
  const { data } = useRampAircraft(registration);
  return data?.daily === 'not-signed' ? (
    <BarLink href={`/aircraft/${registration}#release`}>
      The daily inspection is not signed for today. Sign it …
    </BarLink>
  ) : null;
}

/** A finding that somebody began to write, and that nobody has got yet. */
function BegunFinding({
  registration,
  personId,
}: {
  readonly registration: string;
  readonly personId: string;
}) {
  const [isBegun, setIsBegun] = useState(false);
  useEffect(() => {
    void unfinished(personId, registration).then((kept) => {
      setIsBegun(kept !== undefined && kept.finding.what.trim() !== '');
    });
  }, [personId, registration]);
  return isBegun ? <BarLink href="#report">You began to report a finding. Go on with it …</BarLink> : null;
}

/** The ramp, on a phone: choose the aircraft, walk round it, report what was found. */
export function RampScreen() {
  const isKept = useOfflineRamp();
  const router = useRouter();
  const registration = useSecondInAddress();
  const { walker, isSignedOut, error, retry } = useWalker();
  const aircraft = useKeptWalk(walker, registration);
  const findings = useOutbox(walker?.personId);
  const walks = useWalkOutbox(walker?.personId ?? null);
  const part = useHash();
  const waiting = findings === null || walks === null ? null : findings.length + walks.waiting;
  return (
    <RampFrame title={registration ?? 'Groval'} waiting={waiting}>
      {(findings ?? [])
        .filter(({ trouble }) => trouble !== null)
        .map((kept) => (
          <Refused key={kept.findingId} kept={kept} />
        ))}
      {(walks?.refused ?? []).map(({ id, message }) => (
        <Box key={id} role="alert" sx={{ border: '3px solid var(--grounded)', p: 1.5, mt: 1.5 }}>
          <p>{message} The desk has not got this answer.</p>
          <BigButton
            onClick={() => {
              void giveUp(id);
            }}
          >
            I have read it
          </BigButton>
        </Box>
      ))}
      {isSignedOut && walker !== null ? (
        <BarLink href="/sign-in?next=/ramp">
          Signed out: what you enter is kept on this phone. Sign in to send it …
        </BarLink>
      ) : null}
      {error !== null ? (
        <Trouble error={error} retry={retry} />
      ) : registration === null ? (
        <Choose
          onChoose={(chosen) => {
            router.push(`/ramp/${chosen}`);
          }}
        />
      ) : aircraft.error !== null ? (
        <Trouble error={aircraft.error} retry={aircraft.retry} />
      ) : aircraft.view === null || walker === null ? (
        <p>Loading {registration} …</p>
      ) : part === 'report' ? (
        <ReportOne
          registration={registration}
          walker={walker}
          onDone={() => {
            setHash('', 'the same');
          }}
        />
      ) : (
        <>
          <DailyInspection registration={registration} />
          <BegunFinding registration={registration} personId={walker.personId} />
          <AircraftOnRamp
            key={`${registration}/${walker.personId}`}
            view={aircraft.view}
            person={walker}
            isOffline={aircraft.asOf}
            isKept={isKept}
            onReport={() => {
              setHash('report', 'new');
            }}
            onOther={() => {
              router.push('/ramp');
            }}
          />
        </>
      )}
    </RampFrame>
  );
}
