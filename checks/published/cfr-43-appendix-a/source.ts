import type { PublishedSource } from '../source';

export const source: PublishedSource = {
  title: 'Preventive maintenance, and who may return to service',
  section: '14 CFR part 43 appendix A(c), 43.3(g), 43.7, 65.95, 65.107, 91.407(b)',
  edition: 'text as of about 2025, cited from memory: consult the text in force',
  from: 'memory, high confidence',
};
