import { QueryObserver } from '@tanstack/react-query';
import { afterEach, describe, expect, it } from 'vitest';
import { queryClient } from '../src/data/api.ts';
import { keys, readChanged } from '../src/data/keys.ts';

const stops: (() => void)[] = [];
afterEach(() => {
  for (const stop of stops.splice(0)) stop();
  queryClient.clear();
});

/** Views that are open, each with how often it was read. */
async function open(...views: (readonly string[])[]): Promise<() => number[]> {
  const read = views.map(() => 0);
  for (const [i, queryKey] of views.entries()) {
    const observer = new QueryObserver(queryClient, {
      queryKey,
      queryFn: () => {
        read[i]! += 1;
        return i;
      },
    });
    stops.push(observer.subscribe(() => {}));
  }
  await new Promise((resolve) => setTimeout(resolve, 10));
  return () => read;
}

describe('a change that is heard of', () => {
  const views = [
    keys.one('lot', '7F4H'),
    keys.one('lot', '2C7X'),
    keys.list('lot'),
    keys.all('today'),
    keys.list('stock'),
    keys.list('formula'),
  ];
  it('of a reading is read again where its lot is shown, and nowhere else', async () => {
    const read = await open(...views);
    await readChanged([{ noun: 'reading', id: 'r', lot: '7F4H' }]);
    expect(read()).toEqual([2, 1, 2, 2, 1, 1]);
  });
  it('of what went in is read again in stock as well', async () => {
    const read = await open(...views);
    await readChanged([{ noun: 'addition', id: 'a', lot: '7F4H' }]);
    expect(read()).toEqual([2, 1, 2, 2, 2, 1]);
  });
  it('of an instrument is read again in every lot: its readings may count otherwise', async () => {
    const read = await open(...views);
    await readChanged([{ noun: 'calibration', id: 'c', lot: null }]);
    expect(read()).toEqual([2, 2, 2, 2, 1, 1]);
  });
  it('of something unknown, or of the kitchen, is read again everywhere', async () => {
    const read = await open(...views);
    await readChanged([{ noun: 'something new', id: 'x', lot: null }]);
    expect(read()).toEqual([2, 2, 2, 2, 2, 2]);
  });
  it('is read once, however many changes there were', async () => {
    const read = await open(...views);
    await readChanged(Array.from({ length: 9 }, (_, i) => ({ noun: 'reading', id: `r${i}`, lot: '7F4H' })));
    expect(read()).toEqual([2, 1, 2, 2, 1, 1]);
  });
});
