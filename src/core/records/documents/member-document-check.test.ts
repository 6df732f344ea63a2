import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decide } from '../../decision/decide';
import { isWithin, sameUses } from '../../envelope/use-set';
import { civilDate } from '../../time/civil-date';
import { addSeconds } from '../../time/instant';
import { cleanCase } from '../../../testing/clean-case';
import { DOCUMENT_KINDS, latestDocumentCheck, type AircraftDocument } from './document';
import { memberDocumentCheck } from './member-document-check';

const { facts, packs, asOf } = cleanCase();
const { registration, particulars } = facts.aircraft;
const expected = {
  registration,
  serialNumber: particulars.serialNumber,
  manualRevision: particulars.manualRevision,
};
const of = <K extends AircraftDocument['kind']>(kind: K) => {
  const found = latestDocumentCheck(facts.documents, kind);
  if (found === null) throw new Error(`the clean case has no ${kind}`);
  return found;
};
const later = addSeconds(asOf, -60);
const again = <T extends AircraftDocument>(document: T, change: Partial<T> = {}): T => ({
  ...document,
  id: 'again',
  happenedAt: later,
  recordedAt: later,
  ...change,
});
const registered = of('registration-certificate');
const weighed = of('weight-and-balance');
const manual = of('operating-limitations');

const certified = of('airworthiness-certificate');
const bare = { id: 'again', happenedAt: later, recordedAt: later, aboard: true, legible: true };
const licence: AircraftDocument = { ...bare, kind: 'radio-licence' };
const form = (change: { readonly tankFitted: boolean; readonly aboard?: boolean }): AircraftDocument => ({
  ...bare,
  kind: 'cabin-tank-form-337',
  ...change,
});

