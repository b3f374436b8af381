import { join } from 'node:path';
import { ROOT } from './root.mjs';

/**
 * The compiler of TypeScript 7, which takes a quarter of the time of 6. It has no API for JavaScript: what needs one (dependency-cruiser) asks for
 * `typescript`, which is 6, and which of the two `node_modules/.bin/tsc` is depends on the order of installation.
 */
export const TSC = join(ROOT, 'node_modules', 'typescript-7', 'bin', 'tsc');
