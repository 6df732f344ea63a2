import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title: 'Maintenance releases',
  section: 'CAR 1988 regs 42G, 43 to 50 and Schedule 5',
  edition: 'from memory, much of it less certain than the American rules; strict where unsure',
  from: 'memory, medium confidence',
};
