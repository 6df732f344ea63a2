import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';

/** A link, shown once. */
export function OnceLink({ path, name }: { readonly path: string; readonly name: string }) {
  return (
    <Alert severity="success" role="status">
      Give this link to {name} yourself; it is shown once, works once, and the person who has it chooses the
      password.{' '}
      <Box
        component="code"
        className="mono"
        sx={{ wordBreak: 'break-all', display: 'block', userSelect: 'all' }}
      >
        {new URL(path, window.location.href).toString()}
      </Box>
    </Alert>
  );
}
