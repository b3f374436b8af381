import { useVirtualizer, useWindowVirtualizer, type VirtualItem } from '@tanstack/react-virtual';
import { type ReactNode, type RefObject, useEffect, useLayoutEffect, useRef, useState } from 'react';

interface Props<T> {
  items: readonly T[];
  keyOf: (item: T) => string;
  /** About how high a row is, px; rows are measured as they are drawn. */
  rowHeight: number;
  render: (item: T) => ReactNode;
  /** The end of what was read comes into sight. */
  onEnd: () => void;
}

interface Drawn {
  getVirtualItems: () => VirtualItem[];
  getTotalSize: () => number;
  measureElement: (element: Element | null) => void;
}

const WIDE = '(min-width: 64rem)';

function useWide(): boolean {
  const [wide, setWide] = useState(() => matchMedia(WIDE).matches);
  useEffect(() => {
    const query = matchMedia(WIDE);
    const hear = () => setWide(query.matches);
    query.addEventListener('change', hear);
    return () => query.removeEventListener('change', hear);
  }, []);
  return wide;
}

function scrollerOf(element: Element | null): HTMLElement | null {
  for (let at = element?.parentElement ?? null; at; at = at.parentElement)
    if (/auto|scroll/.test(getComputedStyle(at).overflowY)) return at;
  return null;
}

function Rows<T>({
  list,
  drawn,
  margin,
  items,
  keyOf,
  render,
  onEnd,
}: Props<T> & { list: RefObject<HTMLUListElement | null>; drawn: Drawn; margin: number }) {
  const shown = drawn.getVirtualItems();
  const last = shown.at(-1)?.index ?? -1;
  const atEnd = last >= items.length - 10;
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each length that was read
  useEffect(() => {
    if (atEnd) onEnd();
  }, [atEnd, items.length]);
  return (
    <ul ref={list} className="relative" style={{ height: drawn.getTotalSize() }}>
      {shown.map((row) => (
        <li
          key={keyOf(items[row.index]!)}
          ref={drawn.measureElement}
          data-index={row.index}
          aria-setsize={items.length}
          aria-posinset={row.index + 1}
          className="absolute inset-x-0 top-0"
          style={{ transform: `translateY(${row.start - margin}px)` }}
        >
          {render(items[row.index]!)}
        </li>
      ))}
    </ul>
  );
}

const OVERSCAN = 8;

function InSheet<T>(props: Props<T>) {
  const list = useRef<HTMLUListElement>(null);
  const [margin, setMargin] = useState(0);
  const drawn = useVirtualizer({
    count: props.items.length,
    getScrollElement: () => scrollerOf(list.current),
    estimateSize: () => props.rowHeight,
    overscan: OVERSCAN,
    scrollMargin: margin,
  });
  useLayoutEffect(() => {
    const scroller = scrollerOf(list.current);
    if (!scroller || !list.current) return;
    const top = list.current.getBoundingClientRect().top - scroller.getBoundingClientRect().top;
    setMargin(top + scroller.scrollTop);
  }, []);
  return <Rows {...props} list={list} drawn={drawn} margin={margin} />;
}

function InPage<T>(props: Props<T>) {
  const list = useRef<HTMLUListElement>(null);
  const [margin, setMargin] = useState(0);
  const drawn = useWindowVirtualizer({
    count: props.items.length,
    estimateSize: () => props.rowHeight,
    overscan: OVERSCAN,
    scrollMargin: margin,
  });
  useLayoutEffect(() => {
    if (list.current) setMargin(list.current.getBoundingClientRect().top + window.scrollY);
  }, []);
  return <Rows {...props} list={list} drawn={drawn} margin={margin} />;
}

/** A long list of which only what is in sight is drawn, in its sheet where that scrolls, in the page on a small screen. */
export function Windowed<T>(props: Props<T>) {
  return useWide() ? <InSheet {...props} /> : <InPage {...props} />;
}
