'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import { useState } from 'react';
import { may } from '@/contracts/kernel/permissions';
import type { Folder } from '@/queries/aircraft/folder-view';
import type { ReleaseView } from '@/queries/releases/release';
import { ListLine, PlainList } from '../kit/layout';
import { More } from '../kit/more';
import { Section } from '../kit/section';
import { DailyForm } from './daily-form';
import { IssueForm } from './issue-form';
import { ReleaseChangeForm, type ReleaseAct } from './release-change-form';

const STANDINGS = { 'in-force': 'In force', suspended: 'Suspended', cancelled: 'Cancelled' } as const;

/** The maintenance release: how long it holds, what it requires, what was endorsed on it, and the daily inspection with what is carried over. */
export function ReleasePart({
  folder,
  view,
  roles,
}: {
  readonly folder: Folder;
  readonly view: ReleaseView;
  readonly roles: readonly string[];
}) {
  const [open, setOpen] = useState<'issue' | ReleaseAct | null>(null);
  const { release, daily, endorsements } = view;
  const close = () => {
    setOpen(null);
  };
  const copies = may(roles, 'copy-entry');
  const keeps = may(roles, 'keep-release');
  const act = (name: ReleaseAct['to'], words: string, required?: string) => (
    <Button
      key={name + (required ?? '')}
      size="small"
      onClick={() => {
        setOpen({ to: name, required: required ?? null });
      }}
    >
      {words}
    </Button>
  );
  return (
    <Section id="release" title="Maintenance release">
      {release === null ? (
        <p>None is on record, so the aircraft does not fly.</p>
      ) : (
        <>
          <div>
            <Box
              component="b"
              sx={{ color: release.standing === 'in-force' ? undefined : 'var(--grounded)' }}
            >
              {release.standing === null ? 'Standing not known' : STANDINGS[release.standing]}
            </Box>
            , issued {release.issued}, expires <b>{release.expires}</b>.
          </div>
          <div className="small">
            Shows {release.shown ?? 'no registration'} ·{' '}
            {release.aboard === true
              ? 'aboard'
              : release.aboard === false
                ? 'not aboard'
                : 'nobody looked whether it is aboard'}{' '}
            · signed by {release.signed}
          </div>
          {release.required.length === 0 ? null : (
            <PlainList aria-label="Maintenance required" sx={{ my: 1, mx: 0 }}>
              {release.required.map((one) => (
                <ListLine key={one.id}>
                  <Stack direction="row" spacing={1.25} sx={{ alignItems: 'baseline' }}>
                    <Box component="b" sx={{ flex: 1 }}>
                      {one.what}
                    </Box>
                    <span className="mono">{one.due}</span>
                    {one.done !== null ? null : keeps ? (
                      act('done', 'Done …', one.id)
                    ) : (
                      <span>still open</span>
                    )}
                  </Stack>
                  {one.done === null ? null : <div className="small">Done {one.done}</div>}
                </ListLine>
              ))}
            </PlainList>
          )}
        </>
      )}
      {endorsements.length === 0 ? (
        <p className="small">Nothing is endorsed on it.</p>
      ) : (
        <div>
          <b>Endorsed, and open:</b>
          <Box component="ul" sx={{ my: 0.5, mx: 0 }}>
            {endorsements.map((one) => (
              <li key={one.id}>
                {one.what}{' '}
                <span className="small">{one.on}; cleared below under open items, by the person who may</span>
              </li>
            ))}
          </Box>
        </div>
      )}
      <Stack direction="row" spacing={0.5} sx={{ flexWrap: 'wrap' }}>
        {copies ? (
          <Button
            size="small"
            variant="outlined"
            onClick={() => {
              setOpen('issue');
            }}
          >
            {release === null ? 'Enter a release …' : 'A new release …'}
          </Button>
        ) : null}
        {release === null ? null : (
          <>
            {act('seen', release.aboard === true ? 'It is not aboard …' : 'Looked for it …')}
            {keeps ? act('required', 'Work to be done …') : null}
            {keeps && release.standing !== 'cancelled'
              ? release.standing === 'suspended'
                ? act('in-force', 'In force again …')
                : act('suspended', 'Suspend …')
              : null}
            {keeps && release.standing !== 'cancelled' ? act('cancelled', 'Cancel …') : null}
          </>
        )}
      </Stack>
      {open === 'issue' ? <IssueForm folder={folder} view={view} copies={copies} onDone={close} /> : null}
      {open !== null && open !== 'issue' && release !== null ? (
        <ReleaseChangeForm
          key={`${open.to}/${open.required ?? ''}`}
          folder={folder}
          view={view}
          releaseId={release.id}
          act={open}
          copies={copies}
          onDone={close}
        />
      ) : null}
      <Box component="h3" sx={{ m: '16px 0 4px', fontSize: 17 }}>
        Daily inspection
      </Box>
      {daily.signedToday !== null ? (
        <div>
          <b>Signed for today</b> by {daily.signedToday}. It holds until midnight at the field.
        </div>
      ) : (
        <>
          <div>
            <Box component="b" sx={{ color: 'var(--grounded)' }}>
              Not signed for today.
            </Box>{' '}
            Before the first flight of the day a pilot, an instructor or a licensed engineer inspects the
            aircraft and signs.
          </div>
          <div className="small">
            {daily.carried === null
              ? 'No flight is on record that would be carried over.'
              : `Carried over from ${daily.carried}`}
          </div>
          {daily.certificates.length === 0 ? (
            <p className="small">None of your certificates signs it.</p>
          ) : (
            <DailyForm folder={folder} view={view} />
          )}
        </>
      )}
      {daily.before.length === 0 ? null : (
        <More summary={<>{daily.before.length} before</>}>
          <Box component="ul" sx={{ m: 0, pl: 2.25 }}>
            {daily.before.map((one) => (
              <li key={one} className="small">
                {one}
              </li>
            ))}
          </Box>
        </More>
      )}
    </Section>
  );
}
