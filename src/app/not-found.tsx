import Link from 'next/link';

export default function NotFound() {
  return (
    <main className="page">
      <title>Nothing here · Keramos</title>
      <h1>Nothing here</h1>
      <p>
        This address leads to no boat and no screen. It may have been typed wrong, or the boat was in another database.
      </p>
      <Link href="/">To the list of boats</Link>
    </main>
  );
}
