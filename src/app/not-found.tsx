import Box from '@mui/material/Box';
import Link from 'next/link';

export default function NotFound() {
  return (
    <Box component="main" sx={{ p: 5 }}>
      <h1>There is nothing at this address.</h1>
      <p>
        <Link href="/line">Go to the Line</Link>
      </p>
    </Box>
  );
}
