import type { z } from 'zod';

/** What is wrong with some input: where, and what was expected there. */
export interface Problem {
  /** Dotted path into the input, such as `documents.reg.issuedOn`; empty for the input as a whole. */
  readonly path: string;
  readonly message: string;
}

/** Every problem of a refused input, in the order of the schema, each named once. */
export function problemsOf(error: z.ZodError): readonly Problem[] {
  const seen = new Set<string>();
  return error.issues.flatMap((issue) => {
    const keys = issue.code === 'unrecognized_keys' ? issue.keys : [undefined];
    return keys.flatMap((key) => {
      const path = [...issue.path, ...(key === undefined ? [] : [key])].join('.');
      const message = key === undefined ? issue.message : 'is no field of this format: remove it, or see the format’s page for the name that was meant';
      if (seen.has(path + message)) return [];
      seen.add(path + message);
      return [{ path, message }];
    });
  });
}

/** One line for people. */
export function problemText({ path, message }: Problem): string {
  return path === '' ? message : `${path}: ${message}`;
}
