'use client';

import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { theme } from '@/ui/theme';
import { Outdated } from './outdated';

/** Theme and the store of fetched answers, around every screen. */
export function Providers({ children }: { readonly children: ReactNode }) {
  const [client] = useState(
    () => new QueryClient({ defaultOptions: { queries: { refetchOnWindowFocus: true } } }),
  );
  return (
    <QueryClientProvider client={client}>
      <ThemeProvider theme={theme} defaultMode="light" disableTransitionOnChange>
        <CssBaseline />
        <Outdated />
        {children}
      </ThemeProvider>
    </QueryClientProvider>
  );
}
