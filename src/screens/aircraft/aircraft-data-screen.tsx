'use client';

import Box from '@mui/material/Box';
import { useState, type ReactNode } from 'react';
import { useSecondInAddress } from '../data/address';
import { useLive } from '../data/live';
import { useFacts } from '../data/queries';
import Link from '../kit/link';
import { More } from '../kit/more';
import { lazily } from '../kit/lazily';
import { Coming } from '../shell/coming';
import { DeskPage } from '../shell/desk-page';

// Forms come when somebody opens them.
const Ads = lazily(() => import('./ad-form').then((module) => module.Ads), 200);
const ClubDocumentForm = lazily(
  () => import('./club-document-form').then((module) => module.ClubDocumentForm),
  200,
);
const DatabaseForm = lazily(() => import('./database-form').then((module) => module.DatabaseForm), 200);
const DescriptionShown = lazily(
  () => import('./description-shown').then((module) => module.DescriptionShown),
  400,
);
const EltForm = lazily(() => import('./elt-form').then((module) => module.EltForm), 200);
const EquipmentShown = lazily(() => import('./equipment-shown').then((module) => module.EquipmentShown), 200);
const EquipmentForm = lazily(() => import('./equipment-form').then((module) => module.EquipmentForm), 200);
const Items = lazily(() => import('./list-forms').then((module) => module.Items), 200);
const MinimumListForm = lazily(
  () => import('./minimum-list-form').then((module) => module.MinimumListForm),
  300,
);
const RampDataForm = lazily(
  () => import('../walkround/ramp-data-form').then((module) => module.RampDataForm),
  400,
);
const TowRopeForm = lazily(() => import('./tow-rope-form').then((module) => module.TowRopeForm), 200);
const RiggingForm = lazily(() => import('./rigging-form').then((module) => module.RiggingForm), 200);
const VorCheckForm = lazily(() => import('./vor-check-form').then((module) => module.VorCheckForm), 200);

/** One kind of facts: closed where there is something on record already, open where there is nothing. */
function Part({
  title,
  state,
  open,
  children,
}: {
  readonly title: string;
  readonly state: string;
  readonly open: boolean;
  readonly children: ReactNode;
}) {
  // As it was when the page opened: a part does not shut by itself under somebody's hands.
  const [first] = useState(open);
  return (
    <More
      summary={
        <>
          <Box component="b" sx={{ fontSize: 18 }}>
            {title}
          </Box>{' '}
          <span className="small">{state}</span>
        </>
      }
      open={first}
      sx={{ borderTop: '1px solid var(--rule)' }}
    >
      <Box sx={{ p: '4px 0 18px' }}>{children}</Box>
    </More>
  );
}

