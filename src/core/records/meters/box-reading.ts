import type { RecordBase } from '../record';
import type { Standings } from './meter-reading';

/**
 * What a box that rides along counted, as time in service in seconds. It is a witness beside the meters: it may say that more was flown
 * than is on record, and never that less was. Common practice, no source.
 */
export interface BoxReading extends RecordBase {
  /** The box that sent it: struck out, all that it sent counts no more. */
  readonly box: string;
  readonly value: number;
}

/** What the meters stand at with what the boxes counted: the time in service is the higher of the two. A box alone makes nothing known, and settles no contradiction. */
export function withBoxes(meters: Standings, readings: readonly BoxReading[]): Standings {
  const service = meters['time-in-service'];
  if (service.state !== 'known') return meters;
  let highest: BoxReading | null = null;
  for (const reading of readings) if (reading.value > (highest?.value ?? service.value)) highest = reading;
  return highest === null
    ? meters
    : { ...meters, 'time-in-service': { ...service, value: highest.value, from: highest.id } };
}

/** So much, in seconds, box and meter may differ without anybody having flown: a meter shows tenths. Common practice, no source. */
export const BOX_SLACK = 360;

/** By how many seconds the boxes counted more than the meters on record; null where they did not. */
export function boxAhead(meters: Standings, accounted: Standings): number | null {
  const [all, own] = [meters['time-in-service'], accounted['time-in-service']];
  return all.state === 'known' && own.state === 'known' && all.value > own.value
    ? all.value - own.value
    : null;
}
