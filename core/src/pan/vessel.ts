import { z } from 'zod';
import { volume } from '../quantity/index.ts';

const mm = (what: string) => z.number().min(0, what).max(2000, 'At most 2,000 mm.');

/** One part of a pan, from its lower to its upper rim; straight sided where the two are alike. Millimetres, inside. */
export const Frustum = z.object({
  heightMm: z.number().gt(0, 'Over 0 mm high.').max(1500, 'At most 1,500 mm.'),
  lowerDiameterMm: mm('Not under 0 mm.'),
  upperDiameterMm: mm('Not under 0 mm.'),
});
export type Frustum = z.infer<typeof Frustum>;

/** A known volume that was poured in, and the depth it reached. */
const Pouring = z.object({
  depthMm: z.number().gt(0, 'Over 0 mm deep.').max(1500, 'At most 1,500 mm.'),
  ml: z.number().gt(0, 'Over 0 mL.').max(200_000, 'At most 200 L.'),
});

/** A vessel by its measures, bottom first, or by volumes poured in against the depth they reached. */
export const VesselShape = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('frusta'),
    frusta: z.array(Frustum).min(1, 'How wide and how high?').max(6).readonly(),
  }),
  z.object({
    kind: z.literal('poured'),
    rows: z.array(Pouring).min(1, 'Pour at least one volume.').max(20).readonly(),
  }),
]);
export type VesselShape = z.infer<typeof VesselShape>;

const CUBIC_MM_IN_ML = 1000;

/** Volume in mL of the lowest `depth` mm of a frustum. */
function frustumMl({ heightMm, lowerDiameterMm, upperDiameterMm }: Frustum, depth: number): number {
  const low = lowerDiameterMm / 2;
  const at = low + ((upperDiameterMm / 2 - low) * depth) / heightMm;
  return (Math.PI * depth * (low * low + low * at + at * at)) / 3 / CUBIC_MM_IN_ML;
}

function checkedFrusta(frusta: readonly Frustum[]): readonly Frustum[] {
  if (frusta.length === 0) throw new RangeError('A pan needs its diameter and its height');
  for (const f of frusta)
    if (
      !(
        f.heightMm > 0 &&
        f.lowerDiameterMm >= 0 &&
        f.upperDiameterMm >= 0 &&
        f.lowerDiameterMm + f.upperDiameterMm > 0
      )
    )
      throw new RangeError('Each part of a pan is over 0 mm high, and over 0 mm wide at one end at least');
  return frusta;
}

function checkedRows(rows: readonly { depthMm: number; ml: number }[]): { depthMm: number; ml: number }[] {
  const all = [{ depthMm: 0, ml: 0 }, ...rows.filter((r) => r.depthMm > 0)];
  for (let i = 1; i < all.length; i++)
    if (!(all[i]!.depthMm > all[i - 1]!.depthMm && all[i]!.ml > all[i - 1]!.ml))
      throw new RangeError('Poured volumes rise with their depths: write them from the bottom up');
  if (all.length < 2) throw new RangeError('Pour at least one known volume and read its depth');
  return all;
}

/**
 * Depth in mm to which a vessel can be filled.
 * @example vesselDepth(pan) // 150
 */
export function vesselDepth(shape: VesselShape): number {
  if (shape.kind === 'poured') return checkedRows(shape.rows).at(-1)!.depthMm;
  return checkedFrusta(shape.frusta).reduce((sum, f) => sum + f.heightMm, 0);
}

/**
 * Volume in mL that a vessel holds to its rim, or to the deepest that was poured.
 * @example vesselVolume(pan) // 10602.9
 */
export const vesselVolume = (shape: VesselShape): number => volumeAtDepth(shape, vesselDepth(shape));

/**
 * Inner diameter in mm at a depth; null for a vessel known only by what was poured in.
 * @example diameterAt(pan, 75) // 300
 */
export function diameterAt(shape: VesselShape, depthMm: number): number | null {
  if (shape.kind === 'poured') return null;
  let left = depthMm;
  for (const f of checkedFrusta(shape.frusta)) {
    if (left <= f.heightMm)
      return f.lowerDiameterMm + ((f.upperDiameterMm - f.lowerDiameterMm) * Math.max(0, left)) / f.heightMm;
    left -= f.heightMm;
  }
  return shape.frusta.at(-1)!.upperDiameterMm;
}

/**
 * Volume of liquid in a vessel by the depth read on a ruler.
 * @param shape frusta or poured volumes; @param depthMm 0 to the vessel's depth; @returns mL, linear between poured rows
 * @throws RangeError where the depth is outside the vessel or the vessel has no size. Source: volume of a conical frustum.
 * @example volumeAtDepth({ kind: 'frusta', frusta: [{ heightMm: 100, lowerDiameterMm: 200, upperDiameterMm: 200 }] }, 50) // 1570.8
 */
export function volumeAtDepth(shape: VesselShape, depthMm: number): number {
  const deepest = vesselDepth(shape);
  if (!(depthMm >= 0 && depthMm <= deepest + 1e-9))
    throw new RangeError(`A depth of ${depthMm} mm is outside 0 to ${deepest} mm, the depth of the pan`);
  if (shape.kind === 'poured') {
    const rows = checkedRows(shape.rows);
    const i = Math.max(
      1,
      rows.findIndex((r) => r.depthMm >= depthMm - 1e-12),
    );
    const [a, b] = [rows[i - 1]!, rows[i]!];
    return a.ml + ((b.ml - a.ml) * (depthMm - a.depthMm)) / (b.depthMm - a.depthMm);
  }
  let [ml, left] = [0, depthMm];
  for (const f of shape.frusta) {
    const part = Math.min(left, f.heightMm);
    if (part <= 0) break;
    ml += frustumMl(f, part);
    left -= part;
  }
  return ml;
}

/**
 * Depth of a volume of liquid in a vessel.
 * @param shape frusta or poured volumes; @param ml 0 to what the vessel holds; @returns mm, by bisection to a thousandth of a mm
 * @throws RangeError where the vessel does not hold it
 * @example depthAtVolume({ kind: 'frusta', frusta: [{ heightMm: 100, lowerDiameterMm: 200, upperDiameterMm: 200 }] }, 1000) // 31.83
 */
export function depthAtVolume(shape: VesselShape, ml: number): number {
  const deepest = vesselDepth(shape);
  const holds = volumeAtDepth(shape, deepest);
  if (!(ml >= 0 && ml <= holds + 1e-6))
    throw new RangeError(`${volume(ml, 0)} is outside 0 to ${volume(holds, 0)}, what the pan holds`);
  let [low, high] = [0, deepest];
  for (let i = 0; i < 60 && high - low > 1e-7; i++) {
    const middle = (low + high) / 2;
    if (volumeAtDepth(shape, middle) < ml) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