function FactsOf({ registration }: { readonly registration: string | null }) {
  const { data: facts, error, refetch } = useFacts(registration);
  const deadSince = useLive();
  if (facts === undefined)
    return (
      <DeskPage>
        <Coming query={{ error, refetch }} />
      </DeskPage>
    );
  const us = facts.authority === 'us';
  return (
    <DeskPage at={facts} deadSince={deadSince}>
      <Box component="h1" sx={{ mb: 0.5 }}>
        Aircraft data of <span className="figure">{facts.registration}</span>
      </Box>
      <Box component="p" sx={{ mt: 0 }}>
        {facts.typeName}, {facts.verdict}. <Link href={`/aircraft/${facts.registration}`}>Its page</Link>{' '}
        holds its maintenance record and meters;{' '}
        <Link href={`/document-check/${facts.registration}`}>check documents</Link> to record them.
      </Box>
      <Box
        sx={{
          display: 'grid',
          // With nothing missing the forms have the whole width.
          gridTemplateColumns:
            facts.missing.length === 0
              ? 'minmax(0, 1fr)'
              : { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) minmax(0, 2.6fr)' },
          columnGap: 4.5,
          rowGap: 1,
        }}
      >
        <section aria-labelledby="missing">
          <Box component="h2" id="missing" sx={{ mt: 1 }}>
            {facts.missing.length === 0 ? 'All required data is on record' : 'Still missing'}
          </Box>
          {facts.missing.length === 0 ? (
            <p>Everything that the rules ask about is known. What is open and closed now is on its page.</p>
          ) : (
            <>
              <p>
                What nobody has said is never taken for good: it keeps the aircraft, or some of its uses,
                closed.
              </p>
              <Box component="ol" sx={{ m: 0, pl: 2.75, display: 'grid', gap: 1.25 }}>
                {facts.missing.map((one) => (
                  <li key={one.id}>
                    <b>{one.headline}</b> {one.meaning}
                    <div className="small">{one.remedy}</div>
                  </li>
                ))}
              </Box>
            </>
          )}
        </section>
        {facts.mayEnter ? (
          <section aria-label="Facts">
            <Part
              title="What it is and may be used for"
              state={facts.aircraft.approvedFor === null ? 'not on record' : facts.categoryName}
              open={facts.aircraft.approvedFor === null}
            >
              <DescriptionShown facts={facts} />
            </Part>
            <Part
              title="Equipment"
              state={facts.equipment?.seen ?? 'not on record'}
              open={facts.equipment === null}
            >
              {facts.mayReplace || facts.equipment === null ? (
                <EquipmentForm facts={facts} />
              ) : (
                <EquipmentShown facts={facts} />
              )}
            </Part>
            {us && facts.mayReplace ? (
              <Part
                title="Minimum equipment list"
                state={facts.minimumList === null ? 'none' : `revision ${facts.minimumList.revision}`}
                open={false}
              >
                <MinimumListForm facts={facts} />
              </Part>
            ) : null}
            <Part
              title="Items with a limit"
              state={facts.complete.items ? String(facts.items.length) : 'not complete'}
              open={!facts.complete.items}
            >
              <Items facts={facts} />
            </Part>
            <Part
              title="ADs"
              state={facts.complete.ads ? String(facts.ads.length) : 'not complete'}
              open={!facts.complete.ads}
            >
              <Ads facts={facts} />
            </Part>
            {us && !facts.isGlider ? (
              <Part title="ELT" state={facts.elt?.text ?? 'not on record'} open={facts.elt === null}>
                <EltForm facts={facts} />
              </Part>
            ) : null}
            <Part
              title="Insurance and club documents"
              state={String(facts.clubDocuments.length)}
              open={facts.clubDocuments.length === 0}
            >
              <ClubDocumentForm facts={facts} />
            </Part>
            {us ? (
              <Part title="VOR check" state={facts.vorCheck?.text ?? 'not on record'} open={false}>
                <VorCheckForm facts={facts} />
              </Part>
            ) : null}
            {facts.isGlider ? (
              <Part title="Rigging" state={facts.rigging?.text ?? 'not on record'} open={false}>
                <RiggingForm facts={facts} />
              </Part>
            ) : null}
            {facts.mayTow && us ? (
              <Part title="Tow rope" state={facts.towRope?.text ?? 'not on record'} open={false}>
                <TowRopeForm facts={facts} />
              </Part>
            ) : null}
            <Part title="Walk-round" state={`${facts.ramp.count} steps`} open={false}>
              <RampDataForm facts={facts} />
            </Part>
            <Part title="Databases" state={String(facts.databases.length)} open={false}>
              <DatabaseForm facts={facts} />
            </Part>
          </section>
        ) : (
          <p>A dispatcher, a mechanic or the administrator enters these.</p>
        )}
      </Box>
    </DeskPage>
  );
}

/**
 * What decisions about an aircraft rest on beyond its documents and maintenance: entered by the person who keeps the records, with what
 * is still missing.
 */
export function AircraftDataScreen() {
  const registration = useSecondInAddress();
  // Another aircraft is another page: what was begun for the one is never carried to the other.
  return <FactsOf key={registration} registration={registration} />;
}
