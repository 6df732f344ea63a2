import type { z } from 'zod';

/** What is wrong with some input: where, and what was expected there. */
export interface Problem {
  /** Dotted path into the input, such as `documents.reg.issuedOn`; empty for the input as a whole. */
  readonly path: string;
  readonly message: string;
}

type Issue = z.ZodError['issues'][number];

/** Of a choice between forms, the problems of the form that the input comes nearest to: the one that got furthest into it. */
function deepest(issue: Issue): readonly Issue[] {
  if (issue.code !== 'invalid_union' || issue.errors.length === 0) return [issue];
  const forms = issue.errors.map((problems) =>
    problems.flatMap((one) =>
      deepest(one as Issue).map((inner) => ({ ...inner, path: [...issue.path, ...inner.path] })),
    ),
  );
  const depth = (problems: readonly Issue[]) => Math.max(...problems.map(({ path }) => path.length));
  const best = forms
    .filter((problems) => problems.length > 0)
    .sort((a, b) => depth(b) - depth(a) || a.length - b.length)[0];
  return best === undefined || depth(best) <= issue.path.length
    ? [
        {
          ...issue,
          message: `expected one of the forms that the format’s page lists here: ${[...new Set(forms.flat().map(({ message }) => message))].slice(0, 3).join('; or ')}`,
        },
      ]
    : best;
}

/** Every problem of a refused input, in the order of the schema, each named once. */
export function problemsOf(error: z.ZodError): readonly Problem[] {
  const seen = new Set<string>();
  return error.issues.flatMap(deepest).flatMap((issue) => {
    const keys = issue.code === 'unrecognized_keys' ? issue.keys : [undefined];
    return keys.flatMap((key) => {
      const path = [...issue.path, ...(key === undefined ? [] : [key])].join('.');
      const message =
        key === undefined
          ? issue.message
          : 'is no field of this format: remove it, or see the format’s page for the name that was meant';
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