describe('field by field, what a member sees only makes worse', () => {
  it.each<[string, AircraftDocument, AircraftDocument, object, boolean]>([
    // Of three answers the worse one.
    [
      'yes, and yes',
      again(weighed, { legible: true }),
      again(weighed, { legible: true }),
      { legible: true },
      false,
    ],
    [
      'yes, and not said',
      again(weighed, { legible: true }),
      again(weighed, { legible: null }),
      { legible: null },
      false,
    ],
    [
      'not known, and yes',
      again(weighed, { legible: null }),
      again(weighed, { legible: true }),
      { legible: null },
      true,
    ],
    [
      'not known, and no',
      again(weighed, { legible: null }),
      again(weighed, { legible: false }),
      { legible: false },
      false,
    ],
    [
      'readable is not asked of what is missing',
      again(weighed, { legible: false }),
      again(weighed, { aboard: false, legible: null }),
      { aboard: false, legible: null },
      false,
    ],
    // Of two dates the earlier; unknown stays unknown.
    ['the same date', weighed, again(weighed), { datedOn: weighed.datedOn }, false],
    [
      'an earlier date',
      weighed,
      again(weighed, { datedOn: civilDate('1999-01-01') }),
      { datedOn: civilDate('1999-01-01') },
      false,
    ],
    [
      'a later date',
      weighed,
      again(weighed, { datedOn: civilDate('2099-01-01') }),
      { datedOn: weighed.datedOn },
      true,
    ],
    ['no date seen', weighed, again(weighed, { datedOn: null }), { datedOn: null }, false],
    // Another text that is not the right one.
    ['displayed no more', certified, again(certified, { displayed: false }), { displayed: false }, false],
    [
      'displayed again',
      again(certified, { displayed: false }),
      again(certified, { displayed: true }),
      { displayed: false },
      true,
    ],
    [
      'no registration seen',
      certified,
      again(certified, { registrationShown: null }),
      { registrationShown: null },
      false,
    ],
    [
      'a registration where none was known',
      again(certified, { registrationShown: null }),
      again(certified),
      { registrationShown: null },
      true,
    ],
    [
      'another wrong one in place of a wrong one',
      again(certified, { registrationShown: 'N0AAA' }),
      again(certified, { registrationShown: 'N0BBB' }),
      { registrationShown: 'N0BBB' },
      false,
    ],
    [
      'another aircraft’s manual',
      manual,
      again(manual, { serialShown: 'another' }),
      { serialShown: 'another' },
      false,
    ],
    ['placards gone', manual, again(manual, { placards: false }), { placards: false }, false],
    [
      'another form of the manual',
      manual,
      again(manual, { form: 'placards-and-markings' }),
      { form: null },
      true,
    ],
    // A certificate and a copy of the application are two documents.
    [
      'a certificate again',
      registered,
      again(registered),
      { temporary: false, issuedOn: registered.issuedOn },
      false,
    ],
    [
      'a copy of the application instead',
      registered,
      again(registered, { temporary: true }),
      { temporary: true, issuedOn: null, printedExpiry: null },
      true,
    ],
    [
      'a certificate instead of the copy',
      again(registered, { temporary: true }),
      again(registered),
      { temporary: true, issuedOn: null, printedExpiry: null },
      true,
    ],
    [
      'the copy again',
      again(registered, { temporary: true }),
      again(registered, { temporary: true }),
      { temporary: true, issuedOn: registered.issuedOn },
      false,
    ],
    // Nothing of its own to say.
    ['a radio licence', licence, licence, { kind: 'radio-licence', aboard: true }, false],
    [
      'no tank, as was known',
      form({ tankFitted: false }),
      form({ tankFitted: false }),
      { tankFitted: false },
      false,
    ],
    [
      'a tank where there was none',
      form({ tankFitted: false }),
      form({ tankFitted: true }),
      { tankFitted: true },
      false,
    ],
    ['no tank any more', form({ tankFitted: true }), form({ tankFitted: false }), { tankFitted: true }, true],
  ])('%s', (_, before, seen, counts, waits) => {
    const answer = memberDocumentCheck(before, seen, expected);
    expect(answer.counts).toMatchObject(counts);
    expect(answer.waits).toBe(waits);
  });
  it('of another kind than what was on record nothing is confirmed', () => {
    expect(memberDocumentCheck(certified, again(weighed), expected)).toEqual({ counts: null, waits: true });
    expect(memberDocumentCheck(null, form({ tankFitted: true, aboard: false }), expected)).toMatchObject({
      waits: false,
    });
  });
  it('where nobody knows which text is right, two that differ say nothing', () => {
    const unknown = { registration, serialNumber: null, manualRevision: null };
    const answer = memberDocumentCheck(manual, again(manual, { revision: 'another' }), unknown);
    expect(answer).toMatchObject({ counts: { revision: null }, waits: true });
  });
});

