import { createContext, type ReactNode, useContext, useEffect, useMemo, useRef } from 'react';

interface Key {
  press: string;
  says: string;
  act: () => void;
}

const KeysContext = createContext<Map<symbol, Key> | null>(null);

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));
const inDialog = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.closest('[role="dialog"]') !== null;

/** Listens once for the keys that the screens on show have registered; none fires while typing. */
export function KeysProvider({ children }: { children: ReactNode }) {
  const keys = useMemo(() => new Map<symbol, Key>(), []);
  useEffect(() => {
    let prefix = '';
    const onKey = (event: KeyboardEvent) => {
      if (typing(event.target) || inDialog(event.target) || event.ctrlKey || event.metaKey || event.altKey)
        return;
      const onControl = event.target instanceof HTMLElement && /^(BUTTON|A)$/.test(event.target.tagName);
      if (event.key === ' ' && onControl) return;
      const pressed = prefix ? `${prefix} ${event.key}` : event.key;
      const found = [...keys.values()].reverse().find((key) => key.press === pressed);
      prefix = event.key === 'g' && !prefix ? 'g' : '';
      if (!found) return;
      event.preventDefault();
      found.act();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [keys]);
  return <KeysContext value={keys}>{children}</KeysContext>;
}

/** Registers a key of this screen while it is on show. */
export function useKey(press: string, says: string, act: () => void): void {
  const keys = useContext(KeysContext)!;
  const latest = useRef(act);
  latest.current = act;
  useEffect(() => {
    const id = Symbol(press);
    keys.set(id, { press, says, act: () => latest.current() });
    return () => {
      keys.delete(id);
    };
  }, [keys, press, says]);
}

/** The keys of the screen on show, for the `?` sheet. */
export function useKeyList(): () => { press: string; says: string }[] {
  const keys = useContext(KeysContext)!;
  return () => [...keys.values()].map(({ press, says }) => ({ press, says }));
}
