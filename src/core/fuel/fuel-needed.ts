import { addVolumes, burnt, NO_VOLUME, type Volume } from '../quantities/volume';
import type { Light } from '../time/sun';

/** Reserves in minutes at normal cruise. Source: 14 CFR 91.151(a) and 91.167(a) (from memory); Part 91 MOS chapter 19 has the same for Australia. */
export const RESERVE_MINUTES = { day: 30, night: 45, ifr: 45 } as const;

/** Reserves by the flight rules and light of a flight: it takes the larger of all that it touches. Night begins with the end of civil twilight. */
export function reserveMinutes(
  rules: 'vfr' | 'ifr' | null,
  light: readonly Light[],
  own: { readonly day: number; readonly night: number; readonly ifr: number } = RESERVE_MINUTES,
): number {
  const visual = light.includes('night') ? Math.max(own.day, own.night) : own.day;
  return rules === 'vfr' ? visual : Math.max(visual, own.ifr);
}

/** What has to be aboard at the start: the whole flight, the leg to the alternate, and the reserve, each rounded up. */
export function fuelNeeded(
  burnPerHour: Volume,
  flightSeconds: number,
  alternateSeconds: number,
  reserve: number,
): Volume {
  return addVolumes(
    addVolumes(burnt(burnPerHour, flightSeconds), burnt(burnPerHour, alternateSeconds)),
    burnt(burnPerHour, reserve * 60),
  );
}

/** The sum of usable fuel in tanks. */
export function aboard(tanks: readonly Volume[]): Volume {
  return tanks.reduce(addVolumes, NO_VOLUME);
}
