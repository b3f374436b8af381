import { useEffect, useRef, useState } from 'react';
import { useKey } from './keys.tsx';

/** Milliseconds of rest after which what was typed is looked for. */
const REST_MS = 250;

/** A field in which one types what is looked for; `/` leads to it. */
export function FindField({
  value,
  find,
  label,
  placeholder,
  says,
}: {
  value: string;
  find: (q: string) => void;
  label: string;
  placeholder: string;
  /** What the key does, in the sheet of keys. */
  says: string;
}) {
  const [typed, setTyped] = useState(value);
  const input = useRef<HTMLInputElement>(null);
  useKey('/', says, () => input.current?.focus());
  // What stands in the address by another way, as by "back", is shown; what is typed goes there after a rest.
  const sent = useRef(value);
  useEffect(() => {
    if (value === sent.current) return;
    sent.current = value;
    setTyped(value);
  }, [value]);
  useEffect(() => {
    if (typed === sent.current) return;
    const timer = setTimeout(() => {
      sent.current = typed;
      find(typed);
    }, REST_MS);
    return () => clearTimeout(timer);
  }, [typed, find]);
  return (
    <input
      ref={input}
      type="search"
      value={typed}
      onChange={(e) => setTyped(e.target.value)}
      aria-label={label}
      placeholder={placeholder}
      className="min-h-10 w-80 rounded-lg border border-steel bg-enamel px-3 max-sm:w-full"
    />
  );
}
