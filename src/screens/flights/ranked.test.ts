import { describe, expect, it } from 'vitest';
import type { Candidate } from '@/queries/flights/candidates';
import { othersFor, ranked } from './ranked';

const aircraft = (registration: string) => ({
  aircraftId: registration,
  registration,
  typeName: 'Quorin 160',
  verdict: 'Released' as const,
  purposes: [],
});
const candidate = (registration: string, answer: Candidate['answer'], taken = false): Candidate => ({
  aircraftId: registration,
  registration,
  answer,
  taken,
});
const plan = { aircraft: ['N01TB', 'N02TB', 'N03TB', 'N04TB'].map(aircraft) };
const fleet = [candidate('N03TB', 'yes'), candidate('N02TB', 'yes', true), candidate('N01TB', 'no')];

describe('the fleet to choose from', () => {
  it('stands as the plan has it while the flight is not complete', () => {
    expect(ranked(plan, undefined).map(({ registration, words }) => `${registration} ${words}`)).toEqual([
      'N01TB Released',
      'N02TB Released',
      'N03TB Released',
      'N04TB Released',
    ]);
  });
  it('is in the order of who can take it, and leaves none out that was not judged', () => {
    expect(ranked(plan, { fleet }).map(({ registration, words }) => `${registration} ${words}`)).toEqual([
      'N03TB can go',
      'N02TB can go, planned then already',
      'N01TB cannot go',
      'N04TB Released',
    ]);
  });
});

describe('what could take it instead', () => {
  const answer = (change: Partial<{ answer: 'yes' | 'yes-after' | 'no'; clashes: readonly string[] }>) => ({
    answer: 'no' as const,
    clashes: [],
    fleet,
    ...change,
  });
  it.each([
    ['cannot go', answer({}), ['N03TB']],
    ['can go after a step', answer({ answer: 'yes-after' }), ['N03TB']],
    ['can go and is planned then', answer({ answer: 'yes', clashes: ['R. Dane'] }), ['N03TB']],
    ['can go', answer({ answer: 'yes' }), []],
  ])('where the chosen one %s', (_, given, registrations) => {
    expect(othersFor('N01TB', given).map(({ registration }) => registration)).toEqual(registrations);
  });
  it('is never the chosen one, and nothing while there is no answer', () => {
    expect(othersFor('N03TB', answer({}))).toEqual([]);
    expect(othersFor('N01TB', undefined)).toEqual([]);
  });
});
