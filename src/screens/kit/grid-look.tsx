'use client';

import Button from '@mui/material/Button';
import { ColumnsPanelTrigger, FilterPanelTrigger, getGridStringOperators, Toolbar } from '@mui/x-data-grid';

/** A search looks for what a cell contains; no other way is offered. */
export const contains = getGridStringOperators().filter(({ value }) => value === 'contains');
/** How long somebody pauses in typing before it is searched, in milliseconds. */
export const PAUSE_MS = 350;

/** The list's own tools, in words. */
function Tools() {
  return (
    <Toolbar aria-label="The list">
      <FilterPanelTrigger render={<Button variant="outlined" size="small" />}>Search</FilterPanelTrigger>
      <ColumnsPanelTrigger render={<Button variant="outlined" size="small" />}>Columns</ColumnsPanelTrigger>
    </Toolbar>
  );
}

/** What every grid of ours has in common: how it looks, its tools, and what it says. */
export const GRID = {
  density: 'compact',
  getRowHeight: () => 'auto' as const,
  disableRowSelectionOnClick: true,
  showToolbar: true,
  slots: { toolbar: Tools },
  slotProps: { filterPanel: { filterFormProps: { operatorInputProps: { sx: { display: 'none' } } } } },
  filterDebounceMs: PAUSE_MS,
  sx: {
    border: 'none',
    backgroundColor: 'transparent',
    '--DataGrid-t-color-background-base': 'transparent',
    '--DataGrid-t-header-background-base': 'transparent',
    '--DataGrid-rowBorderColor': 'var(--rule)',
    '& .MuiDataGrid-toolbar, & .MuiDataGrid-columnHeader, & .MuiDataGrid-columnHeaders [role=row], & .MuiDataGrid-filler':
      { backgroundColor: 'transparent' },
    '& .MuiDataGrid-columnSeparator': { display: 'none' },
    '& .MuiDataGrid-toolbar': { px: 0, justifyContent: 'flex-start' },
    '& .MuiDataGrid-cell': { py: 0.5, display: 'flex', alignItems: 'center' },
    '& .chosen': { boxShadow: 'inset 4px 0 0 var(--sea)', backgroundColor: 'var(--sea-tint)' },
  },
} as const;

/** @param empty what is said where there is no line @param searched whether somebody looks for something: nothing found is not nothing on record */
export const gridWords = (empty: string, searched: boolean) => ({
  noRowsLabel: searched ? 'No line has that in it.' : empty,
  noResultsOverlayLabel: 'No line has that in it.',
  filterPanelColumn: 'Search in',
  filterPanelInputLabel: 'For',
  filterPanelInputPlaceholder: '',
});
