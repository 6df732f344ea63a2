import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { civilDate } from '@/core/time/civil-date';
import { addSeconds } from '@/core/time/instant';
import { documentCheckList } from '@/queries/documents/document-check';
import { bad, good, PASSWORD } from '@/testing/database';
import { checkDocuments } from '../documents/check-documents';
import { vouch } from '../documents/vouch';
import { acceptMark } from '../findings/accept-mark';
import { reportFinding } from '../findings/report-finding';
import { strikeEntry } from '../maintenance/corrections';
import { row, folderNow, club, revision, inTx, round, paper, freshClub } from '@/testing/folder';
import { newNick } from '@/testing/entries';

beforeEach(freshClub);

describe('a document check round', () => {
  it('what is missing closes at once, and what a member finds again waits for somebody entitled', async () => {
    good(
      await checkDocuments(
        club.ports,
        club.actor('student'),
        round([{ ...paper('weight-and-balance'), aboard: false, legible: null }]),
      ),
    );
    expect(await row()).toMatchObject({ verdict: 'Grounded' });
    expect((await folderNow()).papers.find(({ kind }) => kind === 'weight-and-balance')).toMatchObject({
      state: 'missing',
      seen: expect.stringContaining('by The student') as string,
      keptWhere: 'pouch behind the left seat',
    });
    club.ports.at = addSeconds(club.ports.at, 60);
    const { waiting } = good(
      await checkDocuments(
        club.ports,
        club.actor('renter'),
        round([{ ...paper('weight-and-balance'), datedOn: civilDate('2022-06-09') }]),
      ),
    );
    expect([waiting.length, (await row())?.verdict]).toEqual([1, 'Grounded']);
    good(
      await vouch(club.ports, club.actor('dispatcher'), {
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        records: waiting.map((recordId) => ({ vouchId: randomUUID(), recordId })),
        note: null,
        password: PASSWORD,
      }),
    );
    expect((await row())?.verdict).toBe('Released');
  });
  it.each([
    [
      'registration of another aircraft',
      {
        ...paper('registration-certificate'),
        registrationShown: 'N03TB',
        issuedOn: civilDate('2024-05-14'),
        printedExpiry: civilDate('2031-05-31'),
      },
    ],
    [
      'manual for another serial number',
      {
        ...paper('operating-limitations'),
        form: 'flight-manual' as const,
        revision: '7',
        serialShown: 'TB-9999',
        placards: true,
      },
    ],
    [
      'certificate out of view',
      { ...paper('airworthiness-certificate'), registrationShown: 'N02TB', displayed: false },
    ],
    ['certificate that shows nothing readable', { ...paper('registration-certificate'), legible: false }],
  ])('a %s grounds it', async (_, seen) => {
    good(await checkDocuments(club.ports, club.actor('student'), round([seen])));
    expect((await row())?.verdict).toBe('Grounded');
  });
  // 14 CFR 47.31(c): from memory.
  it('a copy of the application for registration holds for 90 days and no longer, and a member’s word does not make a certificate of it', async () => {
    const copy = {
      ...paper('registration-certificate'),
      registrationShown: 'N02TB',
      issuedOn: civilDate('2026-11-20'),
      temporary: true,
    };
    good(await checkDocuments(club.ports, club.actor('dispatcher'), round([copy])));
    const documents = async () =>
      inTx((tx) => documentCheckList(tx, 'N02TB')).then((list) =>
        list?.papers.find(({ kind }) => kind === 'registration-certificate'),
      );
    expect([
      (await row())?.verdict,
      (await documents())?.lastWords,
      (await documents())?.last.temporary,
    ]).toEqual(['Restricted', 'copy of the application, of 20 Nov 2026', true]);
    club.ports.at = addSeconds(club.ports.at, 60);
    const { waiting } = good(
      await checkDocuments(
        club.ports,
        club.actor('renter'),
        round([
          {
            ...copy,
            documentCheckId: randomUUID(),
            temporary: false,
            printedExpiry: civilDate('2033-11-30'),
          },
        ]),
      ),
    );
    expect([waiting.length, (await row())?.verdict]).toEqual([1, 'Grounded']);
  });
  it('sent twice is recorded once, and somebody without a role records nothing', async () => {
    const entry = round([{ ...paper('radio-licence') }]);
    expect(good(await checkDocuments(club.ports, club.actor('student'), entry)).revision).toBe(2);
    expect(good(await checkDocuments(club.ports, club.actor('student'), entry)).revision).toBe(2);
    expect(
      bad(
        await checkDocuments(
          club.ports,
          { ...club.actor('student'), roles: [] },
          round([paper('radio-licence')]),
        ),
      ),
    ).toMatchObject({ code: 'not-entitled' });
  });
  it('asks for every kind of document, with what it said last time', async () => {
    const list = await inTx((tx) => documentCheckList(tx, 'N02TB'));
    expect(list?.papers).toHaveLength(6);
    expect(list).toMatchObject({
      serialNumber: 'TB-0217',
      papers: [
        {},
        { lastWords: 'issued 14 May 2024, expires 31 May 2031' },
        { lastWords: 'revision 7' },
        { lastWords: 'dated 9 Jun 2022' },
        {},
        {},
      ],
    });
  });
});

describe('a known mark', () => {
  const accept = async (role: 'mechanic' | 'instructor' | 'renter', change: object = {}) =>
    acceptMark(club.ports, club.actor(role), {
      markId: randomUUID(),
      aircraftId: club.aircraftId,
      seenRevision: await revision(),
      what: 'Blended nick, front edge',
      size: '4 mm',
      station: 'propeller',
      side: null,
      step: null,
      x: 500,
      y: 62,
      certificateId: club.certificateOf(role),
      password: PASSWORD,
      ...change,
    });
  it('is accepted by the person who may judge, shown in its place, and struck out like any entry', async () => {
    const { markId } = good(await accept('mechanic'));
    club.ports.at = addSeconds(club.ports.at, 60);
    good(await accept('instructor', { what: 'Old ding', station: 'wing', side: 'left', x: 200, y: 260 }));
    expect((await folderNow()).marks).toMatchObject([
      {
        what: 'Blended nick, front edge',
        size: '4 mm',
        photos: [],
        x: 500,
        acceptedBy: 'The mechanic',
        acceptedOn: '2026-11-24',
      },
      { what: 'Old ding' },
    ]);
    expect((await row())?.verdict).toBe('Released');
    good(
      await strikeEntry(club.ports, club.actor('mechanic'), {
        strikeId: randomUUID(),
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        kind: 'known-mark',
        recordId: markId,
        why: 'New blade',
        password: PASSWORD,
      }),
    );
    expect((await folderNow()).marks.map(({ what }) => what)).toEqual(['Old ding']);
  });
  it('closes no finding', async () => {
    good(await reportFinding(club.ports, club.actor('student'), { ...newNick(club), what: 'Nick' }));
    good(await accept('mechanic'));
    expect((await row())?.verdict).toBe('Grounded');
  });
  it('is not accepted by a renter, without the password, or by another’s certificate', async () => {
    expect([
      bad(await accept('renter')).code,
      bad(await accept('mechanic', { password: 'x' })).code,
      bad(await accept('mechanic', { certificateId: club.certificateOf('instructor') })).code,
    ]).toEqual(['not-entitled', 'invalid', 'not-entitled']);
  });
});
