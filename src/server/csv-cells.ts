/** What a spreadsheet takes for the beginning of a formula, and the apostrophe by which we mark that it is none. Source: OWASP, CSV injection (from memory). */
const FORMULA = /^[=+\-@\t\r\n\uFF1D\uFF0B\uFF0D\uFF20]/;
const MARKED = /^'['=+\-@\t\r\n\uFF1D\uFF0B\uFF0D\uFF20]/;

/** A text as it stands in a file that is opened in a spreadsheet: one that would be a formula gets an apostrophe in front; so does one that looks as if it had got one. */
export const neutralCell = (text: string): string =>
  FORMULA.test(text) || MARKED.test(text) ? `'${text}` : text;

/** The text that such a cell was made from: exactly what neutralCell() was given. */
export const originalCell = (cell: string): string => (MARKED.test(cell) ? cell.slice(1) : cell);
