// Reads case files: JSON, `extends`, checks. Every refusal names the place and what was expected there.
import { readFileSync } from 'node:fs';
import { dirname, isAbsolute, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { caseSchema, type CaseFile } from '../../src/contracts/exchange/case-file';
import { silentLosses } from './exact-json';
import { mergePatch, type Json } from '../../src/contracts/kernel/merge-patch';
import { problemsOf, type Problem } from '../../src/contracts/kernel/problem';

const SHIPPED = resolve(dirname(fileURLToPath(import.meta.url)), '../../examples/cases');
const DEEPEST = 10;

/** A case that cannot be decided, with everything that is wrong with it. */
export class CaseRefused extends Error {
  constructor(
    message: string,
    readonly problems: readonly Problem[],
  ) {
    super(message);
  }
}

const refuse = (path: string, message: string): never => {
  throw new CaseRefused('the case cannot be read', [{ path, message }]);
};

/** Parses JSON text; a syntax error says where it is. */
export function parseJson(text: string, name: string): Json {
  try {
    const given = JSON.parse(text, (key, value: unknown) => {
      // JavaScript gives this name a meaning of its own, and a record under it could be passed over in silence.
      if (key === '__proto__')
        throw new CaseRefused(`${name} uses a reserved name`, [
          { path: '__proto__', message: 'is a reserved name: give the record another id' },
        ]);
      return value;
    }) as Json;
    const losses = silentLosses(text);
    if (losses.length > 0) throw new CaseRefused(`${name} says something that would be lost`, losses);
    return given;
  } catch (error) {
    if (error instanceof CaseRefused) throw error;
    throw new CaseRefused(`${name} is not JSON`, [
      { path: '', message: `expected JSON: ${error instanceof Error ? error.message : String(error)}` },
    ]);
  }
}

/** A shipped clean case goes by its bare name; anything with a slash or `.json` is a path, from the folder of the case that names it. */
function locate(name: string, folder: string): string {
  if (!name.includes('/') && !name.endsWith('.json')) return join(SHIPPED, `${name}.json`);
  return isAbsolute(name) ? name : join(folder, name);
}

/** The case with its `extends` followed and merged (JSON Merge Patch, RFC 7396). */
function resolveExtends(given: Json, folder: string, trail: readonly string[]): Json {
  if (typeof given !== 'object' || given === null || Array.isArray(given))
    return refuse('', 'expected a JSON object, a case');
  const { extends: base, ...rest } = given as { readonly [key: string]: Json };
  if (base === undefined || base === null) return mergePatch({}, rest);
  if (typeof base !== 'string')
    return refuse(
      'extends',
      'expected the name of a shipped case such as clean-trainer, or a path to a case file',
    );
  const path = locate(base, folder);
  if (trail.includes(path)) return refuse('extends', `'${base}' leads back to itself`);
  if (trail.length >= DEEPEST) return refuse('extends', `expected at most ${DEEPEST} cases in a row`);
  let text: string;
  try {
    text = readFileSync(path, 'utf8');
  } catch {
    return refuse(
      'extends',
      `'${base}' cannot be read: expected the name of a shipped case such as clean-trainer, or a path to a case file`,
    );
  }
  return mergePatch(resolveExtends(parseJson(text, base), dirname(path), [...trail, path]), rest);
}

/** One case with its `extends` followed, not yet checked. `folder` is where relative `extends` start. Throws CaseRefused. */
export function resolved(given: Json, folder: string): Json {
  return resolveExtends(given, folder, []);
}

/** Resolves and checks one case. `folder` is where relative `extends` start. Throws CaseRefused. */
export function readCase(given: Json, folder: string): CaseFile {
  const checked = caseSchema.safeParse(resolveExtends(given, folder, []));
  if (!checked.success) throw new CaseRefused('the case is malformed', problemsOf(checked.error));
  return checked.data;
}
