'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import type { Sheet } from '@/queries/flights/sheet';
import { GateMark } from '@/ui/gate-mark';
import { setHash, useHash, useSecondInAddress } from '../data/address';
import { useSheet } from '../data/queries';
import { DayField } from '../kit/day-field';
import Link from '../kit/link';
import { Opener } from '../kit/opener';
import { Coming } from '../shell/coming';

const cell = { border: '1px solid #000', py: 0.5, px: 0.75, verticalAlign: 'top' } as const;
const head = { ...cell, textAlign: 'left', fontSize: 12 } as const;

function Flights({ sheet }: { readonly sheet: Sheet }) {
  return (
    <Box component="table" sx={{ borderCollapse: 'collapse', width: '100%', fontSize: 14 }}>
      <thead>
        <tr>
          {[
            'Left',
            'Back',
            'Who, for what',
            'Meter',
            'Out',
            'In',
            'Ran',
            'Landings',
            'Billing',
            'Fuel, oil',
            'Pilot’s report',
          ].map((name) => (
            <Box component="th" key={name} sx={head}>
              {name}
            </Box>
          ))}
        </tr>
      </thead>
      <tbody>
        {sheet.flights.flatMap((flight) => {
          const meters =
            flight.meters.length === 0
              ? [{ name: 'none', out: '', in: '', ran: '', corrected: false }]
              : flight.meters;
          return meters.map((meter, at) => (
            <tr key={`${flight.id}/${meter.name}`}>
              {at === 0 ? (
                <>
                  <Box component="td" sx={cell} rowSpan={meters.length} className="mono">
                    {flight.left}
                  </Box>
                  <Box component="td" sx={cell} rowSpan={meters.length} className="mono">
                    {flight.back}
                  </Box>
                  <Box component="td" sx={cell} rowSpan={meters.length}>
                    {flight.person}
                    <br />
                    {flight.purpose}
                  </Box>
                </>
              ) : null}
              <Box component="td" sx={cell}>
                {meter.name}
                {meter.corrected ? ' (corrected)' : ''}
              </Box>
              <Box component="td" sx={cell} className="mono">
                {meter.out}
              </Box>
              <Box component="td" sx={cell} className="mono">
                {meter.in}
              </Box>
              <Box component="td" sx={cell} className="mono">
                {meter.ran}
              </Box>
              {at === 0 ? (
                <>
                  <Box component="td" sx={cell} rowSpan={meters.length} className="mono">
                    {flight.landings}
                  </Box>
                  <Box component="td" sx={cell} rowSpan={meters.length} className="mono">
                    {flight.billed}
                  </Box>
                  <Box component="td" sx={cell} rowSpan={meters.length}>
                    {[flight.fuel, flight.oil === '' ? '' : `oil ${flight.oil}`]
                      .filter((text) => text !== '')
                      .join('; ')}
                  </Box>
                  <Box component="td" sx={cell} rowSpan={meters.length}>
                    {flight.remarks}
                  </Box>
                </>
              ) : null}
            </tr>
          ));
        })}
        {Array.from({ length: 3 }, (_, at) => (
          <Box component="tr" key={`empty-${at}`} sx={{ height: 34 }}>
            {Array.from({ length: 11 }, (__, column) => (
              <Box component="td" key={column} sx={cell} />
            ))}
          </Box>
        ))}
        <tr>
          <Box component="td" sx={cell} colSpan={6}>
            <b>Day’s total</b>
          </Box>
          <Box component="td" sx={cell} className="mono">
            {sheet.totals.ran.join(', ')}
          </Box>
          <Box component="td" sx={cell} className="mono">
            {sheet.totals.landings}
          </Box>
          <Box component="td" sx={cell} colSpan={3} />
        </tr>
      </tbody>
    </Box>
  );
}

function Open({ sheet }: { readonly sheet: Sheet }) {
  return (
    <Box component="section" aria-label="Open items" sx={{ breakBefore: 'page', pt: 1.5 }}>
      <h2>Open on {sheet.registration}, to take to the aircraft</h2>
      {sheet.open.length === 0 ? (
        <p>No finding is open.</p>
      ) : (
        <Box component="table" sx={{ borderCollapse: 'collapse', width: '100%', fontSize: 14 }}>
          <thead>
            <tr>
              {['Found', 'What and where', 'What it means', 'What was done, and by which certificate'].map(
                (name) => (
                  <Box component="th" key={name} sx={head}>
                    {name}
                  </Box>
                ),
              )}
            </tr>
          </thead>
          <tbody>
            {sheet.open.map((item) => (
              <tr key={item.id}>
                <Box component="td" sx={cell}>
                  {item.found}
                </Box>
                <Box component="td" sx={cell}>
                  <b>{item.what}</b> {item.where}
                </Box>
                <Box component="td" sx={cell}>
                  {item.meaning}
                </Box>
                <Box component="td" sx={{ ...cell, width: '38%', height: 64 }} />
              </tr>
            ))}
          </tbody>
        </Box>
      )}
      {sheet.against.length === 0 ? null : (
        <>
          <h2>Reasons</h2>
          <ul>
            {sheet.against.map((one) => (
              <li key={one.id}>
                <b>{one.headline}</b> {one.meaning}
                {one.ways === '' ? (
                  ''
                ) : (
                  <>
                    {' '}
                    <i>{one.ways}.</i>
                  </>
                )}
              </li>
            ))}
          </ul>
        </>
      )}
      <p className="small">
        Notes on this sheet release nothing. What was done is entered and signed in Groval.
      </p>
    </Box>
  );
}

function SheetOf({ registration }: { readonly registration: string | null }) {
  const day = new URLSearchParams(useHash()).get('day');
  const { data: sheet, error, refetch } = useSheet(registration, day);
  if (sheet === undefined) return <Coming query={{ error, refetch }} />;
  return (
    <Box component="main" className="stark" sx={{ py: 2, px: 3, minHeight: '100vh' }}>
      <Stack direction="row" spacing={1.5} className="on-screen" sx={{ alignItems: 'center', mb: 2 }}>
        <Link href={`/aircraft/${sheet.registration}`}>← Aircraft</Link>
        <Box component="span" sx={{ flex: 1 }} />
        <Opener label="Another day …">
          {() => (
            <DayField
              label="Day"
              value={sheet.date}
              onChange={(day) => {
                if (day !== '') setHash(`day=${day}`, 'new');
              }}
            />
          )}
        </Opener>
        <Button
          variant="contained"
          onClick={() => {
            window.print();
          }}
        >
          Print
        </Button>
      </Stack>
      <Stack direction="row" spacing={1.75} sx={{ alignItems: 'center', mb: 1.25 }}>
        <GateMark verdict={sheet.verdict} size={40} />
        <Box sx={{ flex: 1 }}>
          <Box component="h1" sx={{ m: 0 }}>
            Trip sheet <span className="figure">{sheet.registration}</span>, {sheet.dateWords}
          </Box>
          <div>
            {sheet.typeName} · {sheet.club}, {sheet.field} · {sheet.verdict} when printed {sheet.printed};{' '}
            {sheet.windowText} · in service <span className="mono">{sheet.timeInService}</span>
          </div>
        </Box>
      </Stack>
      <Flights sheet={sheet} />
      <Open sheet={sheet} />
    </Box>
  );
}

/** The trip sheet of an aircraft and day, and its open items: on paper as on the screen. */
export function SheetScreen() {
  const registration = useSecondInAddress();
  return <SheetOf key={registration} registration={registration} />;
}
