'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useState } from 'react';
import type { FlightLine } from '@/contracts/flights/flight-line';
import { parseZone } from '@/core/time/zone';
import { PURPOSE_NAMES } from '@/explain/names';
import { dateText } from '@/explain/wording';
import type { DayPlan } from '@/queries/flights/plan';
import { useCommand } from '../data/command';
import { TroubleAlert } from '../kit/trouble-alert';
import { draftOf, type Fields } from './flight-draft';
import { knownFrom } from './line-field';
import { idOfKey, outcomeText, type Outcome } from './file-outcome';
import type { FlightInFile } from './flights-from-file';

/** What a flight of a file is beyond what it says: as the form begins. */
const PLAIN: Omit<Fields, 'aircraftId' | 'person' | 'personId' | 'date' | 'starts' | 'ends' | 'airborne'> = {
  purpose: 'private-rental',
  crew: 'rated-pilot',
  rules: 'vfr',
  range: 'local',
  passengers: false,
  transponder: false,
  broadcast: false,
  water: false,
  vor: false,
  database: false,
  persons: '',
  landings: '',
  fuel: '',
  altitude: '',
  alternate: '',
  withoutTransponder: false,
  withoutAdsb: false,
  excepted: false,
  near: false,
  places: [],
  tows: null,
};

function fieldsOf(said: FlightLine, { aircraft, people }: DayPlan): Fields {
  return {
    ...PLAIN,
    aircraftId: aircraft.find(({ registration }) => registration === said.registration)?.aircraftId ?? '',
    person: said.person ?? '',
    personId: people.find(({ name }) => name === said.person)?.personId ?? null,
    date: said.date ?? '',
    starts: said.starts ?? '',
    ends: said.ends ?? '',
    airborne: said.airborne ?? '',
    purpose: said.purpose ?? PLAIN.purpose,
    crew: said.crew ?? PLAIN.crew,
    rules: said.rules ?? PLAIN.rules,
  };
}

/** What a flight says, as one reads it. */
function Said({ flight: { said, text } }: { readonly flight: FlightInFile }) {
  const { registration, date, starts, ends, person, purpose } = said;
  return (
    <>
      <span className="figure">{registration ?? '–'}</span> {date === undefined ? '' : dateText(date)}{' '}
      <span className="mono">{starts === undefined ? '' : `${starts}–${ends ?? ''}`}</span>{' '}
      <b>{person ?? 'not named yet'}</b>
      {purpose === undefined ? '' : `, ${PURPOSE_NAMES[purpose]}`}
      <div className="small">{text}</div>
    </>
  );
}

/**
 * Brings in flights from a calendar or a table: what stands there is shown first, with what is not clear of it, and only what is clear is
 * planned. The same file brought in again plans nothing twice.
 */
export function FlightsFile({ plan, onClose }: { readonly plan: DayPlan; readonly onClose: () => void }) {
  const [found, setFound] = useState<readonly FlightInFile[] | null>(null);
  const [wrong, setWrong] = useState('');
  const [outcomes, setOutcomes] = useState<ReadonlyMap<string, Outcome>>(new Map());
  const [isBusy, setIsBusy] = useState(false);
  const { post, trouble } = useCommand();
  const take = async (file: File) => {
    setOutcomes(new Map());
    setFound(null);
    setWrong('');
    const zone = parseZone(plan.zone);
    const { flightsFromCalendar, flightsFromTable } = await import('./flights-from-file');
    try {
      const text = await file.text();
      const isCalendar = /^\s*BEGIN:VCALENDAR/iu.test(text);
      const flights =
        isCalendar && zone !== undefined
          ? flightsFromCalendar(text, knownFrom(plan), zone, plan.now)
          : flightsFromTable(text, knownFrom(plan));
      setFound(flights);
      if (flights.length === 0) setWrong('No flight to come stands in this file.');
    } catch (error) {
      setWrong(error instanceof Error ? error.message : 'This file could not be read.');
    }
  };
  const clear =
    found?.filter(({ key, unclear }) => unclear.length === 0 && outcomes.get(key) !== 'planned') ?? [];
  const planAll = async () => {
    setIsBusy(true);
    for (const flight of clear) {
      let why = '';
      const planned = await post(
        'POST /api/flights',
        {
          flightId: await idOfKey(`${plan.field} ${flight.key}`),
          replaces: null,
          flight: draftOf(fieldsOf(flight.said, plan)),
        },
        (_, message) => {
          why = message;
        },
      );
      setOutcomes((before) =>
        new Map(before).set(flight.key, planned === null ? { refused: why } : 'planned'),
      );
    }
    setIsBusy(false);
  };
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="flights-file">
      <DialogTitle id="flights-file">Import flights</DialogTitle>
      <DialogContent>
        <p>
          From a calendar (.ics) or a table (.csv) with the columns aircraft, day, from, to, who, for and air,
          or one column flight. Nothing is planned before you have seen it.
        </p>
        <Button component="label" variant="outlined">
          Choose a file
          <input
            hidden
            type="file"
            accept=".ics,.csv,text/calendar,text/csv"
            aria-label="A calendar or a table"
            onChange={(event) => {
              const file = event.target.files?.[0];
              if (file !== undefined) void take(file);
              event.target.value = '';
            }}
          />
        </Button>
        {wrong === '' ? null : <p role="alert">{wrong}</p>}
        <TroubleAlert trouble={trouble} />
        {found === null || found.length === 0 ? null : (
          <Table aria-label="Flights of the file">
            <TableHead>
              <TableRow>
                <TableCell>Flight</TableCell>
                <TableCell>What becomes of it</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {found.map((flight) => (
                <TableRow key={flight.key}>
                  <TableCell>
                    <Said flight={flight} />
                  </TableCell>
                  <TableCell>{outcomeText(flight, outcomes.get(flight.key))}</TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        )}
      </DialogContent>
      <DialogActions>
        <Box sx={{ flex: 1, pl: 2 }} role="status">
          {isBusy ? 'Planning …' : ''}
        </Box>
        <Button onClick={onClose}>Close</Button>
        <Button
          variant="contained"
          disabled={isBusy || clear.length === 0}
          onClick={() => {
            void planAll();
          }}
        >
          {clear.length === 1 ? 'Plan it' : `Plan the ${clear.length} that are clear`}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
