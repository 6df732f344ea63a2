'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import type { NoticesPage } from '@/queries/notices/notices';
import { useCommand } from '../data/command';
import { useNotices } from '../data/queries';
import Link from '../kit/link';
import { Section } from '../kit/section';
import { TroubleAlert } from '../kit/trouble-alert';
import { Coming } from '../shell/coming';
import { DeskPage } from '../shell/desk-page';
import { DevicePart } from './device-part';
import { SettingsForm } from './settings-form';

type Row = NoticesPage['notices'][number];

function Notice({ row, onRead }: { readonly row: Row; readonly onRead: (ids: readonly string[]) => void }) {
  return (
    <Box
      component="li"
      sx={{ py: 1.25, borderTop: '1px solid var(--rule)', display: 'flex', gap: 2, alignItems: 'baseline' }}
    >
      <Box sx={{ flex: 1 }}>
        <Box
          component={Link}
          href={row.path}
          onClick={() => {
            if (!row.isRead) onRead([row.id]);
          }}
          sx={{ fontWeight: row.isRead ? 400 : 700 }}
        >
          {row.title}
        </Box>
        <div>{row.body}</div>
        <div className="small">
          {row.when}
          {row.mail === '' ? '' : `, ${row.mail}`}
          {row.devices === '' ? '' : `, ${row.devices}`}
        </div>
      </Box>
      {row.isRead ? null : (
        <Button
          size="small"
          onClick={() => {
            onRead([row.id]);
          }}
        >
          Seen
        </Button>
      )}
    </Box>
  );
}

function Mails({ page }: { readonly page: NoticesPage }) {
  if (page.mails.length === 0) return <p>No mail has gone yet.</p>;
  return (
    <TableContainer>
      <Table size="small" aria-label="Mails">
        <TableHead>
          <TableRow>
            <TableCell>Written</TableCell>
            {page.seesAllMails ? <TableCell>To</TableCell> : null}
            <TableCell>What it said</TableCell>
            <TableCell>State</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {page.mails.map(({ id, when, person, titles, state }) => (
            <TableRow key={id}>
              <TableCell sx={{ whiteSpace: 'nowrap' }}>{when}</TableCell>
              {page.seesAllMails ? <TableCell>{person}</TableCell> : null}
              <TableCell>
                {titles.map((title) => (
                  <div key={title}>{title}</div>
                ))}
              </TableCell>
              <TableCell>{state}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </TableContainer>
  );
}

function Shown({ page }: { readonly page: NoticesPage }) {
  const { post, trouble } = useCommand();
  const unread = page.notices.filter(({ isRead }) => !isRead).map(({ id }) => id);
  const read = (ids: readonly string[]) => {
    void post('POST /api/notices/read', { noticeIds: [...ids] }, () => undefined);
  };
  return (
    <>
      <TroubleAlert trouble={trouble} />
      {page.notices.length === 0 ? (
        <p>
          Nothing yet. You are told here when the aircraft of a flight that you planned is not available, or
          is again, and when somebody deals with what you found.
        </p>
      ) : (
        <>
          {unread.length > 1 ? (
            <Button
              variant="outlined"
              size="small"
              onClick={() => {
                read(unread);
              }}
            >
              All {unread.length} seen
            </Button>
          ) : null}
          <Box component="ul" sx={{ listStyle: 'none', p: 0, maxWidth: 860 }}>
            {page.notices.map((row) => (
              <Notice key={row.id} row={row} onRead={read} />
            ))}
          </Box>
        </>
      )}
      <Section id="how" title="How you are told">
        <SettingsForm key={JSON.stringify(page.settings)} page={page} />
      </Section>
      <Section id="devices" title="On your devices">
        <DevicePart page={page} />
      </Section>
      <Section id="mails" title={page.seesAllMails ? 'Mails of the club' : 'Mails to you'}>
        <Mails page={page} />
      </Section>
    </>
  );
}

/** What somebody was told, how they want to be told, and which mails went. */
export function NoticesScreen() {
  const query = useNotices();
  const { data: page } = query;
  return (
    <DeskPage at={page}>
      <h1>Notices</h1>
      {page === undefined ? <Coming query={query} /> : <Shown page={page} />}
    </DeskPage>
  );
}
