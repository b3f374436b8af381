import { fork } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';
import { stopChild } from '../scripts/src/machine/run.mjs';

/** A kitchen's database: for the admin, who gives the rights, and for the server. */
export interface KitchenDatabase {
  adminUrl: string;
  appUrl: string;
}

/** The compiled application over several databases, each at an address of its own, in one process: started and warmed up once for all of them. */
export async function startKitchens(
  databases: readonly KitchenDatabase[],
): Promise<{ urls: string[]; stop: () => Promise<void> }> {
  const child = fork(join(import.meta.dirname, 'serveKitchens.mjs'), [], {
    execArgv: ['--enable-source-maps'],
  });
  const ended = once(child, 'exit').then(([code]) => {
    throw new Error(`The kitchens could not be served: it ended with ${code}.`);
  });
  ended.catch(() => undefined);
  child.send(databases);
  const [urls] = (await Promise.race([once(child, 'message'), ended])) as [string[]];
  return { urls, stop: () => stopChild(child) };
}
