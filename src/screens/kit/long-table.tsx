'use client';

import { DataGrid, type GridColDef } from '@mui/x-data-grid';
import type { Column } from '@/contracts/aircraft/long-lists';
import { PAGE_SIZES } from '@/contracts/aircraft/long-lists';
import { contains, GRID, gridWords } from './grid-look';

/** What somebody wants to see of a long list. */
export interface Shown {
  readonly page: number;
  readonly size: number;
  readonly sort: string | null;
  readonly order: 'asc' | 'desc';
  readonly column: string | null;
  readonly text: string;
}

/** The share of the width that long texts have, of which figures have one. */
const SHARES: Readonly<Record<string, number>> = {
  description: 3,
  figures: 2,
  report: 2,
  signed: 2,
  stands: 1.5,
  struck: 2,
};
/** What must not be broken over lines, in pixels: a moment is the longest. */
const LEAST: Readonly<Record<string, number>> = {
  left: 158,
  back: 158,
  when: 158,
  on: 118,
  stands: 220,
  figures: 210,
  reading: 140,
  title: 150,
};
/** A list of any length: its order, its search and its pages are the server's work; which columns are shown is the reader's choice. */
export function LongTable({
  label,
  columns,
  rows,
  total,
  loading,
  shown,
  onShow,
}: {
  readonly label: string;
  readonly columns: Readonly<Record<string, Column>>;
  readonly rows: readonly ({ readonly id: string } & Readonly<Record<string, string>>)[];
  readonly total: number;
  readonly loading: boolean;
  readonly shown: Shown;
  readonly onShow: (shown: Shown) => void;
}) {
  // Mostly somebody, or some work, is looked for: the moment has an order.
  const [, searchedFirst = ''] = Object.keys(columns).filter((field) => columns[field]?.searches);
  const definitions = Object.entries(columns).map(([field, { name, sorts, searches }]): GridColDef => ({
    field,
    headerName: name,
    sortable: sorts,
    filterable: searches,
    filterOperators: contains,
    flex: SHARES[field] ?? 1,
    minWidth: LEAST[field] ?? 96,
  }));
  return (
    <DataGrid
      {...GRID}
      aria-label={label}
      rows={rows}
      columns={definitions}
      rowCount={total}
      loading={loading}
      pageSizeOptions={[...PAGE_SIZES]}
      paginationMode="server"
      paginationModel={{ page: shown.page, pageSize: shown.size }}
      onPaginationModelChange={({ page, pageSize }) => {
        onShow({ ...shown, page: pageSize === shown.size ? page : 0, size: pageSize });
      }}
      sortingMode="server"
      sortingOrder={['desc', 'asc']}
      sortModel={[{ field: shown.sort ?? Object.keys(columns)[0] ?? '', sort: shown.order }]}
      onSortModelChange={([sort]) => {
        onShow({ ...shown, page: 0, sort: sort?.field ?? null, order: sort?.sort ?? 'desc' });
      }}
      filterMode="server"
      filterModel={{
        items: [{ field: shown.column ?? searchedFirst, operator: 'contains', value: shown.text }],
      }}
      onFilterModelChange={({ items: [item] }) => {
        onShow({
          ...shown,
          page: 0,
          column: item?.field ?? null,
          text: typeof item?.value === 'string' ? item.value : '',
        });
      }}
      localeText={gridWords('Nothing is on record.', shown.text !== '')}
    />
  );
}
