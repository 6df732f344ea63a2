import Link from 'next/link';

export default function NotFound() {
  return (
    <main style={{ padding: 40 }}>
      <h1>There is nothing at this address.</h1>
      <p>
        <Link href="/line">Go to the Line</Link>
      </p>
    </main>
  );
}
