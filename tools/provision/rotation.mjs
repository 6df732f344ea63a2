// Which backups are kept: every one of the last days, and then the first of each month.
/** So many days, each with its newest backup. */
export const DAYS = 14;
/** So many months, each with its oldest backup. */
export const MONTHS = 12;

const NAME = /^groval-(\d{4}-\d\d-\d\d)T(\d{6})Z\.backup$/;

/** The name of a backup that is made at a moment, in universal time. @param {Date} at */
export const backupName = (at) =>
  `groval-${at.toISOString().slice(0, 10)}T${at.toISOString().slice(11, 19).replaceAll(':', '')}Z.backup`;

/** When a backup was made, in milliseconds; undefined for a file of another name. @param {string} name */
export function madeAt(name) {
  const [, day, time = ''] = NAME.exec(name) ?? [];
  if (day === undefined) return undefined;
  return Date.parse(`${day}T${time.slice(0, 2)}:${time.slice(2, 4)}:${time.slice(4)}Z`);
}

/**
 * The backups that may go: not the newest of each of the last days that have one, not the oldest of each of
 * the last months. Files of other names are
 * never named, those that were made before an upgrade among them.
 * @param {readonly string[]} names file names in the folder of backups @returns {string[]}
 */
export function toRemove(names) {
  const backups = names.filter((name) => madeAt(name) !== undefined).sort();
  const keep = new Set();
  const newestOfDay = new Map(backups.map((name) => [name.slice(7, 17), name]));
  for (const day of [...newestOfDay.keys()].sort().slice(-DAYS)) keep.add(newestOfDay.get(day));
  const oldestOfMonth = new Map([...backups].reverse().map((name) => [name.slice(7, 14), name]));
  for (const month of [...oldestOfMonth.keys()].sort().slice(-MONTHS)) keep.add(oldestOfMonth.get(month));
  return backups.filter((name) => !keep.has(name));
}
