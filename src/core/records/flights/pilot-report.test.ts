import { describe, expect, it } from 'vitest';
import { reportOf, reportText, type PilotReport } from './pilot-report';

describe('what a pilot reported, in lists', () => {
  it.each<[text: string, report: PilotReport]>([
    ['Nothing to report', { kind: 'nothing-to-report' }],
    ['not said', { kind: 'not-said' }],
    ['Bumpy below 2000 ft', { kind: 'words', words: 'Bumpy below 2000 ft' }],
    [
      'Nothing to report but a soft left brake',
      { kind: 'words', words: 'Nothing to report but a soft left brake' },
    ],
  ])('%s', (text, report) => {
    expect(reportText(report)).toBe(text);
    expect(reportOf(text)).toEqual(report);
  });
  it.each([null, '', '   '])('%j says nothing, which is never taken for nothing to report', (text) => {
    expect(reportOf(text)).toEqual({ kind: 'not-said' });
  });
});
