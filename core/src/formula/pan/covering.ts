import { typicalPan } from '../../pan/index.ts';
import type { Texture } from '../texture.ts';
import { type Pan, solidVolumeOf, volumeOf } from './pan.ts';

/** Share of a heap of pieces that is room between them. Typical of practice: spheres poured loosely leave 0.40, soft fruit settles. */
const BETWEEN: Record<Texture, number> = { fine: 0.15, soft: 0.3, chopped: 0.4, firm: 0.42, dried: 0.45 };
/** How far liquid stands over what it covers, mm. */
export const COVERS_BY = 15;

/**
 * Volume in mL of liquid that covers what is in a pan: the room between its pieces, and 15 mm over them, less what runs there already.
 * @param pan what is in it, g; @param panMm its width in mm, one usual for its heap where absent
 * @returns null where there are no pieces to cover
 */
export function covering(pan: Pan, panMm: number | undefined): number | null {
  let [pieces, heap] = [0, 0];
  for (const key in pan.fruit) {
    const texture = key as Texture;
    const part = pan.fruit[texture]!;
    const ml = volumeOf(part) + solidVolumeOf(part);
    pieces += ml;
    heap += ml / (1 - BETWEEN[texture]);
  }
  if (!(pieces > 0)) return null;
  const width = panMm ?? typicalPan(1.3 * heap);
  const over = ((Math.PI / 4) * width ** 2 * COVERS_BY) / 1000;
  return Math.max(0, heap - pieces + over - volumeOf(pan.liquid));
}
