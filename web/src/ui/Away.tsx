import { Link } from 'react-router';
import { Button } from './Button.tsx';

const isMissing = (error: Error | null): boolean => (error as { status?: number } | null)?.status === 404;

/** When a page could not be read: the server does not answer, or there is nothing at this address. Said plainly, with the one thing to do. */
export function Away({ error, retry }: { error: Error | null; retry: () => void }) {
  const missing = isMissing(error);
  return (
    <main className="grid h-full place-items-center p-6">
      <div className="enamel-rim max-w-lg p-10">
        <h1>{missing ? 'It is not here' : 'The kitchen does not answer'}</h1>
        <p className="mt-3 text-ink-2">{error?.message}</p>
        {missing ? (
          <p className="mt-4">
            <Link className="text-link underline" to="/">
              To Today
            </Link>
          </p>
        ) : (
          <>
            <p className="mt-2 text-ink-2">
              Is the server running? Start it with <code className="figure">npm start</code>. Nothing that was
              saved is lost.
            </p>
            <Button className="mt-6" onClick={retry}>
              Try again
            </Button>
          </>
        )}
      </div>
    </main>
  );
}
