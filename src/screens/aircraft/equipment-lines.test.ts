import { describe, expect, it } from 'vitest';
import { TYPE_TEMPLATES, isByType } from '@/core/records/aircraft/type-templates';
import { EQUIPMENT_KINDS } from '@/core/records/aircraft/equipment';
import type { EquipmentTemplate } from '@/queries/aircraft/facts';
import { begunFrom, differences, restNotAsked, withLine, type Lines } from './equipment-lines';

const template: EquipmentTemplate = {
  name: 'Quorin 160',
  about: 'trainer',
  lines: [
    { kind: 'altimeter', fitted: true, typeCertification: true },
    { kind: 'transponder', fitted: true, typeCertification: false },
    { kind: 'flotation', fitted: false, typeCertification: null },
    { kind: 'clock', fitted: null, typeCertification: null },
  ],
};

describe('a line of the equipment list', () => {
  it('that is not fitted says nothing more, and one of which nothing is said is not there', () => {
    const fitted = withLine({}, 'clock', { fitted: true, equipmentList: 'always' });
    expect(fitted).toEqual({ clock: { fitted: true, equipmentList: 'always' } });
    expect(withLine(fitted, 'clock', { fitted: false })).toEqual({ clock: { fitted: false } });
    expect(withLine(fitted, 'clock', { fitted: undefined })).toEqual({});
    expect(withLine(fitted, 'clock', { typeCertification: true })).toEqual({
      clock: { fitted: true, equipmentList: 'always', typeCertification: true },
    });
  });
});

describe('a list that is begun from a template', () => {
  it('takes what is fitted and what belongs to the type, and never what documents ask for', () => {
    expect(begunFrom({}, template)).toEqual({
      altimeter: { fitted: true, typeCertification: true },
      transponder: { fitted: true, typeCertification: false },
      flotation: { fitted: false },
    });
  });
  it('leaves what somebody said as it is', () => {
    const said: Lines = {
      transponder: { fitted: false },
      altimeter: { fitted: true, equipmentList: 'always' },
    };
    expect(begunFrom(said, template)).toEqual({ ...said, flotation: { fitted: false } });
  });
  it.each<[about: string, lines: Lines, different: readonly string[]]>([
    ['as it was begun', begunFrom({}, template), []],
    ['nothing said', {}, ['altimeter', 'transponder']],
    ['not fitted here', { ...begunFrom({}, template), transponder: { fitted: false } }, ['transponder']],
    ['fitted here alone', { ...begunFrom({}, template), clock: { fitted: true } }, ['clock']],
    ['fitted here, not there', { ...begunFrom({}, template), flotation: { fitted: true } }, ['flotation']],
    [
      'of the type here alone',
      { ...begunFrom({}, template), transponder: { fitted: true, typeCertification: true } },
      ['transponder'],
    ],
    ['not known whether of the type', { ...begunFrom({}, template), transponder: { fitted: true } }, []],
    [
      'not fitted, and the template says nothing of it',
      { ...begunFrom({}, template), elt: { fitted: false } },
      [],
    ],
  ])('%s', (_, lines, different) => {
    expect(differences(lines, template)).toEqual(different);
  });
});

describe('the rest of a column', () => {
  it('is no only for what is fitted and not said', () => {
    const lines: Lines = {
      clock: { fitted: true },
      altimeter: { fitted: true, equipmentList: 'always' },
      elt: { fitted: false },
    };
    expect(restNotAsked(lines, 'equipmentList')).toEqual({
      clock: { fitted: true, equipmentList: 'no' },
      altimeter: { fitted: true, equipmentList: 'always' },
      elt: { fitted: false },
    });
  });
});

describe('the types that ship', () => {
  it.each(TYPE_TEMPLATES.map((one) => [one.type, one] as const))('%s names each thing once', (_, one) => {
    const named = [...one.fitted, ...one.notFitted];
    expect(new Set(named).size).toBe(named.length);
    expect(named.every((kind) => EQUIPMENT_KINDS.includes(kind))).toBe(true);
  });
  it('what every type is certificated with by day is not an addition', () => {
    expect([isByType('airspeed-indicator'), isByType('transponder')]).toEqual([true, false]);
  });
});
