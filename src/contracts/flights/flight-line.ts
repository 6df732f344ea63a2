import type { Crew, Purpose, Rules } from '../../core/envelope/dimensions';
import { addDays, dayOfWeek, parseCivilDate, type CivilDate } from '../../core/time/civil-date';

/** What one line of text says of a flight; what it does not say is absent. */
export interface FlightLine {
  readonly registration?: string;
  readonly date?: CivilDate;
  /** `09:30` on the field's clock. */
  readonly starts?: string;
  readonly ends?: string;
  /** Hours in the air, as they are entered. */
  readonly airborne?: string;
  readonly purpose?: Purpose;
  readonly crew?: Crew;
  readonly rules?: Rules;
  /** A member's name as the club has it, or a guest's as it was typed. */
  readonly person?: string;
  /** How many times it is flown, a week apart. */
  readonly weeks?: number;
}

/** What a line is read with. */
export interface Known {
  readonly today: CivilDate;
  readonly registrations: readonly string[];
  /** Names of members. */
  readonly people: readonly string[];
}

/** So often a flight is repeated at most. */
export const MOST_WEEKS = 26;

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const DAYS = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'];
const MONTH = `(?<month>${MONTHS.join('|')})[a-z]*`;
const DATE = String.raw`(?<iso>\d{4}-\d{2}-\d{2})|(?<day>\d{1,2})\.?\s+${MONTH}(?:\s+(?<year>\d{4}))?|(?<word>today|tomorrow|${DAYS.map((day) => `${day.slice(0, 3)}(?:${day.slice(3)})?`).join('|')})`;

const WORDS: Readonly<Record<string, Pick<FlightLine, 'purpose' | 'crew' | 'rules'>>> = {
  lesson: { purpose: 'instruction-school-aircraft', crew: 'dual' },
  instruction: { purpose: 'instruction-school-aircraft', crew: 'dual' },
  dual: { purpose: 'instruction-school-aircraft', crew: 'dual' },
  solo: { purpose: 'instruction-school-aircraft', crew: 'student-solo' },
  rental: { purpose: 'private-rental', crew: 'rated-pilot' },
  private: { purpose: 'private-rental', crew: 'rated-pilot' },
  hire: { purpose: 'carriage-for-hire', crew: 'rated-pilot' },
  tow: { purpose: 'glider-towing', crew: 'rated-pilot' },
  towing: { purpose: 'glider-towing', crew: 'rated-pilot' },
  ifr: { rules: 'ifr' },
  vfr: { rules: 'vfr' },
};

/** Words that say nothing by themselves. */
const FILLING: ReadonlySet<string> = new Set(['for', 'with', 'in', 'by', 'at', 'on', 'from', 'and']);

/** The day that a match of DATE names, the next one where it names no year; a sentence where it is none, or one of two. */
function dayOf(groups: Readonly<Record<string, string | undefined>>, today: CivilDate): CivilDate | string {
  const { iso, day, month, year, word } = groups;
  if (iso !== undefined) return parseCivilDate(iso) ?? `There is no day ${iso}.`;
  if (word === 'today') return today;
  if (word === 'tomorrow') return addDays(today, 1);
  if (word !== undefined) {
    const wanted = DAYS.findIndex((name) => name.startsWith(word.slice(0, 3))) + 1;
    const ahead = (wanted - dayOfWeek(today) + 7) % 7;
    return ahead === 0
      ? `Today is ${DAYS[wanted - 1] ?? ''}: say today, or the date of the one that is meant.`
      : addDays(today, ahead);
  }
  const of = (asked: string) =>
    parseCivilDate(
      `${asked}-${String(MONTHS.indexOf(month ?? '') + 1).padStart(2, '0')}-${(day ?? '').padStart(2, '0')}`,
    );
  const thisYear = Number(today.slice(0, 4));
  if (year !== undefined) return of(year) ?? `There is no day ${day ?? ''} ${month ?? ''} ${year}.`;
  const soon = of(String(thisYear));
  if (soon !== undefined && soon >= today) return soon;
  return of(String(thisYear + 1)) ?? `There is no day ${day ?? ''} ${month ?? ''}.`;
}

/** `9`, `930` or `9:30` as `09:30`; undefined for a time that no clock shows. */
function clockOf(hours: string | undefined, minutes: string | undefined): string | undefined {
  const [hour, minute] = [Number(hours), Number(minutes ?? '0')];
  return hour < 24 && minute < 60
    ? `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}`
    : undefined;
}

/** A clock so many minutes later; past midnight it is the next day's. */
function clockAfter(clock: string, minutes: number): string {
  const [hour = 0, minute = 0] = clock.split(':').map(Number);
  const total = (hour * 60 + minute + minutes) % 1440;
  return `${String(Math.floor(total / 60)).padStart(2, '0')}:${String(total % 60).padStart(2, '0')}`;
}

/** The member that some words name: all of them begin parts of the name, in their order. */
function membersNamed(words: readonly string[], people: readonly string[]): readonly string[] {
  const asked = words.map((word) => word.replace(/\.$/u, '').toLowerCase());
  const exact = people.filter((name) => name.toLowerCase() === words.join(' ').toLowerCase());
  if (exact.length > 0) return exact;
  return people.filter((name) => {
    const parts = name.toLowerCase().split(/\s+/u);
    let from = 0;
    return asked.every((word) => {
      const at = parts.findIndex((part, place) => place >= from && part.startsWith(word));
      from = at + 1;
      return at >= 0;
    });
  });
}

/**
 * Reads a flight from a line as somebody says it, such as `N02TB tomorrow 10-11:30 lesson Okoro 1.2h weekly x4`. The words may stand in
 * any order. Nothing is guessed: what may mean two things is not taken, and a sentence asks which is meant.
 */
