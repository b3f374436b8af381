import { setTimeout as sleep } from 'node:timers/promises';

/** Transactions that this server works at now. */
export const transactions = { underWay: 0 };

const LOOK_MS = 5;
/** Longer than this nothing stands aside, however much is written. */
const MOST_MS = 60;

/** Lets the writes that are under way end first: for a long task between one of its parts and the next. */
export async function othersFirst(): Promise<void> {
  const end = performance.now() + MOST_MS;
  do await sleep(transactions.underWay > 0 ? LOOK_MS : 0);
  while (transactions.underWay > 0 && performance.now() < end);
}
