'use client';

import Autocomplete, { createFilterOptions } from '@mui/material/Autocomplete';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import TextField from '@mui/material/TextField';
import { useRouter } from 'next/navigation';
import { useDispatch, useLine, usePeople } from '../data/queries';
import { PLACES } from './places';

/** Somewhere to go, or something to do there. */
interface Goal {
  readonly group: 'Aircraft' | 'Flights of today' | 'People' | 'Do' | 'Pages';
  readonly label: string;
  readonly href: string;
}

const PAGES = [
  ...PLACES,
  ['/handover', 'Handover'] as const,
  ['/wall', 'Wall view'] as const,
  ['/safety', 'Safety'] as const,
  ['/notices', 'Notices'] as const,
  ['/account', 'Account'] as const,
].map(([href, label]): Goal => ({
  group: 'Pages',
  label,
  href,
}));

/** What one does with an aircraft, and where. */
const ACTS: readonly (readonly [string, (registration: string) => string])[] = [
  ['Report a finding on', (registration) => `/ramp/${registration}`],
  ['Check the documents of', (registration) => `/document-check/${registration}`],
  ['Record maintenance of', (registration) => `/aircraft/${registration}#maintenance`],
  ['Read the meters of', (registration) => `/aircraft/${registration}#flights`],
  ['Print the sheet of', (registration) => `/sheet/${registration}`],
  ['Change the data of', (registration) => `/aircraft-data/${registration}`],
];

/** So many are shown at once: more is typed than read. */
const few = createFilterOptions<Goal>({ limit: 40 });

/** What can be found: aircraft, today's flights, people, what one does, pages. */
function useGoals(): readonly Goal[] {
  const { data: line } = useLine();
  const { data: counter } = useDispatch();
  const { data: people } = usePeople();
  const aircraft = line?.rows ?? [];
  const flights = [...(counter?.out ?? []), ...(counter?.planned ?? [])];
  return [
    ...aircraft.map(({ registration, typeName, verdict }): Goal => ({
      group: 'Aircraft',
      label: `${registration}, ${typeName}, ${verdict}`,
      href: `/aircraft/${registration}`,
    })),
    ...flights.map(({ flightId, registration, person, when }): Goal => ({
      group: 'Flights of today',
      label: `${when} ${person} in ${registration}`,
      href: `/dispatch/${flightId}`,
    })),
    ...(people?.people ?? []).map(({ name }): Goal => ({ group: 'People', label: name, href: '/club' })),
    ...aircraft.flatMap(({ registration }) =>
      ACTS.map(([words, href]): Goal => ({
        group: 'Do',
        label: `${words} ${registration}`,
        href: href(registration),
      })),
    ),
    ...PAGES,
  ];
}

/** Finds by a few letters what one wants to see or do, and goes there. */
export default function Palette({ onClose }: { readonly onClose: () => void }) {
  const router = useRouter();
  const goals = useGoals();
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-label="Find" sx={{ alignItems: 'start' }}>
      <DialogContent>
        <Autocomplete
          options={goals}
          filterOptions={few}
          groupBy={({ group }) => group}
          autoHighlight
          openOnFocus
          forcePopupIcon={false}
          getOptionKey={({ href, label }) => `${href} ${label}`}
          onChange={(_, goal) => {
            if (goal === null) return;
            onClose();
            // Another part of the page that is open: the browser says so only for a change of address of its own.
            if (goal.href.split('#')[0] === window.location.pathname) window.location.assign(goal.href);
            else router.push(goal.href);
          }}
          renderInput={(params) => (
            <TextField {...params} autoFocus label="Aircraft, flight, person, or what to do" />
          )}
        />
      </DialogContent>
    </Dialog>
  );
}
