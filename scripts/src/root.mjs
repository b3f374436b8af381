import { fileURLToPath } from 'node:url';

/** The top folder of the checkout. */
export const ROOT = fileURLToPath(new URL('../..', import.meta.url)).replace(/\/$/, '');
