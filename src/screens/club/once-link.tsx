import Alert from '@mui/material/Alert';

/** A link, shown once. */
export function OnceLink({ path, name }: { readonly path: string; readonly name: string }) {
  return (
    <Alert severity="success" role="status">
      Give this link to {name} yourself; it is shown once, works once, and the person who has it chooses the
      password.{' '}
      <code className="mono" style={{ wordBreak: 'break-all', display: 'block', userSelect: 'all' }}>
        {new URL(path, window.location.href).toString()}
      </code>
    </Alert>
  );
}
