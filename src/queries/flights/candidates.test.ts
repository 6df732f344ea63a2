import { describe, expect, it } from 'vitest';
import { canTakeIt, type Candidate } from './candidates';

const candidate = (registration: string, answer: Candidate['answer'], taken = false): Candidate => ({
  aircraftId: `id of ${registration}`,
  registration,
  answer,
  taken,
});

describe('aircraft that can take a flight', () => {
  it('are those that can go as it is and are free then, in the order of the fleet, but the one that was asked about', () => {
    const fleet = [
      candidate('N01TB', 'yes'),
      candidate('N02TB', 'yes'),
      candidate('N03TB', 'yes-after'),
      candidate('N04TB', 'yes', true),
      candidate('N05TB', 'no'),
    ];
    expect(canTakeIt(fleet, 'id of N01TB').map(({ registration }) => registration)).toEqual(['N02TB']);
  });
  it('are four at most', () => {
    const fleet = Array.from({ length: 9 }, (_, at) => candidate(`N0${at}TB`, 'yes'));
    expect(canTakeIt(fleet, 'none')).toHaveLength(4);
  });
});
