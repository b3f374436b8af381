/** Width in mm of a text set at a size in mm; given by whoever draws, so that screen and print break lines alike. */
export type MeasureText = (text: string, sizeMm: number, bold: boolean) => number;

/** What stands on a label and can be moved there. */
export const FIELDS = ['name', 'use', 'body', 'net', 'date', 'lot', 'nutrition', 'code', 'picture'] as const;
export type FieldId = (typeof FIELDS)[number];

/** One thing drawn, in mm from the left and the top of its face; text to its baseline. */
export type Art = (
  | { kind: 'text'; text: string; x: number; y: number; sizeMm: number; bold: boolean; fill: string }
  | {
      kind: 'rect';
      x: number;
      y: number;
      width: number;
      height: number;
      fill?: string;
      stroke?: string;
      lineMm?: number;
    }
  | { kind: 'circle'; x: number; y: number; r: number; fill?: string; stroke?: string; lineMm?: number }
  | { kind: 'path'; d: string; fill: string }
  | { kind: 'picture'; x: number; y: number; width: number; height: number }
  | { kind: 'code'; x: number; y: number; size: number }
) & {
  /** The field it is of; absent for what is ground alone. */
  of?: FieldId;
};

/** Heights of the typeface, as shares of its size. Source: its own tables (Atkinson Hyperlegible Next). */
export const X_HEIGHT = 0.496;
export const CAPITAL = 0.668;

export const INK = '#141B2D';
export const PAPER = '#FFFFFF';

/** One side of a label: its size, what is drawn on it, and whether everything found room. */
export interface Face {
  id: 'front' | 'back';
  widthMm: number;
  heightMm: number;
  /** Cut as a circle of that width. */
  round: boolean;
  /** Diameter and place of a hole that it hangs by. */
  hole: { x: number; y: number; r: number } | null;
  art: Art[];
}

export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

function boxOfOne(art: Art, measure: MeasureText): Box | null {
  switch (art.kind) {
    case 'text':
      return {
        x: art.x,
        y: art.y - art.sizeMm * 0.78,
        width: measure(art.text, art.sizeMm, art.bold),
        height: art.sizeMm,
      };
    case 'code':
      return { x: art.x, y: art.y, width: art.size, height: art.size };
    case 'rect':
    case 'picture':
      return { x: art.x, y: art.y, width: art.width, height: art.height };
    default:
      return null;
  }
}

/**
 * The box that a field takes on a face; null where it does not stand there.
 * @example boxOf({ id: 'front', widthMm: 60, heightMm: 40, round: false, hole: null, art: [] }, 'name', () => 10) // null
 */
export function boxOf(face: Face, field: FieldId, measure: MeasureText): Box | null {
  const boxes = face.art.filter((a) => a.of === field).flatMap((a) => boxOfOne(a, measure) ?? []);
  if (boxes.length === 0) return null;
  const x = Math.min(...boxes.map((b) => b.x));
  const y = Math.min(...boxes.map((b) => b.y));
  return {
    x,
    y,
    width: Math.max(...boxes.map((b) => b.x + b.width)) - x,
    height: Math.max(...boxes.map((b) => b.y + b.height)) - y,
  };
}

export const overlap = (a: Box, b: Box): boolean =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;

/** A drawn thing moved by so many mm; a path stays where it is. */
export function movedBy(art: Art, dx: number, dy: number): Art {
  return art.kind === 'path' ? art : { ...art, x: art.x + dx, y: art.y + dy };
}

/**
 * A ground that reaches an edge of its face runs so many mm over it, so that a cut a little off shows no white.
 * @example bled({ kind: 'rect', x: 0, y: 0, width: 60, height: 10, fill: '#000000' }, { id: 'front', widthMm: 60, heightMm: 40, round: false, hole: null, art: [] }, 2) // { x: -2, y: -2, width: 64, height: 12 }
 */
export function bled(art: Art, face: Face, mm: number): Art {
  if (art.kind !== 'rect' || art.of !== undefined || !art.fill) return art;
  const left = art.x <= 0 ? mm : 0;
  const top = art.y <= 0 ? mm : 0;
  const right = art.x + art.width >= face.widthMm - 1e-6 ? mm : 0;
  const bottom = art.y + art.height >= face.heightMm - 1e-6 ? mm : 0;
  return {
    ...art,
    x: art.x - left,
    y: art.y - top,
    width: art.width + left + right,
    height: art.height + top + bottom,
  };
}
