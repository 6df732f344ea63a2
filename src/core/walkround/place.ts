import { STATIONS } from './steps';

/** A place on the aircraft in words: 'left wing', 'Nose and engine'. A station that is not on the list keeps its own name. */
export function placeOnAircraft(station: string, side: string | null): string {
  const name = STATIONS.find(({ id }) => id === station)?.name ?? station;
  return side === null ? name : `${side} ${name.charAt(0).toLowerCase()}${name.slice(1)}`;
}
