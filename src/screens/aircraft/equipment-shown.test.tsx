import { screen, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { EquipmentItem } from '@/core/records/aircraft/equipment';
import type { Facts } from '@/queries/aircraft/facts';
import { show } from '@/testing/render';
import { EquipmentShown } from './equipment-shown';

const item = (change: Pick<EquipmentItem, 'kind'> & Partial<EquipmentItem>): EquipmentItem => ({
  fitted: true,
  typeCertification: null,
  equipmentList: null,
  kindsOfOperation: null,
  expiresOn: null,
  ...change,
});

it('an equipment list says what is on record line by line, and what nobody has said', () => {
  const items = [
    item({ kind: 'altimeter', typeCertification: true, equipmentList: 'always', kindsOfOperation: 'no' }),
    item({ kind: 'transponder', fitted: null }),
    item({ kind: 'clock', fitted: false }),
    item({ kind: 'fire-extinguisher', expiresOn: '2027-03-31' as never }),
  ];
  show(
    <EquipmentShown facts={{ equipment: { id: 'e', seen: '', approved: false, items } } as never as Facts} />,
  );
  const texts = (name: RegExp) =>
    within(screen.getByRole('row', { name }))
      .getAllByRole('cell')
      .map(({ textContent }) => textContent);
  expect([texts(/^Altimeter/), texts(/^Transponder/), texts(/^Clock/), texts(/^Fire extinguisher/)]).toEqual([
    ['fitted', 'yes', 'yes', 'no', ''],
    ['not known', ''],
    ['not fitted', ''],
    ['fitted', 'not known', 'not known', 'not known', '2027-03-31'],
  ]);
});
