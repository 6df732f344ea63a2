import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Facts } from '@/queries/aircraft/facts';
import { show } from '@/testing/render';
import { EquipmentForm } from './equipment-form';

const RECORD = '00000000-0000-4000-8000-000000000002';
const facts = (change: Partial<Facts> = {}) =>
  ({
    aircraftId: '00000000-0000-4000-8000-000000000001',
    today: '2026-11-24',
    authority: 'us',
    equipment: null,
    templates: [
      {
        name: 'Quorin 160',
        about: 'trainer',
        lines: [
          { kind: 'altimeter', fitted: true, typeCertification: true },
          { kind: 'transponder', fitted: true, typeCertification: false },
        ],
      },
    ],
    ...change,
  }) as Facts;
const saved = { '/api/facts': () => ({ status: 200, body: { id: 'x', revision: 2 } }) };
const choose = async (person: ReturnType<typeof show>['person'], label: string, option: string) => {
  await person.click(screen.getByLabelText(label));
  await person.click(await screen.findByRole('option', { name: option }));
};
const value = (name: string) => (screen.getByLabelText(name) as HTMLSelectElement).value;

describe('an equipment list', () => {
  it('that begins from a template needs the day on which it was compared with the aircraft', async () => {
    const { person, sent } = show(<EquipmentForm facts={facts()} />, saved);
    await choose(person, 'Begin from', 'Quorin 160, trainer');
    expect([value('altimeter'), value('transponder'), value('clock with seconds')]).toEqual([
      'yes',
      'yes',
      '',
    ]);
    await person.click(screen.getByRole('button', { name: 'Save this list' }));
    expect(await screen.findByText('Say on which day it was compared with the aircraft.')).toBeTruthy();
    expect(sent).toEqual([]);
  });
  it('that is on record is compared with a template, and nothing is written into it', async () => {
    const line = { fitted: true, equipmentList: 'no', kindsOfOperation: 'no', expiresOn: null } as const;
    const { person, sent } = show(
      <EquipmentForm
        facts={facts({
          equipment: {
            id: RECORD,
            seen: 'as of then',
            approved: false,
            items: [
              { ...line, kind: 'altimeter', typeCertification: true },
              { ...line, kind: 'clock', typeCertification: false },
            ],
          },
        })}
      />,
      saved,
    );
    await choose(person, 'Compare with', 'Quorin 160, trainer');
    expect(value('transponder')).toBe('');
    expect(screen.getByRole('status').textContent).toBe(
      '2 lines differ from Quorin 160: clock with seconds and transponder.',
    );
    await person.click(screen.getByRole('button', { name: 'Save this list' }));
    await waitFor(() => {
      expect(sent).toHaveLength(1);
    });
    expect(sent[0]?.body).toMatchObject({
      fact: {
        kind: 'equipment',
        instead: RECORD,
        on: '2026-11-24',
        list: { items: { altimeter: { fitted: true }, clock: { fitted: true } } },
      },
    });
    expect(JSON.stringify(sent[0]?.body)).not.toContain('transponder');
    // Asked for, it is taken over.
    await person.click(screen.getByRole('button', { name: 'Take over the 1 that are not said' }));
    expect(value('transponder')).toBe('yes');
  });
  it('is filled by keyboard: a letter chooses, Enter goes a line down, and no letter sends the form', async () => {
    const { person, sent } = show(<EquipmentForm facts={facts()} />, saved);
    screen.getByLabelText('airspeed indicator').focus();
    await person.keyboard('{Enter}');
    expect(document.activeElement?.getAttribute('aria-label')).toBe('altimeter');
    await person.selectOptions(screen.getByLabelText('altimeter'), 'fitted');
    const line = screen.getByRole('row', { name: /^Altimeter/ });
    expect(within(line).getByLabelText('altimeter: by the type')).toBeTruthy();
    await person.keyboard('{Enter}');
    expect(document.activeElement?.getAttribute('aria-label')).toBe('magnetic compass');
    expect(sent).toEqual([]);
  });
  it('says no for the rest of a column only when somebody does', async () => {
    const { person, sent } = show(<EquipmentForm facts={facts()} />, saved);
    await person.selectOptions(screen.getByLabelText('altimeter'), 'fitted');
    await person.selectOptions(screen.getByLabelText('clock with seconds'), 'fitted');
    await person.selectOptions(
      screen.getByLabelText('clock with seconds: its equipment list asks for it'),
      'yes',
    );
    await person.click(
      screen.getByRole('button', { name: 'Its equipment list: the 1 that are not known are not asked for' }),
    );
    await person.click(screen.getByRole('button', { name: 'Save this list' }));
    await waitFor(() => {
      expect(sent).toHaveLength(1);
    });
    expect(sent[0]?.body).toMatchObject({
      fact: {
        list: {
          items: {
            altimeter: { fitted: true, equipmentList: 'no' },
            clock: { fitted: true, equipmentList: 'always' },
          },
        },
      },
    });
    expect(JSON.stringify(sent[0]?.body)).not.toContain('kindsOfOperation');
  });
});
