import { complement, usesIn, type UseSet } from './use-set';

/** Flights to the workshop. */
export const POSITIONING: UseSet = usesIn({ purpose: ['positioning-to-maintenance'] });

/** Uses that are not ordinary: positioning to maintenance and maintenance check flights keep nobody's verdict up. */
export const MAINTENANCE_USES: UseSet = usesIn({
  purpose: ['positioning-to-maintenance', 'maintenance-check-flight'],
});

/** Ordinary uses: all the others. */
export const ORDINARY_USES: UseSet = complement(MAINTENANCE_USES);
