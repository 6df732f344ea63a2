/** Where one can go at the desk. */
export const PLACES = [
  ['/line', 'Line'],
  ['/dispatch', 'Dispatch'],
  ['/flights', 'Flights'],
  ['/triage', 'New findings'],
  ['/chronic', 'Chronic defects'],
  ['/import-export', 'Import and export'],
  ['/club', 'Club'],
] as const;
