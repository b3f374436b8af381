import { Away } from './Away.tsx';
import { Button } from './Button.tsx';
import { Sheet } from './Sheet.tsx';
import { Caution } from './State.tsx';

/** Bars where lines will stand: nothing moves. */
export function Bars({ rows = 6 }: { rows?: number }) {
  return (
    <div aria-hidden="true">
      {Array.from({ length: rows }, (_, i) => (
        <div key={i} className="flex h-[3.6rem] items-center gap-4 border-b border-steel-line">
          <span className="size-4 shrink-0 rounded-full bg-steel-line" />
          <span className="h-4 w-16 rounded bg-steel-line" />
          <span className="h-4 rounded bg-steel-line" style={{ width: `${[34, 26, 42, 30][i % 4]}%` }} />
        </div>
      ))}
    </div>
  );
}

/** A part of a page that could not be read: why, and the way to try again. */
export function ReadFault({ error, retry }: { error: Error; retry: () => unknown }) {
  return (
    <Caution className="mt-4">
      This could not be read. {error.message}{' '}
      <Button size="small" tone="plain" onClick={() => void retry()}>
        Try again
      </Button>
    </Caution>
  );
}

/** A page that is not read yet: its shape while it waits; where it could not be read, why, and the way to try again. */
export function Unread({
  title,
  error,
  retry,
  rows,
}: {
  title?: string;
  error?: Error | null;
  retry?: () => unknown;
  rows?: number;
}) {
  if (error) return <Away error={error} retry={() => void retry?.()} />;
  return (
    <Sheet>
      <p role="status" className="sr-only">
        Loading…
      </p>
      {title ? (
        <h1>{title}</h1>
      ) : (
        <>
          <h1 className="sr-only">One moment</h1>
          <div aria-hidden="true" className="mt-1.5 h-6 w-64 max-w-full rounded bg-steel-line" />
        </>
      )}
      <div aria-busy="true" className="mt-5 border-t border-ink">
        <Bars {...(rows === undefined ? {} : { rows })} />
      </div>
    </Sheet>
  );
}
