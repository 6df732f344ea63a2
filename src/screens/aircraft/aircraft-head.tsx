'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import type { AircraftPage } from '@/queries/aircraft/aircraft-page';
import { GateMark } from '@/ui/gate-mark';
import { WindowMark } from '@/ui/window-mark';
import Link from '../kit/link';
import { PartTabs } from '../kit/page-parts';

const PARTS = {
  now: 'Now',
  maintenance: 'Maintenance',
  documents: 'Documents',
  flights: 'Flights and meters',
  marks: 'Marks and findings',
  trends: 'Trends',
  history: 'History',
  rules: 'Rules checked',
} as const;

/** A part of an aircraft's page. */
export type PartName = keyof typeof PARTS;

/** Headings that addresses name, and the parts that they stand in. */
const HEADINGS: Readonly<Record<string, PartName>> = {
  release: 'now',
  due: 'now',
  'open-items': 'now',
  waiting: 'now',
  logbook: 'maintenance',
  meters: 'flights',
  'closed-items': 'marks',
  water: 'trends',
  'passed-checks': 'trends',
  story: 'history',
};

const isPart = (name: string): name is PartName => Object.hasOwn(PARTS, name);

/** The part that an address means; what stands now where it names none. */
export const partOf = (hash: string): PartName => (isPart(hash) ? hash : (HEADINGS[hash] ?? 'now'));

/** What keeps it most, or how long until something does, in one line. */
function Next({ page }: { readonly page: AircraftPage }) {
  const [first] = page.reasons;
  const [limit] = page.limits.filter(({ step }) => !step);
  if (first !== undefined)
    return (
      <>
        <b>{first.headline}</b>
        {page.reasons.length === 1 ? '' : ` And ${page.reasons.length - 1} more.`}
      </>
    );
  return limit === undefined ? (
    <>Nothing on record comes due.</>
  ) : (
    <>
      Next limit: <span className="figure">{limit.figure}</span> {limit.headline}
    </>
  );
}

/** What stays in view of an aircraft's page: verdict, why or how long, main acts, and the way to each part. */
export function AircraftHead({ page, part }: { readonly page: AircraftPage; readonly part: PartName }) {
  return (
    <Box sx={{ position: { md: 'sticky' }, top: 0, zIndex: 2, bgcolor: 'var(--paper)', pt: 1, mt: -1 }}>
      <Stack direction="row" spacing={2} sx={{ flexWrap: 'wrap', alignItems: 'center' }}>
        <GateMark verdict={page.verdict} size={48} />
        <Box sx={{ flex: '1 1 260px', minWidth: 0 }}>
          <Box component="h1" sx={{ m: 0 }}>
            {page.verdict} <span className="figure">{page.registration}</span>
          </Box>
          <div className="small">
            {page.typeName}
            {page.timeInService === null ? (
              ''
            ) : (
              <>
                {' '}
                · <span className="mono">{page.timeInService}</span> in service
              </>
            )}
          </div>
          <Box sx={{ fontSize: 15 }}>
            <Next page={page} />
          </Box>
        </Box>
        <WindowMark window={page.window} text={page.windowText} scale={1.7} />
        <Stack spacing={0.5}>
          <Button component={Link} href={`/ramp/${page.registration}`} variant="outlined">
            Report a finding
          </Button>
          <Button component={Link} href={`/aircraft-data/${page.registration}`} size="small">
            Aircraft data
          </Button>
        </Stack>
      </Stack>
      <PartTabs
        names={page.reasons.length > 0 ? { ...PARTS, now: `${PARTS.now} (${page.reasons.length})` } : PARTS}
        part={part}
        label={`Parts of ${page.registration}’s page`}
      />
    </Box>
  );
}
