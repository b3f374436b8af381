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
    boil: `${r.value} min`,
    mass: weight(r.value),
  }[r.kind];
}

export const readingNames = {
  brix: 'Refractometer',
  ph: 'pH meter',
  ta: 'Titration',
  depth: 'Ruler',
  temperature: 'Thermometer',
  boil: 'Full boil, seen',
  mass: 'Scale',
  note: 'Note',
} as const;

/** How a reading was taken, where that matters to what it is good for. */
export const howTaken = (r: Reading): string[] => [
  ...(r.heldMinutes !== null ? [`held ${r.heldMinutes} min`] : []),
  ...(r.kind === 'ph' && r.celsius !== null ? [`sample at ${r.celsius.toFixed(0)} °C`] : []),
  ...(r.diluted ? ['diluted 1:1'] : []),
  ...(r.simulated ? ['simulated instrument'] : []),
];
