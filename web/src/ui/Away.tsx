import { Button } from './Button.tsx';

/** When the server does not answer: said plainly, with the one thing to do. */
export function Away({ error, retry }: { error: Error | null; retry: () => void }) {
  return (
    <main className="grid h-full place-items-center p-6">
      <div className="enamel-rim max-w-lg p-10">
        <h1>The kitchen does not answer</h1>
        <p className="mt-3 text-ink-2">{error?.message}</p>
        <p className="mt-2 text-ink-2">
          Is the server running? Start it with <code className="figure">npm start</code>. Nothing that was
          saved is lost.
        </p>
        <Button className="mt-6" onClick={retry}>
          Try again
        </Button>
      </div>
    </main>
  );
}
