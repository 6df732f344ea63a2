/** Work that can have changed nothing. */
export const NO_EFFECTS = {
  mayChangeFlight: false,
  groundTestsConclusive: null,
  flightControls: false,
  staticOpened: false,
  altitudeReportingTouched: false,
  weightChanged: false,
} as const;
