export { type BottlesToHand, type Filling, fillBottles } from './fill.ts';
