import type { VesselShape } from '@inch/core/pan';
import { type CupSchool, parseQuantity, toGrams, toMillimetres } from '@inch/core/quantity';

/** The words of the form that measures a pan. */
export interface PanForm {
  kind: 'straight' | 'tapered' | 'poured';
  across: string;
  lower: string;
  high: string;
  /** A volume and its depth to a line. */
  poured: string;
}

/** A length as it is said: inches with fractions, mm or cm; a bare number with a fraction is inches. */
function length(text: string): number {
  const bare = /^[\d\s./]+$/.test(text.trim());
  return toMillimetres(parseQuantity(bare ? `${text} in` : text));
}

/** mL of a volume as it is said; weighed as water, which is what is poured. */
const volume = (text: string, cup: CupSchool | null): number =>
  toGrams(
    parseQuantity(text, cup ? { cup } : {}),
    { name: 'water', gramsPerMl: { cup: 1, spoon: 1 } },
    { cup: cup ?? undefined },
  ).grams;

function pouredRows(text: string, cup: CupSchool | null): { depthMm: number; ml: number }[] {
  return text
    .split('\n')
    .filter((line) => line.trim() !== '')
    .map((line) => {
      const [poured, depth] = line.split(/[,;:]|\bat\b/);
      if (!poured || !depth) throw new RangeError(`Write a volume, a comma and a depth: "${line.trim()}"`);
      return { ml: volume(poured.trim(), cup), depthMm: length(depth.trim()) };
    });
}

/** The vessel that a form's words describe, or what is still asked. */
export function shapeFrom(form: PanForm, cup: CupSchool | null): { shape: VesselShape } | { asks: string } {
  try {
    if (form.kind === 'poured') {
      const rows = pouredRows(form.poured, cup);
      return rows.length === 0
        ? { asks: 'Pour at least one volume in, and write its depth.' }
        : { shape: { kind: 'poured', rows } };
    }
    const needed = form.kind === 'tapered' ? [form.across, form.high, form.lower] : [form.across, form.high];
    if (needed.some((text) => text.trim() === '')) return { asks: 'How wide and how high is it?' };
    const upperDiameterMm = length(form.across);
    const lowerDiameterMm = form.kind === 'tapered' ? length(form.lower) : upperDiameterMm;
    return {
      shape: { kind: 'frusta', frusta: [{ heightMm: length(form.high), lowerDiameterMm, upperDiameterMm }] },
    };
  } catch (error) {
    return { asks: (error as Error).message };
  }
}
