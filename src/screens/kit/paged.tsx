'use client';

import Pagination from '@mui/material/Pagination';
import { useState, type ReactNode } from 'react';

/** A long list a page at a time. @param size how many lines a page holds */
export function Paged<T>({
  items,
  size = 12,
  what,
  children,
}: {
  readonly items: readonly T[];
  readonly size?: number;
  /** What the list is of, for those who hear the page. */
  readonly what: string;
  readonly children: (shown: readonly T[], page: number) => ReactNode;
}) {
  const [wanted, setPage] = useState(1);
  const pages = Math.max(1, Math.ceil(items.length / size));
  const page = Math.min(wanted, pages);
  return (
    <>
      {children(items.slice((page - 1) * size, page * size), page)}
      {pages === 1 ? null : (
        <Pagination
          count={pages}
          page={page}
          shape="rounded"
          sx={{ my: 1 }}
          aria-label={`Pages of ${what}`}
          onChange={(_, chosen) => {
            setPage(chosen);
          }}
        />
      )}
    </>
  );
}
