import type { PanelRead } from '@/core/metering/check-out';
import { writeMeterChanges } from '@/db/meters/write-changes';
import type { Changing } from '../kernel/change-aircraft';
import type { Actor } from '../kernel/command';
import { stretchRecord, withFigure, type Around } from './meter-words';

/** Dials that started again from zero, with why each goes on under a new entry. */
export const asWrapped = (wrapped: PanelRead['wrapped']) =>
  wrapped.map((dial) => ({ ...dial, why: 'started again from zero' }));

/** Writes what a panel showed while the aircraft stood. @param leaves whether the flight leaves that it was read for; else its readings belong to none */
export async function writePanel(
  { tx, recordedAt }: Changing,
  actor: Actor,
  aircraftId: string,
  { readings, wrapped, stretches }: PanelRead,
  around: Around,
  leaves: boolean,
): Promise<void> {
  await writeMeterChanges(tx, actor.clubId, aircraftId, actor, recordedAt, {
    readings: readings.map((reading) => withFigure(leaves ? reading : { ...reading, flightId: null })),
    dials: asWrapped(wrapped),
    others: stretches.map((stretch) => stretchRecord(stretch, recordedAt, around)),
  });
}
