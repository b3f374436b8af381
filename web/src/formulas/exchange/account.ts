import type { KitchenCatalogue } from '@inch/core/ingredient';
import type { RecipeRead } from '@inch/core/recipe';
import type { AccountAnswer, AccountQuestion } from '../../workers/account.worker.ts';
import { type Incoming, incomingRead } from './incoming.ts';
import { FileProblem } from './problem.ts';

/** Reads an account beside the page, which a long one would hold up. */
function read(question: AccountQuestion): Promise<AccountAnswer> {
  const worker = new Worker(new URL('../../workers/account.worker.ts', import.meta.url), { type: 'module' });
  return new Promise<AccountAnswer>((resolve) => {
    worker.onmessage = ({ data }: MessageEvent<AccountAnswer>) => resolve(data);
    worker.onerror = (event) => resolve({ error: event.message || 'It cannot be read.' });
    worker.postMessage(question);
  }).finally(() => worker.terminate());
}

/** What an account was read as, for the review. @throws FileProblem where it tells of nothing */
export function incomingAccountRead(text: string, account: RecipeRead): Incoming {
  if (account.lines.length === 0 && account.steps.length === 0)
    throw new FileProblem(null, 'It names nothing that goes in, and nothing that is done.');
  return { ...incomingRead(account), pasted: { text, words: account.words, as: 'account' } };
}

/** An account as somebody told it, read in a worker. */
export async function incomingAccount(text: string, catalogue: KitchenCatalogue): Promise<Incoming> {
  const own = {
    ingredients: catalogue.all.filter((entry) => entry.own),
    measures: [...catalogue.measures],
  };
  const answer = await read({ text, own });
  if ('error' in answer) throw new FileProblem(null, answer.error);
  return incomingAccountRead(text, answer.read);
}
