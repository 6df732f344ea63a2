import type { FindingInput } from '@/contracts/findings/report-finding';

/** How bad a finding looks to the person who found it: it can make it stricter, never softer. */
export const LOOKS: readonly {
  readonly value: FindingInput['looks'];
  readonly name: string;
  readonly detail: string;
}[] = [
  {
    value: 'would-not-fly',
    name: 'I would not fly it',
    detail: 'It stays on the ground until a mechanic has looked',
  },
  { value: 'not-right', name: 'It is not right', detail: 'Somebody has to decide about it' },
  {
    value: 'looks-small',
    name: 'It looks small to me',
    detail: 'It is judged by what it is, not by how it looks',
  },
  { value: 'cannot-tell', name: 'I cannot tell', detail: 'An instructor has to look' },
];
