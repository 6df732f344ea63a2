import { randomUUID } from 'node:crypto';
import type { APIRequestContext, Locator, Page } from '@playwright/test';
import { expect } from './groval';

export interface Step {
  readonly key: string;
  readonly title: string;
  readonly marks?: readonly { readonly what: string }[];
  readonly asks: { readonly kind: string };
}
export interface Walk {
  readonly aircraftId: string;
  readonly plan: { readonly list: string; readonly steps: readonly Step[] };
  readonly current: {
    readonly walkroundId: string;
    readonly signed: boolean;
    readonly answers: readonly unknown[];
  } | null;
}

/** The walk-round of an aircraft as a phone gets it. */
export const walkOf = async (request: APIRequestContext, registration: string): Promise<Walk> =>
  (await (await request.get(`/api/walkround/${registration}`)).json()) as Walk;

/** What somebody says of a step who finds nothing. */
const fine = ({ key, asks }: Step, number: number, at: string) => ({
  eventId: randomUUID(),
  number,
  kind: 'answer',
  key,
  answer: 'fine',
  because: null,
  at,
  took: 5000,
  findingId: null,
  measured:
    asks.kind === 'fuel'
      ? { kind: 'figure', amount: '8.5', unit: 'US gal' }
      : asks.kind === 'figure'
        ? { kind: 'figure', amount: '6', unit: 'US qt' }
        : asks.kind === 'sample'
          ? { kind: 'sample', result: 'clean' }
          : null,
});

async function post(request: APIRequestContext, origin: string, path: string, data: object): Promise<void> {
  const answer = await request.post(`/api/walkround${path}`, { data, headers: { origin } });
  expect([path, answer.status(), answer.ok() ? '' : await answer.text()]).toEqual([path, 200, '']);
}

/** Begins a walk-round and answers so many of its steps, all fine. @returns the walk-round's id */
async function begin(
  request: APIRequestContext,
  origin: string,
  { aircraftId, plan }: Walk,
  steps: number,
): Promise<string> {
  const walkroundId = randomUUID();
  const at = new Date().toISOString();
  await post(request, origin, '', { walkroundId, aircraftId, flightId: null, begunAt: at });
  const events = plan.steps.slice(0, steps).map((step, number) => fine(step, number, at));
  for (let from = 0; from < events.length; from += 150)
    await post(request, origin, '/events', {
      walkroundId,
      aircraftId,
      events: events.slice(from, from + 150),
    });
  return walkroundId;
}

/** A whole walk-round by somebody else, so that the short list is asked for. */
export async function firstOfTheDay(
  request: APIRequestContext,
  origin: string,
  registration: string,
): Promise<void> {
  const walk = await walkOf(request, registration);
  expect(walk.plan.list).toBe('whole');
  const walkroundId = await begin(request, origin, walk, walk.plan.steps.length);
  await post(request, origin, '/end', {
    walkroundId,
    aircraftId: walk.aircraftId,
    how: 'signed',
    at: new Date().toISOString(),
  });
}

/** Begins a walk-round and answers its steps, all fine, as far as one that is looked for. */
export async function walkAsFarAs(
  request: APIRequestContext,
  origin: string,
  registration: string,
  isLast: (step: Step) => boolean,
): Promise<void> {
  const walk = await walkOf(request, registration);
  const last = walk.plan.steps.findIndex(isLast);
  expect(last, 'the list has such a step').toBeGreaterThanOrEqual(0);
  await begin(request, origin, walk, last + 1);
}

/** A thumb that counts: taps on answers, and figures that were typed. */
export class Thumb {
  taps = 0;
  figures = 0;

  constructor(private readonly page: Page) {}

  async tap(name: string | RegExp): Promise<void> {
    this.taps += 1;
    await this.page.getByRole('button', { name, exact: true }).tap();
  }

  async type(figure: string): Promise<void> {
    this.figures += 1;
    const keys = this.page.getByRole('group', { name: 'Keys for the figure' });
    for (const key of figure)
      await keys.getByRole('button', { name: key === '.' ? 'Point' : key, exact: true }).tap();
  }

  /** Answers the step that is shown, all fine. Answers false once every step is answered. */
  async step(): Promise<boolean> {
    const heading = this.page.getByRole('heading', { level: 1 });
    const title = (await heading.textContent()) ?? '';
    if (title === 'Every step is answered') return false;
    const key = await this.page.locator('h1').evaluate((node) => node.parentElement?.textContent ?? '');
    if (/fuel gauge$/u.test(title)) {
      this.taps += 1;
      const scale = this.page.getByRole('slider', { name: 'Where the needle stands' });
      const box = await scale.boundingBox();
      await scale.tap({ position: { x: (box?.width ?? 0) * 0.94, y: 30 } });
      await this.tap(/^Keep/u);
    } else if (title.startsWith('Dip the')) {
      await this.type('8.5');
      await this.tap(/^Keep/u);
    } else if (title === 'Read the oil') {
      await this.type('4');
      await this.tap(/^Keep/u);
    } else if ((await this.page.getByRole('button', { name: /^Clean:/u }).count()) > 0)
      await this.tap(/^Clean:/u);
    else await this.tap(/^Fine/u);
    await this.page.waitForFunction(
      (before) => document.querySelector('h1')?.parentElement?.textContent !== before,
      key,
    );
    return true;
  }

  /** Answers steps, all fine: so many at most, until one shows what is looked for, or until every one is answered. */
  async steps({
    most = 500,
    until = null,
  }: { readonly most?: number; readonly until?: Locator | null } = {}): Promise<void> {
    for (let done = 0; done < most; done += 1) {
      if (until !== null && (await until.count()) > 0) return;
      if (!(await this.step())) return;
    }
  }
}
