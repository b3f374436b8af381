import { fileURLToPath } from 'node:url';

/** The top folder of the checkout. */
export const ROOT = fileURLToPath(new URL('../../..', import.meta.url)).replace(/\/$/, '');

/** Where the demo kitchen is kept: what the commands are of where no other folder is named. */
export const DEMO_FOLDER = `${ROOT}/var/demo`;
