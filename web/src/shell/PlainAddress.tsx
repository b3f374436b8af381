import { useState } from 'react';
import { Button } from '../ui/Button.tsx';

const KEY = 'inch plain address told';

/** Said once on a device that reads the kitchen over plain HTTP: what a browser does not give there. Everything else works. */
export function PlainAddress() {
  const [told, setTold] = useState(() => window.isSecureContext || localStorage.getItem(KEY) !== null);
  if (told) return null;
  return (
    <p role="status" className="no-print flex flex-wrap items-center gap-3 pb-2 text-sm text-ink-2">
      <span>
        This address has no HTTPS, so the browser keeps no pages for when the server is away, lets the screen
        sleep, and reads no attached instrument. Everything else works. Start with <code>--lan</code> for all
        of it.
      </span>
      <Button
        size="small"
        tone="plain"
        onClick={() => {
          localStorage.setItem(KEY, 'yes');
          setTold(true);
        }}
      >
        Close
      </Button>
    </p>
  );
}
