'use client';

import Box from '@mui/material/Box';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import { LONG_LISTS, LONG_LIST_NAMES, type LongList } from '@/contracts/aircraft/long-lists';
import { setHash, useHash, useSecondInAddress } from '../data/address';
import { useLongList } from '../data/queries';
import { lazily } from '../kit/lazily';
import Link from '../kit/link';
import type { Shown } from '../kit/long-table';
import { Coming } from '../shell/coming';
import { DeskPage } from '../shell/desk-page';

const LongTable = lazily(() => import('../kit/long-table').then((module) => module.LongTable), 520);

const NAMES: Readonly<Record<LongList, string>> = {
  flights: 'Flights',
  readings: 'Meter readings',
  work: 'Maintenance record',
};

/** What stands behind the # of the address: the list, and what is wanted of it. */
function shownBy(hash: string): { readonly list: LongList; readonly shown: Shown } {
  const [name = '', asked = ''] = hash.split('?');
  const search = new URLSearchParams(asked);
  return {
    list: LONG_LIST_NAMES.find((known) => known === name) ?? 'flights',
    shown: {
      page: Number(search.get('page') ?? 0) || 0,
      size: Number(search.get('size') ?? 25) || 25,
      sort: search.get('sort'),
      order: search.get('order') === 'asc' ? 'asc' : 'desc',
      column: search.get('column'),
      text: search.get('text') ?? '',
    },
  };
}

/** The same as an address says it: only what is not so anyway. */
function searchOf({ page, size, sort, order, column, text }: Shown): Readonly<Record<string, string>> {
  return {
    ...(page === 0 ? {} : { page: String(page) }),
    ...(size === 25 ? {} : { size: String(size) }),
    ...(sort === null ? {} : { sort }),
    ...(order === 'desc' ? {} : { order }),
    ...(column === null ? {} : { column, text }),
  };
}

const hashOf = (list: LongList, shown: Shown): string => {
  const search = new URLSearchParams(searchOf(shown)).toString();
  return search === '' ? list : `${list}?${search}`;
};

/** Everything that is on record of an aircraft’s flights, meter readings and work, however long ago. */
export function RecordsScreen() {
  const registration = useSecondInAddress();
  const { list, shown } = shownBy(useHash());
  const { data, error, refetch, isFetching } = useLongList(registration, list, searchOf(shown));
  return (
    <DeskPage widest={1600}>
      <Box component="h1" sx={{ mb: 0.5 }}>
        Records of <span className="figure">{registration}</span>
      </Box>
      <Box component="p" sx={{ mt: 0 }}>
        Everything, however long ago; the newest also stand on{' '}
        <Link href={`/aircraft/${registration ?? ''}`}>its page</Link>.
      </Box>
      <Tabs
        value={list}
        aria-label="Records"
        variant="scrollable"
        sx={{ mb: 1.5 }}
        onChange={(_, chosen: LongList) => {
          setHash(chosen, 'new');
        }}
      >
        {LONG_LIST_NAMES.map((name) => (
          <Tab key={name} value={name} label={NAMES[name]} />
        ))}
      </Tabs>
      {data === undefined ? (
        <Coming query={{ error, refetch }} />
      ) : (
        <LongTable
          key={list}
          label={NAMES[list]}
          columns={LONG_LISTS[list]}
          rows={data.rows}
          total={data.total}
          loading={isFetching}
          shown={shown}
          onShow={(next) => {
            setHash(hashOf(list, next), 'the same');
          }}
        />
      )}
    </DeskPage>
  );
}
