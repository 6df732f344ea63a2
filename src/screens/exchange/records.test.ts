import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { rejectedFile } from './summary';

describe('rejected rows', () => {
  it('come as a file with the reason first, which another library reads', () => {
    const text = rejectedFile(
      {
        rejections: [
          {
            line: 3,
            why: 'person: is empty; left_at: “x”, no moment',
            cells: { registration: 'N02TB', person: '', remarks: 'say "no"\nplease' },
          },
        ],
      },
      ['registration', 'person', 'remarks'],
    );
    expect(Papa.parse(text, { header: true, skipEmptyLines: true }).data).toEqual([
      {
        line: '3',
        why: 'person: is empty; left_at: “x”, no moment',
        registration: 'N02TB',
        person: '',
        remarks: 'say "no"\nplease',
      },
    ]);
  });
  it('none are a line of headers', () => {
    expect(rejectedFile({ rejections: [] }, ['a'])).toBe('line,why,a\r\n');
  });
});
