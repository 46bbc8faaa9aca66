import Link from 'next/link';

export default function NotFound() {
  return (
    <main className="page-alone">
      <h1>There is nothing at this address</h1>
      <p>
        The show may have been removed, or the address has a slip in it. <Link href="/">All shows</Link>
      </p>
    </main>
  );
}
