import type { TodayView } from '@inch/contract/kitchen/today';
import { Suspense, useEffect, useRef, useState } from 'react';
import { useKey } from '../ui/keys.tsx';
import { lazyPart } from '../ui/lazyPart.ts';

const load = () => import('./JotUnderstood.tsx');
const JotUnderstood = lazyPart(async () => (await load()).JotUnderstood);

/** Before it is needed; what fails then is asked for again when it is. */
const loadAhead = () => void load().catch(() => undefined);

/** So long after the page came it is quiet. */
const IDLE_MS = 15_000;
const KEY = 'inch jotted';

/** The line across the top: type as on a scrap, see it understood, keep it with Enter. On a phone it lies over the bar. */
export function JotLine({ open }: { open: TodayView['open'] }) {
  // What is being jotted is there again after a reload, as when a new version is taken up.
  const [text, setText] = useState(() => sessionStorage.getItem(KEY) ?? '');
  useEffect(() => sessionStorage.setItem(KEY, text), [text]);
  const [entered, setEntered] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  useKey('j', 'jot a reading or a note', () => input.current?.focus());
  // Whoever reads it is there before the server may be away.
  useEffect(() => {
    const timer = setTimeout(loadAhead, IDLE_MS);
    return () => clearTimeout(timer);
  }, []);
  return (
    <form
      className={`relative flex h-10 min-w-80 flex-1 items-center max-sm:min-w-0 gap-3 border-b-2 max-sm:fixed max-sm:inset-x-0 max-sm:bottom-14 max-sm:z-20 max-sm:h-12 max-sm:border-t max-sm:border-b-0 max-sm:bg-enamel max-sm:px-3 ${text ? 'border-rim' : 'border-steel'}`}
      onSubmit={(event) => {
        event.preventDefault();
        setEntered(text.trim() !== '');
      }}
    >
      <kbd className="rounded border border-steel bg-enamel px-1.5 text-xs font-semibold shadow-[0_1px_0_var(--steel)] max-sm:hidden">
        j
      </kbd>
      <input
        ref={input}
        value={text}
        onFocus={loadAhead}
        onChange={(event) => {
          setText(event.target.value);
          setEntered(false);
        }}
        onKeyDown={(event) => event.key === 'Escape' && input.current?.blur()}
        aria-label="Jot a reading or a note"
        aria-describedby="jot-understood"
        placeholder="Jot a reading or a note, or a lot code and a word"
        className="figure min-w-0 flex-1 bg-transparent outline-none placeholder:font-sans placeholder:text-ink-2 focus-visible:outline-none"
      />
      <span
        id="jot-understood"
        aria-live="polite"
        className="truncate text-sm text-ink-2 max-sm:absolute max-sm:inset-x-0 max-sm:bottom-12 max-sm:bg-enamel max-sm:px-3 max-sm:empty:hidden"
      >
        {text.trim() !== '' && (
          <Suspense fallback="…">
            <JotUnderstood
              text={text}
              open={open}
              entered={entered}
              kept={(rest) => {
                setText(rest);
                setEntered(false);
              }}
              refused={() => setEntered(false)}
            />
          </Suspense>
        )}
      </span>
    </form>
  );
}
