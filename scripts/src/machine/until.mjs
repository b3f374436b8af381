import { setTimeout as sleep } from 'node:timers/promises';

/** What is waited for takes moments; on a machine that is busy with other things minutes. */
const SECONDS = 300;

/** Asks until the answer is yes. @param ask may throw, which ends it; @returns whether the answer was yes before it was given up */
export async function until(ask, { seconds = SECONDS, everyMs = 50 } = {}) {
  for (const end = Date.now() + seconds * 1000; Date.now() < end; await sleep(everyMs))
    if (await ask()) return true;
  return false;
}
