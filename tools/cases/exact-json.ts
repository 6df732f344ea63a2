import type { Problem } from '../../src/contracts/kernel/problem';

const TOKENS = /"(?:[^"\\]|\\.)*"|[{}[\],:]|-?\d[\d.eE+-]*|true|false|null/g;

/** A number's text as digits and power of ten, so that texts of the same number are alike: `4150.30` and `4150.3`, `1e2` and `100`. */
function digitsOf(text: string): string {
  const [, sign = '', whole = '', fraction = '', exponent = '0'] =
    /^(-?)(\d+)(?:\.(\d+))?(?:[eE]([+-]?\d+))?$/.exec(text) ?? [];
  const digits = `${whole}${fraction}`.replace(/^0+/, '');
  const trimmed = digits.replace(/0+$/, '');
  return trimmed === ''
    ? '0'
    : `${sign}${trimmed}e${Number(exponent) - fraction.length + digits.length - trimmed.length}`;
}

interface Open {
  readonly keys: Set<string> | null;
  readonly path: string;
  key: string;
  index: number;
  expectsKey: boolean;
}

/**
 * What a JSON reader passes over in silence though it changes the meaning: a name that stands twice in one object (only the last
 * would count), and a number with more digits than can be kept. @param text JSON that has been read without error
 */
export function silentLosses(text: string): readonly Problem[] {
  const problems: Problem[] = [];
  const stack: Open[] = [];
  const here = (open: Open | undefined) =>
    open === undefined
      ? ''
      : [open.path, open.keys === null ? String(open.index) : open.key]
          .filter((part) => part !== '')
          .join('.');
  for (const [token] of text.matchAll(TOKENS)) {
    const open = stack.at(-1);
    if (token === '{' || token === '[')
      stack.push({
        keys: token === '{' ? new Set() : null,
        path: here(open),
        key: '',
        index: 0,
        expectsKey: token === '{',
      });
    else if (token === '}' || token === ']') stack.pop();
    else if (token === ',' && open !== undefined) {
      open.index += 1;
      open.expectsKey = open.keys !== null;
    } else if (open?.expectsKey === true && open.keys !== null) {
      open.key = JSON.parse(token) as string;
      open.expectsKey = false;
      if (open.keys.has(open.key))
        problems.push({ path: here(open), message: 'stands twice: only one could count, so keep one' });
      open.keys.add(open.key);
    } else if (/^[-\d]/.test(token) && digitsOf(token) !== digitsOf(String(Number(token)))) {
      problems.push({
        path: here(open),
        message: `expected fewer digits: ${token.slice(0, 40)} cannot be kept exactly`,
      });
    }
  }
  return problems;
}
