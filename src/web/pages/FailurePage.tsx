import { Link } from 'react-router';

/** A page that is not there, or one that broke. What was typed is kept either way. */
export function FailurePage({ notFound = false, words }: { notFound?: boolean; words?: string }) {
  const title = notFound ? 'There is nothing at this address' : 'This page could not be drawn';
  const more =
    words ?? (notFound ? 'The link may be old.' : 'What you typed is kept. Load the page again to go on.');
  return (
    <main className="mx-auto mt-16 max-w-xl px-6">
      <h1 className="text-head font-semibold">{title}</h1>
      <p className="mt-2">{more}</p>
      <p className="mt-4">
        <Link to="/" className="text-action font-semibold underline underline-offset-4">
          To the jobs
        </Link>
      </p>
    </main>
  );
}
