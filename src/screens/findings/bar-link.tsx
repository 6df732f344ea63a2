import Box from '@mui/material/Box';

/** A way to another page that must be taken first. */
export function BarLink({ href, children }: { readonly href: string; readonly children: string }) {
  return (
    <Box
      component="a"
      href={href}
      sx={{
        display: 'flex',
        alignItems: 'center',
        minHeight: 48,
        m: '12px 0 0',
        py: 0,
        px: 1.75,
        border: '2px solid var(--grounded)',
        fontWeight: 700,
      }}
    >
      {children}
    </Box>
  );
}
