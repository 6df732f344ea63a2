'use client';

import { createTheme } from '@mui/material/styles';

const family = "'Atkinson Hyperlegible Next Variable', sans-serif";

/** Our own theme: warm paper by day, a dim one for the evening desk. Tones of the signs are variables in tones.css. */
export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'data' },
  colorSchemes: {
    light: {
      palette: {
        primary: { main: '#0b4a63', contrastText: '#ffffff' },
        error: { main: '#8e1616' },
        background: { default: '#f6f4ee', paper: '#ffffff' },
        text: { primary: '#14202b', secondary: '#3d4850' },
        divider: '#d9d5ca',
      },
    },
    dark: {
      palette: {
        primary: { main: '#9ed3e6', contrastText: '#0d1a21' },
        error: { main: '#ffb3a8' },
        background: { default: '#10171d', paper: '#17212a' },
        text: { primary: '#f1eee6', secondary: '#c3cbd1' },
        divider: '#36434e',
      },
    },
  },
  shape: { borderRadius: 6 },
  shadows: Array.from({ length: 25 }, () => 'none') as never,
  typography: {
    fontFamily: family,
    fontSize: 15,
    button: { textTransform: 'none', fontWeight: 700 },
    h1: { fontSize: 24, fontWeight: 700 },
    h2: { fontSize: 20, fontWeight: 700 },
    h3: { fontSize: 16, fontWeight: 700 },
  },
  components: {
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: { styleOverrides: { root: { minHeight: 40 } } },
    MuiMenu: { styleOverrides: { paper: { border: '1px solid var(--rule)' } } },
    MuiTabs: { styleOverrides: { root: { minHeight: 42 }, indicator: { height: 3 } } },
    MuiTab: {
      styleOverrides: {
        root: { textTransform: 'none', minHeight: 42, padding: '8px 12px', fontSize: 15, fontWeight: 600 },
      },
    },
    MuiStack: { defaultProps: { useFlexGap: true } },
    MuiSkeleton: { defaultProps: { animation: false } },
    // Tables as a printed list: rules between lines, nothing around them.
    MuiTable: { defaultProps: { size: 'small' } },
    MuiTableCell: {
      styleOverrides: {
        root: {
          padding: '6px 10px',
          fontSize: 'inherit',
          lineHeight: 'inherit',
          color: 'inherit',
          borderColor: 'var(--rule)',
          verticalAlign: 'top',
        },
        head: { fontWeight: 600, fontSize: 13, color: 'var(--soft)' },
      },
    },
    // What is folded away is a line of the page, no card.
    MuiAccordion: {
      defaultProps: { disableGutters: true, square: true, elevation: 0 },
      styleOverrides: {
        root: { background: 'none', borderTop: '1px solid var(--rule)', '&::before': { display: 'none' } },
      },
    },
    MuiAccordionSummary: {
      styleOverrides: {
        root: { padding: 0, minHeight: 40, font: 'inherit', flexDirection: 'row-reverse', gap: 8 },
        content: { margin: '8px 0' },
      },
    },
    MuiAccordionDetails: { styleOverrides: { root: { padding: '4px 0 12px' } } },
  },
});
