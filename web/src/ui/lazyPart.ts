import { type ComponentType, lazy } from 'react';

/** How often the code of a part is asked for; with the waits between that is a little over a minute. */
const TRIES = 12;
const LONGEST_WAIT_MS = 8000;

const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** Asks for code again while the line or the server is away. @throws what the last try threw */
export async function patiently<T>(load: () => Promise<T>): Promise<T> {
  for (let i = 1; ; i++)
    try {
      return await load();
    } catch (error) {
      if (i === TRIES) throw error;
      await wait(Math.min(LONGEST_WAIT_MS, 250 * 2 ** i));
    }
}

/** A part of a page whose code is fetched when it is first shown: a line that fails meanwhile does not take the page with it. */
export const lazyPart = <P extends object>(load: () => Promise<ComponentType<P>>) =>
  lazy(async () => ({ default: await patiently(load) }));
