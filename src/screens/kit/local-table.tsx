'use client';

import Button from '@mui/material/Button';
import { DataGrid, type GridColDef, type GridRenderCellParams } from '@mui/x-data-grid';
import { PAGE_SIZES } from '@/contracts/aircraft/long-lists';
import { contains, GRID, gridWords } from './grid-look';

/** A line of such a list. */
export type LocalRow = { readonly id: string } & Readonly<Record<string, string | number>>;

/** A column of it. */
export interface LocalColumn {
  readonly name: string;
  /** Its part of the width that is left; one where nothing is said. */
  readonly share?: number;
  /** What must not be broken over lines, in pixels. */
  readonly least?: number;
  /** Figures are ordered by their size. */
  readonly figures?: boolean;
}

/** A list that the page holds whole: order, search and pages are the browser's work. */
export function LocalTable({
  label,
  columns,
  rows,
  empty,
  chosen = null,
  onChoose,
}: {
  readonly label: string;
  readonly columns: Readonly<Record<string, LocalColumn>>;
  readonly rows: readonly LocalRow[];
  readonly empty: string;
  /** The line that is shown whole elsewhere on the page. */
  readonly chosen?: string | null;
  /** Where a line can be chosen: its first cell is a button then. */
  readonly onChoose?: (id: string) => void;
}) {
  const [first] = Object.keys(columns);
  const definitions = Object.entries(columns).map(([field, { name, share = 1, least = 96, figures }]) => ({
    field,
    headerName: name,
    flex: share,
    minWidth: least,
    ...(figures === true ? { type: 'number' as const } : { filterOperators: contains }),
    ...(field === first && onChoose !== undefined
      ? {
          renderCell: ({ id, value }: GridRenderCellParams) => (
            <Button
              size="small"
              aria-pressed={id === chosen}
              onClick={() => {
                onChoose(String(id));
              }}
            >
              {String(value)}
            </Button>
          ),
        }
      : {}),
  })) satisfies GridColDef[];
  return (
    <DataGrid
      {...GRID}
      aria-label={label}
      rows={rows}
      getRowClassName={({ id }) => (id === chosen ? 'chosen' : '')}
      columns={definitions}
      pageSizeOptions={[...PAGE_SIZES]}
      initialState={{ pagination: { paginationModel: { pageSize: PAGE_SIZES[0] } } }}
      hideFooter={rows.length <= PAGE_SIZES[0]}
      localeText={gridWords(empty, false)}
    />
  );
}
