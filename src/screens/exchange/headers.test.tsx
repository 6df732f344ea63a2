import { beforeEach, describe, expect, it } from 'vitest';
import { headersOf, rememberedMapping, rememberMapping } from './headers';

const file = (text: string, name = 'list.csv') => new File([text], name);

// Source: RFC 4180, sections 2.5 to 2.7: fields may be quoted, and then hold separators, line ends and doubled quotes.
describe('the headers of a file', () => {
  it.each([
    ['commas', 'a,b,c\r\n1,2,3', ['a', 'b', 'c']],
    ['semicolons', 'Registration;Left at;Back at\n', ['Registration', 'Left at', 'Back at']],
    ['tabs', 'a\tb\r1\t2', ['a', 'b']],
    ['a separator within quotes', '"Left, local time",Pilot\n', ['Left, local time', 'Pilot']],
    ['a line end within quotes', '"Left\nat";Pilot\n', ['Left\nat', 'Pilot']],
    ['a doubled quote', '"the ""Tach""",Pilot\n', ['the "Tach"', 'Pilot']],
    ['a byte order mark and spaces', '\uFEFF a , b \n', ['a', 'b']],
    ['commas in quotes among semicolons', '"a,b,c,d";e\n', ['a,b,c,d', 'e']],
    ['nothing', '', []],
  ])('%s', async (_, text, headers) => {
    expect(await headersOf(file(text))).toEqual(headers);
  });
  it('of JSON are the names of its first object', async () => {
    expect(await headersOf(file('[{"a": 1, "b": 2}]', 'list.JSON'))).toEqual(['a', 'b']);
    expect(await headersOf(file('[1, 2]', 'list.json'))).toEqual([]);
    expect(await headersOf(file('[{"a": }]', 'list.json'))).toEqual([]);
  });
});

describe('which header is which column', () => {
  const headers = ['Registration', 'Pilot'];
  const key = `groval-mapping/flights/${headers.join('|')}`;
  beforeEach(() => {
    localStorage.clear();
  });
  it('is remembered', () => {
    rememberMapping('flights', headers, { person: 'Pilot' });
    expect(rememberedMapping('flights', headers)).toMatchObject({ person: 'Pilot' });
  });
  it.each(['not JSON', 'null', '[]', '{"person":"A header of another file"}', '{"person":7}'])(
    'what is not sound is not taken over: %s',
    (kept) => {
      const guessed = rememberedMapping('flights', headers);
      localStorage.setItem(key, kept);
      expect(rememberedMapping('flights', headers)).toEqual(guessed);
    },
  );
});
