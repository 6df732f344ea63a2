'use client';

import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Link from 'next/link';
import { useState } from 'react';
import type { Sheet } from '@/queries/flights/sheet';
import { GateMark } from '@/ui/gate-mark';
import { useSecondInAddress } from '../data/address';
import { useSheet } from '../data/queries';
import { Trouble } from '../shell/trouble';

const cell = { border: '1px solid #000', padding: '4px 6px', verticalAlign: 'top' } as const;
const head = { ...cell, textAlign: 'left', fontSize: 12 } as const;

function Flights({ sheet }: { readonly sheet: Sheet }) {
  return (
    <table style={{ borderCollapse: 'collapse', width: '100%', fontSize: 14 }}>
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
            <th key={name} style={head}>
              {name}
            </th>
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
                  <td style={cell} rowSpan={meters.length} className="mono">
                    {flight.left}
                  </td>
                  <td style={cell} rowSpan={meters.length} className="mono">
                    {flight.back}
                  </td>
                  <td style={cell} rowSpan={meters.length}>
                    {flight.person}
                    <br />
                    {flight.purpose}
                  </td>
                </>
              ) : null}
              <td style={cell}>
                {meter.name}
                {meter.corrected ? ' (corrected)' : ''}
              </td>
              <td style={cell} className="mono">
                {meter.out}
              </td>
              <td style={cell} className="mono">
                {meter.in}
              </td>
              <td style={cell} className="mono">
                {meter.ran}
              </td>
              {at === 0 ? (
                <>
                  <td style={cell} rowSpan={meters.length} className="mono">
                    {flight.landings}
                  </td>
                  <td style={cell} rowSpan={meters.length} className="mono">
                    {flight.billed}
                  </td>
                  <td style={cell} rowSpan={meters.length}>
                    {[flight.fuel, flight.oil === '' ? '' : `oil ${flight.oil}`]
                      .filter((text) => text !== '')
                      .join('; ')}
                  </td>
                  <td style={cell} rowSpan={meters.length}>
                    {flight.remarks}
                  </td>
                </>
              ) : null}
            </tr>
          ));
        })}
        {Array.from({ length: 3 }, (_, at) => (
          <tr key={`empty-${at}`} style={{ height: 34 }}>
            {Array.from({ length: 11 }, (__, column) => (
              <td key={column} style={cell} />
            ))}
          </tr>
        ))}
        <tr>
          <td style={cell} colSpan={6}>
            <b>Day’s total</b>
          </td>
          <td style={cell} className="mono">
            {sheet.totals.ran.join(', ')}
          </td>
          <td style={cell} className="mono">
            {sheet.totals.landings}
          </td>
          <td style={cell} colSpan={3} />
        </tr>
      </tbody>
    </table>
  );
}

function Open({ sheet }: { readonly sheet: Sheet }) {
  return (
    <section aria-label="Open items" style={{ breakBefore: 'page', paddingTop: 12 }}>
      <h2>Open on {sheet.registration}, to take to the aircraft</h2>
      {sheet.open.length === 0 ? (
        <p>No finding is open.</p>
      ) : (
        <table style={{ borderCollapse: 'collapse', width: '100%', fontSize: 14 }}>
          <thead>
            <tr>
              {['Found', 'What and where', 'What it means', 'What was done, and by which certificate'].map(
                (name) => (
                  <th key={name} style={head}>
                    {name}
                  </th>
                ),
              )}
            </tr>
          </thead>
          <tbody>
            {sheet.open.map((item) => (
              <tr key={item.id}>
                <td style={cell}>{item.found}</td>
                <td style={cell}>
                  <b>{item.what}</b> {item.where}
                </td>
                <td style={cell}>{item.meaning}</td>
                <td style={{ ...cell, width: '38%', height: 64 }} />
              </tr>
            ))}
          </tbody>
        </table>
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
    </section>
  );
}

/** The trip sheet of an aircraft and day, and its open items: on paper as on the screen. */
export function SheetScreen() {
  const registration = useSecondInAddress();
  const [day, setDay] = useState<string | null>(null);
  const { data: sheet, error, refetch } = useSheet(registration, day);
  if (sheet === undefined)
    return error === null ? (
      <p style={{ padding: 24 }}>Loading …</p>
    ) : (
      <Trouble
        error={error}
        retry={() => {
          void refetch();
        }}
      />
    );
  return (
    <main className="stark" style={{ padding: '16px 24px', minHeight: '100vh' }}>
      <div className="on-screen" style={{ display: 'flex', gap: 12, alignItems: 'center', marginBottom: 16 }}>
        <Link href={`/aircraft/${sheet.registration}`}>← Folder</Link>
        <span style={{ flex: 1 }} />
        <TextField
          size="small"
          label="Day"
          type="date"
          value={sheet.date}
          onChange={(event) => {
            setDay(event.target.value === '' ? null : event.target.value);
          }}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <Button
          variant="contained"
          onClick={() => {
            window.print();
          }}
        >
          Print
        </Button>
      </div>
      <div style={{ display: 'flex', gap: 14, alignItems: 'center', marginBottom: 10 }}>
        <GateMark verdict={sheet.verdict} size={40} />
        <div style={{ flex: 1 }}>
          <h1 style={{ margin: 0 }}>
            Trip sheet <span className="figure">{sheet.registration}</span>, {sheet.dateWords}
          </h1>
          <div>
            {sheet.typeName} · {sheet.club}, {sheet.field} · {sheet.verdict} when printed {sheet.printed};{' '}
            {sheet.windowText} · in service <span className="mono">{sheet.timeInService}</span>
          </div>
        </div>
      </div>
      <Flights sheet={sheet} />
      <Open sheet={sheet} />
    </main>
  );
}
