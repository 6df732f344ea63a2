// npm run --silent decide -- FILE.json | -
// Decides the case in a file and prints the decision as JSON. A list of cases gets a list of answers.
import { readFileSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { questionOf } from '../src/contracts/case-facts';
import type { Json } from '../src/contracts/merge-patch';
import { problemText } from '../src/contracts/problem';
import { decide } from '../src/core/decision/decide';
import { decisionDocument } from '../src/explain/decision-document';
import { CaseRefused, parseJson, readCase } from './cases/read-case';

const USAGE = `usage: npm run --silent decide -- FILE.json
       npm run --silent decide -- -          reads standard input

Prints the decision on the case in FILE.json as JSON. The format is described in docs/formats.md,
examples are in examples/cases. A file may hold a list of cases. Exit code 2: something was malformed.`;

function answer(given: Json, folder: string) {
  const { facts, packs, flight, asOf } = questionOf(readCase(given, folder));
  return decisionDocument(decide(facts, packs, flight, asOf), facts.place.zone);
}

function complain(name: string, refusal: CaseRefused): void {
  for (const problem of refusal.problems) process.stderr.write(`${name}: ${problemText(problem)}\n`);
}

function main(args: readonly string[]): number {
  const [file, ...more] = args;
  if (file === '--help' || file === '-h') { process.stdout.write(`${USAGE}\n`); return 0; }
  if (file === undefined || more.length > 0 || (file.startsWith('-') && file !== '-')) {
    process.stderr.write(`${USAGE}\n`);
    return 2;
  }
  const name = file === '-' ? 'standard input' : file;
  const folder = file === '-' ? process.cwd() : dirname(resolve(file));
  let text: string;
  try {
    text = readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    process.stderr.write(`${name}: cannot be read: ${error instanceof Error ? error.message : String(error)}\n`);
    return 2;
  }
  try {
    const given = parseJson(text, name);
    if (!Array.isArray(given)) {
      const decision = answer(given, folder);
      process.stdout.write(`${JSON.stringify(decision, null, 2)}\n`);
      return 0;
    }
    let code = 0;
    const answers = given.map((member: Json, at) => {
      try {
        return answer(member, folder);
      } catch (error) {
        if (!(error instanceof CaseRefused)) throw error;
        code = 2;
        complain(`${name}[${at}]`, error);
        return { error: { message: error.message, problems: error.problems } };
      }
    });
    process.stdout.write(`${JSON.stringify(answers, null, 2)}\n`);
    return code;
  } catch (error) {
    if (!(error instanceof CaseRefused)) throw error;
    complain(name, error);
    return 2;
  }
}

process.exitCode = main(process.argv.slice(2));
