import { VOLUME_UNITS, type VolumeUnit } from '../../core/quantities/volume';

/** Units in which fuel and oil are entered. */
export const AMOUNT_UNITS = Object.keys(VOLUME_UNITS) as readonly VolumeUnit[];
/** Those in which people measure fuel. */
export const FUEL_UNITS = AMOUNT_UNITS.filter((unit) => unit !== 'US qt' && unit !== 'mL');
/** Those in which people measure oil. */
export const OIL_UNITS = AMOUNT_UNITS.filter((unit) => unit === 'US qt' || unit === 'L');
