import { waterActivity } from '../sugar/index.ts';

/** Steps of the table to a °Bx. */
const FINE = 4;
const LAST = 99;
let table: Float64Array | null = null;

/** Water activity of a sucrose syrup of some °Bx, 0 to 99, from a table of quarter degrees: a boil asks for it thousands of times. */
export function syrupActivity(brix: number): number {
  if (!table) {
    table = new Float64Array(LAST * FINE + 2);
    for (let i = 0; i < table.length; i++)
      table[i] = Math.max(0.05, waterActivity({ water: 100 - Math.min(LAST, i / FINE), sucrose: i / FINE }));
  }
  const at = Math.min(LAST, Math.max(0, brix)) * FINE;
  const i = Math.floor(at);
  return table[i]! + (table[i + 1]! - table[i]!) * (at - i);
}
