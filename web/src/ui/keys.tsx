import {
  createContext,
  type ReactNode,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useSyncExternalStore,
} from 'react';

interface Key {
  press: string;
  says: string;
  act: () => void;
}

/** The keys on show, as one list that is replaced with each key that comes or goes. */
class Keys {
  list: readonly Key[] = [];
  #watching = new Set<() => void>();
  #set(list: readonly Key[]) {
    this.list = list;
    for (const watch of this.#watching) watch();
  }
  add(key: Key) {
    this.#set([...this.list, key]);
    return () => this.#set(this.list.filter((other) => other !== key));
  }
  watch = (watch: () => void) => {
    this.#watching.add(watch);
    return () => this.#watching.delete(watch);
  };
}

const KeysContext = createContext<Keys | null>(null);

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));
const inDialog = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.closest('[role="dialog"]') !== null;

/** Listens once for the keys that the screens on show have registered; none fires while typing. */
export function KeysProvider({ children }: { children: ReactNode }) {
  const keys = useMemo(() => new Keys(), []);
  useEffect(() => {
    let prefix = '';
    const onKey = (event: KeyboardEvent) => {
      if (typing(event.target) || inDialog(event.target) || event.ctrlKey || event.metaKey || event.altKey)
        return;
      const onControl = event.target instanceof HTMLElement && /^(BUTTON|A)$/.test(event.target.tagName);
      if (event.key === ' ' && onControl) return;
      const pressed = prefix ? `${prefix} ${event.key}` : event.key;
      const found = keys.list.findLast((key) => key.press === pressed);
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
  useEffect(() => keys.add({ press, says, act: () => latest.current() }), [keys, press, says]);
}

/** The keys of the screen on show, for the `?` sheet: also those that come while it is open. */
export function useKeyList(): readonly { press: string; says: string }[] {
  const keys = useContext(KeysContext)!;
  return useSyncExternalStore(keys.watch, () => keys.list);
}