export function readFlightLine(
  text: string,
  { today, registrations, people }: Known,
): { readonly said: FlightLine; readonly unclear: readonly string[] } {
  const said: { -readonly [K in keyof FlightLine]: FlightLine[K] } = {};
  const unclear: string[] = [];
  let rest = ` ${text.replaceAll(/[,;]/gu, ' ')} `;
  /** Takes what matches out of the line. */
  const take = (pattern: string, use: (groups: Readonly<Record<string, string | undefined>>) => void) => {
    const found = new RegExp(String.raw`(?<=\s)(?:${pattern})(?=\s)`, 'iu').exec(rest);
    if (found === null) return;
    rest = rest.replace(found[0], ' ');
    use(
      Object.fromEntries(
        Object.entries(found.groups ?? {}).map(([name, value]) => [
          name,
          (value as string | undefined)?.toLowerCase(),
        ]),
      ),
    );
  };
  let until: CivilDate | undefined;
  take(String.raw`weekly\s+until\s+(?:${DATE})`, (groups) => {
    const day = dayOf(groups, today);
    if (parseCivilDate(day) === undefined) unclear.push(day);
    else until = day as CivilDate;
  });
  take(String.raw`weekly(?:\s+(?:x\s*|for\s+)?(?<count>\d{1,2})(?:\s*(?:weeks|times))?)?`, ({ count }) => {
    const weeks = Number(count ?? '0');
    if (weeks >= 2 && weeks <= MOST_WEEKS) said.weeks = weeks;
    else unclear.push(`Say how many weeks, 2 to ${MOST_WEEKS}, such as weekly x4; or weekly until a day.`);
  });
  take(DATE, (groups) => {
    const day = dayOf(groups, today);
    if (parseCivilDate(day) === undefined) unclear.push(day);
    else said.date = day as CivilDate;
  });
  const clock = (name: string) => String.raw`(?<${name}h>\d{1,2})(?::?(?<${name}m>\d{2}))?`;
  const times = ({ ah, am, bh, bm }: Readonly<Record<string, string | undefined>>) => {
    const [starts, ends] = [clockOf(ah, am), clockOf(bh, bm)];
    if (starts === undefined || ends === undefined || starts === ends)
      unclear.push('Write from when to when, such as 10-11:30.');
    else Object.assign(said, { starts, ends });
  };
  take(String.raw`${clock('a')}\s*(?:-|–|to|until)\s*${clock('b')}`, times);
  take(
    String.raw`(?:at\s+)?${clock('a')}\s+for\s+(?<lasts>\d+(?:\.\d+)?)\s*(?<unit>h|hours?|min|minutes)`,
    ({ ah, am, lasts, unit }) => {
      const starts = clockOf(ah, am);
      const minutes = Math.round(Number(lasts) * (unit?.startsWith('h') === true ? 60 : 1));
      if (starts === undefined || minutes < 1 || minutes >= 1440)
        unclear.push('Write from when and for how long, such as 10:00 for 1.5 h.');
      else Object.assign(said, { starts, ends: clockAfter(starts, minutes) });
    },
  );
  take(
    String.raw`(?:(?:air|airborne)\s+)?(?<hours>\d{1,2}(?:\.\d{1,2})?)\s*(?:h|hours?)(?:\s+(?:air|airborne|in\s+the\s+air))?`,
    ({ hours }) => {
      said.airborne = hours ?? '';
    },
  );
  take(String.raw`\d{1,2}[/.]\d{1,2}(?:[/.]\d{2,4}|\.)?`, () => {
    unclear.push('Write the day with its month in letters, such as 24 Nov: figures alone may mean two days.');
  });
  const words = rest.split(/\s+/u).filter((word) => word !== '');
  const left: string[] = [];
  for (const word of words) {
    const known = WORDS[word.toLowerCase()];
    if (known !== undefined) {
      // Solo says more than lesson does, wherever it stands.
      const crew = said.crew === 'student-solo' ? said.crew : known.crew;
      Object.assign(said, known, crew === undefined ? {} : { crew });
      continue;
    }
    const upper = word.toUpperCase();
    const ending = registrations.filter(
      (registration) => registration === upper || (upper.length >= 3 && registration.endsWith(upper)),
    );
    const [one] = registrations.includes(upper) ? [upper] : ending;
    if (one !== undefined && (ending.length === 1 || registrations.includes(upper))) {
      if (said.registration !== undefined && said.registration !== one)
        unclear.push(`Two aircraft: ${said.registration} and ${one}. Say one.`);
      said.registration = one;
    } else if (FILLING.has(word.toLowerCase())) continue;
    else if (ending.length > 1) unclear.push(`Which aircraft is meant by ${word}: ${ending.join(', ')}?`);
    else if (/\d/u.test(word)) unclear.push(`What does “${word}” mean? The club has no such aircraft.`);
    else left.push(word);
  }
  if (left.length > 0) {
    const members = membersNamed(left, people);
    if (members.length > 1) unclear.push(`Who is meant by ${left.join(' ')}: ${members.join(', ')}?`);
    else said.person = members[0] ?? left.join(' ');
  }
  if (until !== undefined) {
    const first = said.date ?? today;
    let weeks = 1;
    while (addDays(first, weeks * 7) <= until) weeks += 1;
    if (weeks > MOST_WEEKS || weeks < 2)
      unclear.push(
        `That is ${weeks === 1 ? 'one flight' : `${weeks} flights`}; 2 to ${MOST_WEEKS} can be repeated.`,
      );
    else said.weeks = weeks;
  }
  return { said, unclear };
}
