import type { LotView } from '@inch/contract/lot';
import { weight } from '../../ui/format.ts';
import { depthSaid, type RulerUnit } from '../../ui/ruler.ts';

type Reading = LotView['readings'][number];

/** A reading's figure as it stands after correction. */
export function readingSaid(r: Reading, ruler: RulerUnit = 'mm'): string {
  if (r.kind === 'note' || r.value === null) return '';
  return {
    brix: `${r.value.toFixed(1)} °Bx`,
    ph: `pH ${r.value.toFixed(2)}`,
    ta: `${r.value.toFixed(2)} g/L`,
    depth: depthSaid(r.value, ruler),
    temperature: `${r.value.toFixed(0)} °C`,
    mass: weight(r.value),
  }[r.kind];
}

export const readingNames = {
  brix: 'Refractometer',
  ph: 'pH meter',
  ta: 'Titration',
  depth: 'Ruler',
  temperature: 'Thermometer',
  mass: 'Scale',
  note: 'Note',
} as const;