describe('what a member sees of a document', () => {
  it.each<[string, AircraftDocument | null, AircraftDocument, Partial<AircraftDocument> | null, boolean]>([
    [
      'confirms what is on record',
      registered,
      again(registered),
      { aboard: true, printedExpiry: registered.printedExpiry },
      false,
    ],
    [
      'closes at once where it is missing',
      weighed,
      again(weighed, { aboard: false, legible: null }),
      { aboard: false },
      false,
    ],
    [
      'does not make good what was missing',
      again(weighed, { aboard: false, legible: null }),
      again(weighed),
      { aboard: false },
      true,
    ],
    [
      'does not make good what could not be read',
      again(weighed, { legible: false }),
      again(weighed),
      { legible: false },
      true,
    ],
    [
      'brings in no later expiry',
      registered,
      again(registered, { printedExpiry: civilDate('2099-12-31') }),
      { printedExpiry: registered.printedExpiry },
      true,
    ],
    [
      'closes by an earlier expiry',
      registered,
      again(registered, { printedExpiry: civilDate('2020-01-31') }),
      { printedExpiry: civilDate('2020-01-31') },
      false,
    ],
    [
      'brings in no date where none was known',
      again(weighed, { datedOn: null }),
      again(weighed),
      { datedOn: null },
      true,
    ],
    [
      'closes where it is another aircraft’s',
      registered,
      again(registered, { registrationShown: 'N0XXX' }),
      { registrationShown: 'N0XXX' },
      false,
    ],
    [
      'does not put another aircraft’s right',
      again(registered, { registrationShown: 'N0XXX' }),
      again(registered),
      { registrationShown: 'N0XXX' },
      true,
    ],
    [
      'closes by another revision of the manual, and brings in none',
      manual,
      again(manual, { revision: 'another' }),
      { revision: 'another' },
      false,
    ],
    ['makes good nothing that nobody has looked at', null, again(registered), null, true],
    [
      'says that it is missing where nobody has looked',
      null,
      again(registered, { aboard: false }),
      { aboard: false },
      false,
    ],
    [
      'says nothing of whether there is a tank where nobody knew',
      { ...again(registered), kind: 'cabin-tank-form-337', tankFitted: null } as AircraftDocument,
      { ...again(registered), kind: 'cabin-tank-form-337', tankFitted: true } as AircraftDocument,
      { tankFitted: null },
      true,
    ],
    [
      'says of a tank where nobody has looked what waits',
      null,
      {
        ...again(registered),
        kind: 'cabin-tank-form-337',
        tankFitted: false,
        aboard: false,
        legible: null,
      } as AircraftDocument,
      null,
      true,
    ],
  ])('%s', (_, before, seen, counts, waits) => {
    const answer = memberDocumentCheck(before, seen, expected);
    if (counts === null) expect(answer.counts).toBeNull();
    else expect(answer.counts).toMatchObject(counts);
    expect(answer.waits).toBe(waits);
  });

  it('never opens a use, whatever was on record before and whatever they say', () => {
    const yesNo = fc.constantFrom(true, false, null);
    const date = fc.constantFrom(
      null,
      civilDate('2010-03-01'),
      civilDate('2022-06-09'),
      civilDate('2026-11-30'),
      civilDate('2033-05-31'),
    );
    const shown = fc.constantFrom(null, registration, 'N0XXX');
    const anything = fc.record({
      kind: fc.constantFrom(...DOCUMENT_KINDS),
      aboard: yesNo,
      legible: yesNo,
      displayed: yesNo,
      placards: yesNo,
      tankFitted: yesNo,
      registrationShown: shown,
      issuedOn: date,
      printedExpiry: date,
      datedOn: date,
      form: fc.constantFrom('flight-manual' as const, 'placards-and-markings' as const, null),
      revision: fc.constantFrom(null, particulars.manualRevision, 'another'),
      serialShown: fc.constantFrom(null, particulars.serialNumber, 'another'),
    });
    const made = (fields: Record<string, unknown>, id: string, minutes: number): AircraftDocument =>
      ({
        ...fields,
        id,
        happenedAt: addSeconds(asOf, -60 * minutes),
        recordedAt: addSeconds(asOf, -60 * minutes),
        ended: null,
      }) as unknown as AircraftDocument;
    const open = (documents: readonly AircraftDocument[]) =>
      decide({ ...facts, documents }, packs, null, asOf).open;
    let closed = 0;
    fc.assert(
      fc.property(anything, anything, fc.boolean(), (was, is, known) => {
        // What was known before: the clean case, or with one document check that says anything.
        const before = known
          ? facts.documents
          : [...facts.documents.filter(({ kind }) => kind !== was.kind), made(was, 'was', 90)];
        const seen = made(is, 'is', 1);
        const { counts } = memberDocumentCheck(latestDocumentCheck(before, seen.kind), seen, expected);
        const after = counts === null ? before : [...before, counts];
        if (!sameUses(open(before), open(after))) closed += 1;
        return isWithin(open(after), open(before));
      }),
      { numRuns: 1500 },
    );
    expect(closed).toBeGreaterThan(50);
  });
});
