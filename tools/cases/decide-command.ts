// What `npm run decide` does: see docs/formats.md.
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { questionOf, type CaseQuestion } from '../../src/contracts/exchange/case-facts';
import type { Json } from '../../src/contracts/kernel/merge-patch';
import { problemText } from '../../src/contracts/kernel/problem';
import { decidePrepared } from '../../src/core/decision/decide';
import { diffDecisions } from '../../src/core/decision/diff';
import { plansForFlight, plansForWanted, plansToRelease } from '../../src/core/decision/in-the-way';
import { canonicalInputs } from '../../src/core/decision/inputs';
import { prepare } from '../../src/core/decision/prepare';
import { timeline } from '../../src/core/decision/timeline';
import { parseInstant, type Instant } from '../../src/core/time/instant';
import { addDays, parseCivilDate } from '../../src/core/time/civil-date';
import { civilDateAt, endOfDay } from '../../src/core/time/zone';
import { decisionDocument } from '../../src/explain/decision-document';
import { diffDocument, tellDiff, timelineDocument } from '../../src/explain/timeline-document';
import { explain, sentences } from '../../src/explain/tree';
import { CaseRefused, parseJson, readCase } from './read-case';

const DAYS = 400;
const USAGE = `usage: npm run --silent decide -- FILE.json|- [options]

Prints the decision on the case in FILE.json (or standard input) as JSON. A file may hold a list of cases.
  --flight ID       answer for one of the case's flights, in place of its flight
  --timeline        the moments at which verdict and envelope change, the case's flights flown in order
  --until DAY       last day of the timeline, YYYY-MM-DD or a moment; ${DAYS} days when not given
  --diff OTHER.json what changed from OTHER.json to FILE.json
  --explain         sentences instead of JSON
The format is described in docs/formats.md, examples are in examples/cases. Exit code 2: something was malformed.
`;

/** Where the command reads and writes. */
export interface CommandIo {
  readonly input: () => string;
  readonly out: (text: string) => void;
  readonly error: (text: string) => void;
}

interface Options {
  readonly flight: string | undefined;
  readonly timeline: boolean;
  readonly until: string | undefined;
  readonly diff: string | undefined;
  readonly explain: boolean;
}

/** What is printed: a document, or its sentences. */
interface Answer {
  readonly document: unknown;
  readonly lines: readonly string[];
}

const refuse = (path: string, message: string): never => {
  throw new CaseRefused('the question cannot be answered', [{ path, message }]);
};

function chosenFlight({ flight, flights }: CaseQuestion, id: string | undefined) {
  if (id === undefined) return flight;
  return (
    flights.find((one) => one.id === id)
    ?? (flight?.id === id
      ? flight
      : refuse(
          '--flight',
          `the case has no flight '${id}': it has ${[...flights.map((one) => one.id), ...(flight === null ? [] : [flight.id])].join(', ') || 'none'}`,
        ))
  );
}

function decided(question: CaseQuestion, flightId: string | undefined) {
  const { facts, packs, wanted, asOf } = question;
  const flight = chosenFlight(question, flightId);
  const prepared = prepare(facts, packs, asOf);
  const decision = decidePrepared(prepared, flight, asOf, undefined, wanted);
  const ways = {
    flight: plansForFlight(prepared, decision, flight),
    wanted: plansForWanted(prepared, decision),
    release: plansToRelease(prepared, decision),
  };
  const hash = createHash('sha256')
    .update(canonicalInputs({ facts, packs, flight, wanted, asOf }))
    .digest('hex');
  return { prepared, decision, ways, hash, zone: facts.place.zone };
}

function untilOf({ asOf, facts }: CaseQuestion, given: string | undefined): Instant {
  const { zone } = facts.place;
  if (given === undefined) return endOfDay(addDays(civilDateAt(asOf, zone), DAYS), zone);
  const day = parseCivilDate(given);
  const until = day === undefined ? parseInstant(given) : endOfDay(day, zone);
  if (until === undefined || until <= asOf)
    return refuse('--until', `expected a day or a moment after the case's asOf, got '${given}'`);
  return until;
}

