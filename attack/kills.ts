import { Client } from 'pg';
import { post, type Session } from './client';
import type { Random } from './random';
import type { Tally } from './tally';
import type { World } from './world';

/** A finding that was sent, and whether the server said that it had received it. */
export interface SentFinding {
  readonly findingId: string;
  readonly answered: boolean;
  /** The last answer where none accepted it. */
  readonly last: string;
}

/** Waits until the database takes connections again: one of its backends was killed, and it recovers. */
export async function untilDatabaseAnswers(superuserUrl: string): Promise<void> {
  for (let turn = 0; ; turn += 1) {
    const client = new Client({ connectionString: superuserUrl });
    client.on('error', () => undefined);
    try {
      await client.connect();
      await client.query('select 1');
      await client.end();
      return;
    } catch (error) {
      if (turn >= 120) throw error;
      await new Promise((resolve) => {
        setTimeout(resolve, 500);
      });
    }
  }
}

/** Sends findings while somebody else kills the server, its connections or the database; each that is not answered is sent again, as a phone does. @param isOver whether the killing has ended */
export async function writeWhileKilled(
  base: string,
  who: Session,
  world: World,
  random: Random,
  isOver: () => boolean,
): Promise<readonly SentFinding[]> {
  const sent: SentFinding[] = [];
  const writer = async () => {
    while (!isOver()) {
      const findingId = random.uuid();
      const finding = {
        findingId,
        aircraftId: random.pick(world.aircraft).id,
        station: 'propeller',
        side: null,
        step: null,
        asListed: false,
        what: 'While it was killed',
        looks: 'cannot-tell',
        foundAt: '2026-11-28T12:00:00Z',
      };
      let answered = false;
      let last = '';
      for (let turn = 0; turn < 120 && !answered; turn += 1) {
        const { status, text } = await post(base, who, '/api/findings', finding);
        answered = status === 200;
        last = `${status} ${text.slice(0, 200)}`;
        if (!answered)
          await new Promise((resolve) => {
            setTimeout(resolve, 250);
          });
      }
      sent.push({ findingId, answered, last });
    }
  };
  await Promise.all(Array.from({ length: 4 }, writer));
  return sent;
}

/** Every finding was accepted at last and is there once, and every one that is there has its entry in the ledger. */
export async function checkFindings(
  superuserUrl: string,
  sent: readonly SentFinding[],
  tally: Tally,
): Promise<void> {
  const client = new Client({ connectionString: superuserUrl });
  await client.connect();
  try {
    for (const { findingId, answered, last } of sent) {
      tally.calls += 1;
      const there = Number(
        (
          await client.query<{ n: string }>(
            'select count(*) as n from groval.discrepancy where discrepancy_id = $1',
            [findingId],
          )
        ).rows[0]?.n ?? '0',
      );
      const told = Number(
        (
          await client.query<{ n: string }>(
            `select count(*) as n from groval.ledger where act = 'report-finding' and body::jsonb->'record'->>'id' = $1`,
            [findingId],
          )
        ).rows[0]?.n ?? '0',
      );
      if (!answered) tally.lost.push(`finding ${findingId} was never accepted, last: ${last}`);
      if (answered && there === 0) tally.lost.push(`finding ${findingId} was answered and is not there`);
      if (there > 1 || told > 1) tally.doubled.push(`finding ${findingId}: ${there} rows, ${told} entries`);
      if (there !== told)
        tally.lost.push(`finding ${findingId}: ${there} rows, ${told} entries in the ledger`);
    }
  } finally {
    await client.end();
  }
}
