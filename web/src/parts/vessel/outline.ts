import { diameterAt, type VesselShape, vesselDepth, volumeAtDepth } from '@inch/core/pan';

/** Inner width in mm at a depth, of a vessel known by its measures or by what was poured in. */
export function widthAt(shape: VesselShape, depthMm: number): number {
  const measured = diameterAt(shape, depthMm);
  if (measured !== null) return measured;
  const deepest = vesselDepth(shape);
  const near = deepest / 6;
  const [low, high] = [Math.max(0, depthMm - near), Math.min(deepest, depthMm + near)];
  const area = ((volumeAtDepth(shape, high) - volumeAtDepth(shape, low)) * 1000) / (high - low);
  return 2 * Math.sqrt(area / Math.PI);
}

/** Half the inner width and the depth, in mm, from the bottom up to a depth. */
function halves(shape: VesselShape, upTo: number): [number, number][] {
  const steps = 24;
  return Array.from({ length: steps + 1 }, (_, i) => {
    const at = (upTo * i) / steps;
    return [widthAt(shape, at) / 2, at];
  });
}

const BOX = { width: 300, height: 316 };

/** Where a vessel and the ruler beside it stand in a drawing. */
export interface Placed {
  shape: VesselShape;
  /** Height of the vessel, mm. */
  height: number;
  /** Height of the drawing, and where the ruler begins in it. */
  tall: number;
  rulerX: number;
  bottom: number;
  centre: number;
  /** Drawn units of a mm. */
  scale: number;
  y: (mm: number) => number;
  /** Half the drawn width at a depth. */
  half: (mm: number) => number;
  /** Path around the vessel up to a depth. */
  path: (upTo: number) => string;
}

/** Places a vessel in its box, as large as it goes. */
export function placed(shape: VesselShape): Placed {
  const height = vesselDepth(shape);
  const widest = Math.max(...halves(shape, height).map(([half]) => half * 2));
  const scale = Math.min(BOX.width / widest, (BOX.height - 30) / height);
  const tall = height * scale + 34;
  const [centre, bottom] = [(widest * scale) / 2 + 12, tall - 6];
  const y = (mm: number) => bottom - mm * scale;
  return {
    shape,
    height,
    scale,
    tall,
    centre,
    bottom,
    y,
    rulerX: widest * scale + 38,
    half: (mm) => (widthAt(shape, Math.min(height, mm)) / 2) * scale,
    path: (upTo) => {
      const points = (side: 1 | -1) =>
        halves(shape, upTo).map(
          ([half, at]) => `${(centre + side * half * scale).toFixed(1)} ${y(at).toFixed(1)}`,
        );
      return `M${points(-1).reverse().join(' L')} L${points(1).join(' L')} Z`;
    },
  };
}
