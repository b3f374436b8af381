export { type CannerFill, type CannerLoad, cannerFill } from './canner.ts';
export { type BottlesToHand, type Filling, fillBottles } from './fill.ts';
export { euNetContents, type NetContents, tolerableNegativeError } from './netContents.ts';
