'use client';

import Box from '@mui/material/Box';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import {
  LONG_LISTS,
  LONG_LIST_NAMES,
  NAMES_OF_FLIERS,
  type Column,
  type LongList,
} from '@/contracts/aircraft/long-lists';
import { may } from '@/contracts/kernel/permissions';
import { setHash, useHash, useSecondInAddress } from '../data/address';
import { useLongList, useMe } from '../data/queries';
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
function shownBy(
  hash: string,
  lists: readonly LongList[],
): { readonly list: LongList; readonly shown: Shown } {
  const [name = '', asked = ''] = hash.split('?');
  const search = new URLSearchParams(asked);
  return {
    list: lists.find((known) => known === name) ?? lists[0] ?? 'work',
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

/** The columns of a list; for those who may have no list of who flew, without the names. */
const columnsFor = (list: LongList, names: boolean): Readonly<Record<string, Column>> =>
  Object.fromEntries(
    Object.entries(LONG_LISTS[list]).filter(([name]) => names || !NAMES_OF_FLIERS.includes(name)),
  );

/** Everything that is on record of an aircraft’s flights, meter readings and work, however long ago. */
export function RecordsScreen() {
  const registration = useSecondInAddress();
  const { data: me } = useMe();
  const names = may(me?.roles ?? [], 'export-flights');
  const lists = LONG_LIST_NAMES.filter((name) => names || name !== 'flights');
  const { list, shown } = shownBy(useHash(), lists);
  const { data, error, refetch, isFetching } = useLongList(
    me === undefined ? null : registration,
    list,
    searchOf(shown),
  );
  return (
    <DeskPage widest={1600}>
      <Box component="h1" sx={{ mb: 0.5 }}>
        Records of <span className="figure">{registration}</span>
      </Box>
      <Box component="p" sx={{ mt: 0 }}>
        However long ago; the newest also stand on{' '}
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
        {lists.map((name) => (
          <Tab key={name} value={name} label={NAMES[name]} />
        ))}
      </Tabs>
      {data === undefined ? (
        <Coming query={{ error, refetch }} />
      ) : (
        <LongTable
          key={list}
          label={NAMES[list]}
          columns={columnsFor(list, names)}
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
