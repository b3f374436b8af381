import { type Composition, liquidOf } from './pan.ts';

/** Wet pulp takes up so many times the room of its dry matter. */
const SWOLLEN = 18;
/** Share of its volume at which pulp is packed and runs no more. */
const PACKED = 0.64;

/** How many times thicker pulp makes a syrup: Krieger and Dougherty's relation for soft particles, at most two hundred times. */
export function thickenedBy(pulp: number): number {
  const room = Math.min(0.97 * PACKED, SWOLLEN * pulp);
  return Math.min(200, (1 - room / PACKED) ** -1.6);
}

/** Share by weight that does not dissolve. */
export const pulpOf = (part: Composition): number =>
  part.insoluble / Math.max(1e-9, liquidOf(part) + part.insoluble);
