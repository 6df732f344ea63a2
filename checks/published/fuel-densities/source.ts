import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title: 'Pilot’s Handbook of Aeronautical Knowledge and Aircraft Weight and Balance Handbook, FAA',
  section: 'standard weights of fuel: petrol 6.0 lb/US gal, jet fuel 6.7 lb/US gal',
  edition: 'values from memory; 1 lb = 0.45359237 kg is exact',
  from: 'memory, high confidence',
};
