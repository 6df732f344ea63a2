'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { AnswerOf } from '@/queries/kernel/answers';
import { useCommand } from '../data/command';
import { ask, send } from '../data/fetching';
import { Confirm } from '../kit/confirm';
import { ListLine, PlainList } from '../kit/layout';
import { Section } from '../kit/section';
import { TroubleAlert } from '../kit/trouble-alert';

type Feed = AnswerOf<'GET /api/feed'>['feeds'][number];

/** Secret addresses of the calendar of what is due: made, shown once, revoked. */
export function CalendarPart() {
  const { data } = useQuery({
    queryKey: ['feeds'],
    queryFn: () => ask('GET /api/feed'),
  });
  const [revoking, setRevoking] = useState<Feed | null>(null);
  const [name, setName] = useState('');
  const [address, setAddress] = useState<string | null>(null);
  const { post, trouble } = useCommand();
  const make = async () => {
    const made = await post('POST /api/feed', {
      name: name.trim() === '' ? 'Calendar' : name.trim(),
    });
    if (made === null) return;
    setAddress(new URL(made.answer.path, window.location.href).toString());
    setName('');
  };
  return (
    <Section id="feeds" title="What is due as a calendar">
      <p>
        A calendar program that knows the address shows the last good day of everything that ends on a day.
        The person who has the address can read it; revoke it when it is no longer wanted.
      </p>
      <Stack direction="row" spacing={1.5} sx={{ alignItems: 'center' }}>
        <TextField
          size="small"
          label="What for, such as workshop"
          value={name}
          onChange={(event) => {
            setName(event.target.value);
          }}
        />
        <Button
          variant="outlined"
          onClick={() => {
            void make();
          }}
        >
          Make an address
        </Button>
      </Stack>
      {address === null ? null : (
        <p role="status">
          This is shown once; copy it now:{' '}
          <Box component="code" className="mono" sx={{ wordBreak: 'break-all' }}>
            {address}
          </Box>
        </p>
      )}
      <TroubleAlert trouble={trouble} />
      <PlainList>
        {(data?.feeds ?? []).map((feed) => (
          <ListLine key={feed.feedId} sx={{ display: 'flex', gap: 1.5, alignItems: 'center' }}>
            <Box component="span" sx={{ flex: 1, textDecoration: feed.revoked ? 'line-through' : 'none' }}>
              {feed.name}
            </Box>
            {feed.revoked ? (
              <span className="small">revoked</span>
            ) : (
              <Button
                size="small"
                aria-label={`Revoke ${feed.name}`}
                onClick={() => {
                  setRevoking(feed);
                }}
              >
                Revoke …
              </Button>
            )}
          </ListLine>
        ))}
      </PlainList>
      {revoking === null ? null : (
        <Confirm
          title={`Revoke the address ‘${revoking.name}’?`}
          does="Revoke the address"
          instead="Keep it"
          onConfirm={() => send('POST /api/feed/revoke', { feedId: revoking.feedId })}
          onClose={() => {
            setRevoking(null);
          }}
        >
          Calendars that use it show nothing new from now on. You can make another address.
        </Confirm>
      )}
    </Section>
  );
}
