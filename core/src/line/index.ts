export { type BasisSaid, COVERS_WHAT } from './basis.ts';
export type { Alternative, LineThing } from './line.ts';
export { type LineRead, readSaid } from './read.ts';
export type { WordRead, WordRole } from './words.ts';
