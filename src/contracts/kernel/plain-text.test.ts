import { describe, expect, it } from 'vitest';
import { isText, unkeepable } from './plain-text';
import { certificateNumberSchema, idSchema, revisionSchema } from './scalars';

describe('a text that can be kept', () => {
  it.each([
    ['plain', 'Checked', true],
    ['beyond the first plane', '🛩', true],
    ['NUL', 'a\u0000', false],
    ['a high half alone', 'a\uD800b', false],
    ['a low half alone', '\uDC00', false],
    ['halves in the wrong order', '\uDC00\uD800', false],
  ])('%s', (_, text, is) => {
    expect(isText(text)).toBe(is);
  });
  it.each([
    ['all is well', { a: ['x', { b: 1 }], c: null }, null],
    ['deep inside', { a: [{ b: 'x\u0000' }] }, 'a.0.b'],
    ['a name', { 'x\u0000': 1 }, '…'],
    ['too deep', JSON.parse(`${'['.repeat(60)}${']'.repeat(60)}`) as unknown, '0.0.0'],
  ])('%s', (_, value, path) => {
    expect(unkeepable(value)).toBe(path);
  });
});

describe('scalars at the boundary', () => {
  it('an id has one form', () => {
    expect(idSchema().parse('3D76D536-8374-45ED-8B8F-4C75B0751FF7')).toBe(
      '3d76d536-8374-45ed-8b8f-4c75b0751ff7',
    );
    expect(idSchema().safeParse('3d76d536').success).toBe(false);
  });
  it.each([
    [0, false],
    [1, true],
    [2_147_483_647, true],
    [2_147_483_648, false],
    [1.5, false],
  ])('revision %d: %s', (revision, is) => {
    expect(revisionSchema.safeParse(revision).success).toBe(is);
  });
  it.each([
    ['IA-0417', true],
    ['AP-1', true],
    ['0042', true],
    ['1234567', true],
    ['UK.145/00012', true],
    ['L 77', true],
    ['7', true],
    ['', false],
    ['   ', false],
    ['none', false],
    ['x', false],
    ['0000', false],
    ['1111111', false],
    ['-12', false],
    ['12-', false],
    ['12;34', false],
    ['1'.repeat(41), false],
  ])('certificate number %j: %s', (number, is) => {
    expect(certificateNumberSchema.safeParse(number).success).toBe(is);
  });
});
