import { screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { show } from '@/testing/render';
import { Confirm } from './confirm';
import { lazily } from './lazily';
import { Opener } from './opener';
import { PartPanels } from './page-parts';

describe('the parts of a page', () => {
  const parts = { first: <input aria-label="First" />, second: <input aria-label="Second" /> };
  it('come when they are looked at first, and keep what was typed while another is looked at', async () => {
    const { person, again } = show(<PartPanels parts={parts} part="first" />);
    expect(screen.queryByLabelText('Second')).toBeNull();
    await person.type(screen.getByLabelText('First'), 'half a word');
    again(<PartPanels parts={parts} part="second" />);
    expect(screen.getByLabelText('Second')).toBeTruthy();
    again(<PartPanels parts={parts} part="first" />);
    expect((screen.getByLabelText('First') as HTMLInputElement).value).toBe('half a word');
  });
  it('only the one that is chosen can be reached', () => {
    const { again } = show(<PartPanels parts={parts} part="first" />);
    again(<PartPanels parts={parts} part="second" />);
    expect(
      screen.getAllByRole('tabpanel', { hidden: true }).map((panel) => [panel.id, panel.hidden]),
    ).toEqual([
      ['part-first', true],
      ['part-second', false],
    ]);
  });
});

describe('a part that is loaded when it is shown', () => {
  it('is tried once more where it did not come', async () => {
    let tries = 0;
    const Part = lazily(() => {
      tries += 1;
      return tries < 3
        ? Promise.reject(new Error('no signal'))
        : Promise.resolve(({ name }: { readonly name: string }) => <p>Here is {name}</p>);
    });
    show(<Part name="the form" />);
    expect(await screen.findByText('Here is the form', {}, { timeout: 9000 })).toBeTruthy();
    expect(tries).toBe(3);
  });
});

describe('a form behind a button', () => {
  it('opens in its place and closes again', async () => {
    const { person } = show(
      <Opener label="Admit somebody …">{(close) => <button onClick={close}>Done</button>}</Opener>,
    );
    await person.click(screen.getByRole('button', { name: 'Admit somebody …' }));
    await person.click(screen.getByRole('button', { name: 'Done' }));
    expect(screen.getByRole('button', { name: 'Admit somebody …' })).toBeTruthy();
  });
});

describe('before something that cannot be taken back', () => {
  const dialog = (outcome: string | null, log: string[]) => (
    <Confirm
      title="Cancel the flight?"
      does="Cancel the flight"
      instead="Keep it"
      onConfirm={() => {
        log.push('done');
        return outcome === null ? Promise.resolve() : Promise.reject(new Error(outcome));
      }}
      onClose={() => log.push('closed')}
    />
  );
  it('Enter on the dialog as it opens does nothing to it', async () => {
    const log: string[] = [];
    const { person } = show(dialog(null, log));
    await waitFor(() => {
      expect(document.activeElement?.textContent).toBe('Keep it');
    });
    await person.keyboard('{Enter}');
    expect(log).toEqual(['closed']);
  });
  it('it is done once it is meant, and the dialog closes', async () => {
    const log: string[] = [];
    const { person } = show(dialog(null, log));
    await person.click(screen.getByRole('button', { name: 'Cancel the flight' }));
    await waitFor(() => {
      expect(log).toEqual(['done', 'closed']);
    });
  });
  it('what went wrong stays in the dialog', async () => {
    const log: string[] = [];
    const { person } = show(dialog('It has left meanwhile.', log));
    await person.click(screen.getByRole('button', { name: 'Cancel the flight' }));
    expect(await screen.findByRole('alert')).toHaveProperty('textContent', 'It has left meanwhile.');
    expect(log).toEqual(['done']);
  });
});
