import { describe, expect, it } from 'vitest';
import { cleanCase } from '../../../testing/clean-case';
import { hours } from '../../quantities/hours';
import { civilDate } from '../../time/civil-date';
import { instant } from '../../time/instant';
import { zone } from '../../time/zone';
import type { Signature } from '../club/certificate';
import type { AirworthinessDirective } from './ad';
import type { MaintenanceItem } from './maintenance-item';
import { entryFaults, entryOf, withEntry, workOf, type EntryDraft } from './new-entry';

const AT = zone('America/Halifax');
const DAY = civilDate('2026-11-23');
const WRITTEN = instant('2026-11-24T12:00:00Z');
const signature: Signature = {
  name: 'Tomas Brandl',
  certificate: {
    kind: 'mechanic-airframe-powerplant',
    number: 'A-11',
    validFrom: civilDate('2020-01-01'),
    validUntil: 'no-expiry',
  },
};
const readings = [{ meter: 'time-in-service' as const, value: hours('4150') }];
const inspection: EntryDraft = {
  of: 'inspection',
  kind: 'hundred-hour',
  completedOn: DAY,
  timeInService: hours('4150'),
  outcome: 'approved',
  excess: null,
  testedToFeet: null,
};
const item: EntryDraft = { of: 'item', item: 'oil', completedOn: DAY, readings, excessOnFreeUses: true };
const ad: EntryDraft = { of: 'ad', ad: 'ad-1', method: 'look', completedOn: DAY, readings };

const { facts: clean } = cleanCase();
const items = ['oil', 'hose'].map((id) => ({
  id,
  signedAs: id === 'oil' ? 'service' : 'return-to-service',
  done: [],
})) as unknown as readonly MaintenanceItem[];
const ads = ['ad-1', 'ad-2'].map((id) => ({
  id,
  methods: [{ id: 'look' }, { id: 'replace', pilotMaySign: false }, { id: 'feel', pilotMaySign: true }],
  done: [],
})) as unknown as readonly AirworthinessDirective[];
const facts = { ...clean, items, ads };

describe('a new entry', () => {
  it('is what the draft says, with its signature', () => {
    const common = { id: 'new', recordedAt: WRITTEN, completedOn: DAY, signedBy: signature };
    expect(entryOf(inspection, 'new', signature, WRITTEN)).toMatchObject({
      of: 'inspection',
      record: {
        ...common,
        kind: 'hundred-hour',
        outcome: 'approved',
        listCleared: null,
        timeInService: hours('4150'),
      },
    });
    expect(entryOf(item, 'new', signature, WRITTEN)).toEqual({
      of: 'item',
      item: 'oil',
      record: { ...common, readings, excessOnFreeUses: true },
    });
    expect(entryOf(ad, 'new', null, WRITTEN)).toEqual({
      of: 'ad',
      ad: 'ad-1',
      record: { ...common, readings, excessOnFreeUses: false, method: 'look', signedBy: null },
    });
  });
  it.each<[string, EntryDraft, string | null]>([
    ['an inspection as what it is', inspection, 'hundred-hour-inspection'],
    ['an item as it says', item, 'service'],
    ['another item as it says', { ...item, item: 'hose' }, 'return-to-service'],
    ['an item that is not there', { ...item, item: 'none' }, null],
    ['an AD as a return to service', ad, 'return-to-service'],
    ['by another method of it', { ...ad, method: 'replace' }, 'return-to-service'],
    ['by one that the AD lets a pilot do', { ...ad, method: 'feel' }, 'service'],
    ['by a method that it does not have', { ...ad, method: 'none' }, null],
    ['an AD that is not there', { ...ad, ad: 'none' }, null],
  ])('is signed: %s', (_, draft, work) => {
    expect(workOf(facts, draft)).toBe(work);
  });
  it('is signed as nothing where nobody said which items and ADs there are', () => {
    const unknown = { items: null, ads: null };
    expect([workOf(unknown, item), workOf(unknown, ad), workOf(unknown, inspection)]).toEqual([
      null,
      null,
      'hundred-hour-inspection',
    ]);
  });
});

describe('why it would not count', () => {
  const faults = (draft: EntryDraft, by: Signature | null = signature) =>
    entryFaults(entryOf(draft, 'new', by, WRITTEN), 'return-to-service', AT, 'us');
  it.each<[string, readonly string[], readonly string[]]>([
    ['an inspection in order', faults(inspection), []],
    [
      'a list of discrepancies is complete as it is',
      faults({ ...inspection, outcome: 'discrepancies-listed' }),
      [],
    ],
    ['an inspection that nobody signed', faults(inspection, null), ['name-missing', 'certificate-missing']],
    [
      'a list that nobody signed',
      faults({ ...inspection, outcome: 'discrepancies-listed' }, null),
      ['name-missing', 'certificate-missing'],
    ],
    ['an item in order', faults(item), []],
    ['an item that nobody signed', faults(item, null), ['name-missing', 'certificate-missing']],
    [
      'an AD done after it was written down',
      faults({ ...ad, completedOn: civilDate('2026-11-25') }),
      ['completed-after-recorded'],
    ],
  ])('%s', (_, told, expected) => {
    expect(told).toEqual(expected);
  });
});

describe('the facts with it', () => {
  it('have it last where it belongs, and nowhere else', () => {
    const with_ = (draft: EntryDraft) => withEntry(facts, entryOf(draft, 'new', signature, WRITTEN));
    expect(with_(inspection).inspections.map(({ id }) => id)).toEqual([
      ...clean.inspections.map(({ id }) => id),
      'new',
    ]);
    const done = (list: readonly { readonly done: readonly { readonly id: string }[] }[] | null) =>
      list?.map((one) => one.done.map(({ id }) => id));
    expect(done(with_(item).items)).toEqual([['new'], []]);
    expect(done(with_({ ...item, item: 'hose' }).items)).toEqual([[], ['new']]);
    expect(done(with_(ad).ads)).toEqual([['new'], []]);
    const twice = withEntry(with_(item), entryOf(item, 'newer', signature, WRITTEN));
    expect(done(twice.items)).toEqual([['new', 'newer'], []]);
    expect(done(withEntry(with_(ad), entryOf(ad, 'newer', signature, WRITTEN)).ads)).toEqual([
      ['new', 'newer'],
      [],
    ]);
  });
  it('stay not known where nobody said which there are', () => {
    const unknown = { ...facts, items: null, ads: null };
    expect(withEntry(unknown, entryOf(item, 'new', null, WRITTEN)).items).toBeNull();
    expect(withEntry(unknown, entryOf(ad, 'new', null, WRITTEN)).ads).toBeNull();
  });
});
