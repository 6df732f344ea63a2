import { onlineManager } from '@tanstack/react-query';
import { screen } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import { show } from '@/testing/render';
import { useCommand } from '../data/command';
import { TroubleAlert } from './trouble-alert';

/** A form as they all are: a field, its fault, a button, and what the server said. */
function Form() {
  const [what, setWhat] = useState('');
  const [faults, setFaults] = useState<readonly string[]>([]);
  const [done, setDone] = useState(false);
  const { post, trouble } = useCommand();
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void post('POST /api/feed', { name: what }, (path, message) => {
          setFaults((before) => [...before, `${path}: ${message}`]);
        }).then((answered) => {
          setDone(answered !== null);
        });
      }}
    >
      <input
        aria-label="What"
        value={what}
        onChange={(event) => {
          setWhat(event.target.value);
        }}
      />
      <ul aria-label="Faults">
        {faults.map((fault) => (
          <li key={fault}>{fault}</li>
        ))}
      </ul>
      <TroubleAlert trouble={trouble} />
      <button type="submit">Sign</button>
      {done ? <p>Recorded</p> : null}
    </form>
  );
}
const refusal = (error: object) => () => ({ status: 409, body: { error } });
const filled = async (answers: Parameters<typeof show>[1]) => {
  const shown = show(<Form />, answers);
  await shown.person.type(screen.getByLabelText('What'), 'Nick');
  await shown.person.click(screen.getByRole('button', { name: 'Sign' }));
  return shown;
};

describe('something that is signed', () => {
  it('is recorded, as it was typed', async () => {
    const { sent } = await filled({ '/api/feed': () => ({ status: 200, body: {} }) });
    expect(await screen.findByText('Recorded')).toBeTruthy();
    expect(sent).toEqual([{ path: '/api/feed', body: { name: 'Nick' } }]);
  });
  it('stays as it was typed when it is refused, each problem with its field', async () => {
    await filled({
      '/api/feed': refusal({
        code: 'invalid',
        message: 'Something is missing.',
        problems: [{ path: 'why', message: 'say why' }],
      }),
    });
    expect((await screen.findByRole('alert')).textContent).toContain('Something is missing.');
    expect(screen.getByRole('list', { name: 'Faults' }).textContent).toBe('why: say why');
    expect((screen.getByLabelText('What') as HTMLInputElement).value).toBe('Nick');
    expect(screen.queryByText('Recorded')).toBeNull();
  });
  it('is not sent while the route’s own schema has something missing: that is said at once, with its field', async () => {
    const { sent, person } = show(<Form />, {});
    await person.type(screen.getByLabelText('What'), ' ');
    await person.click(screen.getByRole('button', { name: 'Sign' }));
    expect((await screen.findByRole('alert')).textContent).toContain('Something is missing or wrong');
    expect(screen.getByRole('list', { name: 'Faults' }).textContent).toMatch(/^name: /);
    expect(sent).toEqual([]);
  });
  it('what others did meanwhile is told, a line each; what cannot be read is left out', async () => {
    const conflict = (changes: unknown) =>
      refusal({ code: 'conflict', message: 'The aircraft has changed.', problems: [], changes });
    await filled({
      '/api/feed': conflict([{ act: 'report-finding', actorName: 'Pia Okoro', record: { what: 'Nick' } }]),
    });
    expect(await screen.findByText(/Pia Okoro/)).toBeTruthy();
  });
  it('a conflict whose changes cannot be read is a conflict anyway', async () => {
    await filled({
      '/api/feed': refusal({
        code: 'conflict',
        message: 'The aircraft has changed.',
        problems: [],
        changes: [{ act: 'unheard-of' }],
      }),
    });
    expect((await screen.findByRole('alert')).textContent).toContain('The aircraft has changed.');
  });
  it('without a connection it is refused at once, and not sent when the connection is back', async () => {
    onlineManager.setOnline(false);
    try {
      // An address that nobody answers is how the browser meets a dead connection.
      const { sent } = await filled({});
      expect((await screen.findByRole('alert')).textContent).toContain('No connection to Groval');
      expect(sent.length).toBe(1);
      onlineManager.setOnline(true);
      await screen.findByRole('alert');
      expect(sent.length).toBe(1);
    } finally {
      onlineManager.setOnline(true);
    }
  });
});
