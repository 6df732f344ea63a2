import { expect, it } from 'vitest';
import { inClub } from '@/db/kernel/club-transaction';
import { good, testClub } from '@/testing/database';
import { newNick } from '@/testing/entries';
import { reportFinding } from '@/commands/findings/report-finding';
import { line } from '../aircraft/line';
import { clubRules } from './rules';

it('every rule that a reason names is explained, with its source', async () => {
  const club = await testClub();
  good(await reportFinding(club.ports, club.actor('renter'), newNick(club)));
  const { rules } = await inClub(club.ports.db, club.clubId, (tx) => clubRules(tx, club.clubId));
  expect(rules.length).toBeGreaterThan(30);
  for (const { explanation, source, title } of rules)
    expect([explanation.endsWith('.'), explanation.length > 40, source !== '', title !== '']).toEqual([
      true,
      true,
      true,
      true,
    ]);
  const { rows } = await inClub(club.ports.db, club.clubId, (tx) =>
    line(tx, club.clubId, club.ports.now(), true),
  );
  const named = rows.flatMap(({ reasons }) => reasons.flatMap((reason) => reason.rules));
  expect(named).toContain('open-discrepancies');
  for (const id of named) expect(rules.map((rule) => rule.id)).toContain(id);
});