function answer(question: CaseQuestion, options: Options, other: CaseQuestion | null): Answer {
  if (other !== null) {
    const diff = diffDecisions(decided(other, undefined).decision, decided(question, undefined).decision);
    return { document: diffDocument(diff), lines: tellDiff(diff) };
  }
  const { prepared, decision, ways, hash, zone } = decided(question, options.flight);
  if (options.timeline) {
    const flights = question.flight === null ? question.flights : [question.flight, ...question.flights];
    const document = timelineDocument(
      timeline(prepared, flights, question.asOf, untilOf(question, options.until)),
      decision.registration,
      prepared.constraints.map(({ constraint }) => constraint),
      zone,
    );
    const flightLines = document.flights
      .filter(
        ({ exceedances, closedBy, notApproved }) => exceedances.length + closedBy.length > 0 || notApproved,
      )
      .map(
        ({ flight, exceedances, closedBy, notApproved }) =>
          `Flight ${flight}: ${[...(notApproved ? ['The aircraft is not approved or fitted for it.'] : []), ...closedBy.map(({ headline }) => headline), ...exceedances.map(({ words }) => words)].join(' ')}`,
      );
    return {
      document,
      lines: [
        `${decision.registration} is ${decision.verdict} at first.`,
        ...document.changes.map(({ words }) => words),
        ...flightLines,
      ],
    };
  }
  return {
    document: decisionDocument(decision, zone, ways, hash),
    lines: options.explain ? sentences(explain(decision, zone, ways)) : [],
  };
}

function read(file: string, { input }: CommandIo): Json {
  const name = file === '-' ? 'standard input' : file;
  let text: string;
  try {
    text = file === '-' ? input() : readFileSync(file, 'utf8');
  } catch (error) {
    throw new CaseRefused(`${name} cannot be read`, [
      { path: '', message: `cannot be read: ${error instanceof Error ? error.message : String(error)}` },
    ]);
  }
  return parseJson(text, name);
}

function complain(name: string, refusal: CaseRefused, { error }: CommandIo): void {
  for (const problem of refusal.problems) error(`${name}: ${problemText(problem)}\n`);
}

const folderOf = (file: string) => (file === '-' ? process.cwd() : dirname(resolve(file)));
const ask = (given: Json, folder: string): CaseQuestion => questionOf(readCase(given, folder));

function print({ document, lines }: Answer, options: Options, { out }: CommandIo): void {
  out(options.explain ? `${lines.join('\n')}\n` : `${JSON.stringify(document, null, 2)}\n`);
}

/**
 * The command: decides the case in a file and prints the answer.
 * @returns the exit code: 0 decided, 2 something was malformed
 */
export function decideCommand(args: readonly string[], io: CommandIo): number {
  let parsed;
  try {
    parsed = parseArgs({
      args: [...args],
      allowPositionals: true,
      options: {
        flight: { type: 'string' },
        timeline: { type: 'boolean' },
        until: { type: 'string' },
        diff: { type: 'string' },
        explain: { type: 'boolean' },
        help: { type: 'boolean', short: 'h' },
      },
    });
  } catch (error) {
    io.error(`${error instanceof Error ? error.message : String(error)}\n\n${USAGE}`);
    return 2;
  }
  const {
    values,
    positionals: [file, ...more],
  } = parsed;
  if (values.help === true) {
    io.out(USAGE);
    return 0;
  }
  const options: Options = {
    flight: values.flight,
    timeline: values.timeline ?? false,
    until: values.until,
    diff: values.diff,
    explain: values.explain ?? false,
  };
  if (
    file === undefined
    || more.length > 0
    || (options.until !== undefined && !options.timeline)
    || (options.diff !== undefined && options.timeline)
  ) {
    io.error(USAGE);
    return 2;
  }
  const name = file === '-' ? 'standard input' : file;
  try {
    const given = read(file, io);
    const other = options.diff === undefined ? null : ask(read(options.diff, io), folderOf(options.diff));
    if (!Array.isArray(given)) {
      print(answer(ask(given, folderOf(file)), options, other), options, io);
      return 0;
    }
    let code = 0;
    const answers = given.map((member: Json, at): Answer => {
      try {
        return answer(ask(member, folderOf(file)), options, other);
      } catch (error) {
        if (!(error instanceof CaseRefused)) throw error;
        code = 2;
        complain(`${name}[${at}]`, error, io);
        return {
          document: { error: { message: error.message, problems: error.problems } },
          lines: [error.message],
        };
      }
    });
    io.out(
      options.explain
        ? `${answers.map(({ lines }) => lines.join('\n')).join('\n\n')}\n`
        : `${JSON.stringify(
            answers.map(({ document }) => document),
            null,
            2,
          )}\n`,
    );
    return code;
  } catch (error) {
    if (!(error instanceof CaseRefused)) throw error;
    complain(name, error, io);
    return 2;
  }
}
