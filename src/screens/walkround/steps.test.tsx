import { ThemeProvider } from '@mui/material/styles';
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { PlanStep } from '@/core/walkround/plan-step';
import { theme } from '@/ui/theme';
import { SampleFound } from './sample-found';
import { Unseen } from './unseen';
import { VerifyStation } from './verify-station';

const step = (key: string): PlanStep => ({
  key,
  code: 'K136',
  station: 'main-gear',
  side: 'left',
  place: 'left main gear',
  title: `Press the tyre ${key}`,
  right: 'Full.',
  why: 'It bursts.',
  caution: null,
  typical: 'low',
  listedAs: 'service-before-flight',
  asks: { kind: 'look' },
  matters: true,
});
const show = (node: React.ReactNode) => render(<ThemeProvider theme={theme}>{node}</ThemeProvider>);

describe('a step that could not be seen', () => {
  it('asks how much and why, and is never a pass, not in part either', async () => {
    const say = vi.fn();
    show(<Unseen title="Press the tyre" matters onSay={say} onBack={vi.fn()} />);
    expect(screen.getByText(/waits until somebody has seen it/)).toBeDefined();
    await userEvent.click(screen.getByRole('button', { name: /Only a part/ }));
    await userEvent.click(screen.getByRole('button', { name: /only looked at the other side/ }));
    expect(say.mock.calls).toEqual([[{ answer: 'partly-seen', because: 'other-side-assumed' }]]);
  });
});

describe('a station that is verified at its end', () => {
  it('has a tap for each step and none for all of them', async () => {
    const fine = vi.fn();
    const steps = ['a', 'b', 'c'].map(step);
    show(
      <VerifyStation
        place="left main gear"
        steps={steps}
        answered={new Set(['a'])}
        onFine={fine}
        onOpen={vi.fn()}
        onInterrupted={vi.fn()}
      />,
    );
    const choices = screen.getAllByRole('button', { name: /: fine/ });
    expect(choices).toHaveLength(3);
    expect(choices[0]?.hasAttribute('disabled')).toBe(true);
    expect(screen.queryByRole('button', { name: /all/i })).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: /tyre b: fine/ }));
    expect(fine.mock.calls).toEqual([[steps[1]]]);
  });
});

describe('a cup that is not clean', () => {
  it('is water, dirt, a wrong colour or a wrong smell, or something about the drain', async () => {
    const [result, other] = [vi.fn(), vi.fn()];
    const { container } = show(
      <SampleFound drain="left" onResult={result} onOther={other} onBack={vi.fn()} />,
    );
    const page = within(container);
    await userEvent.click(page.getByRole('button', { name: /Wrong colour/ }));
    await userEvent.click(page.getByRole('button', { name: /Something about the drain/ }));
    expect([result.mock.calls, other.mock.calls.length]).toEqual([[['wrong-colour']], 1]);
  });
});
