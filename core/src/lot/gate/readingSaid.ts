import { brixSaid, depthSaid, temperature, volume, weight } from '../../quantity/index.ts';
import type { LotRecord } from '../record.ts';

type Reading = LotRecord['readings'][number];

/**
 * A reading's figure as it stands after correction, with its unit; empty for a note.
 * @param ruler what depths are said in
 * @example readingSaid({ kind: 'ph', value: 3.2 }) // 'pH 3.20'
 */
export function readingSaid(r: Reading, ruler: 'in' | 'mm' = 'mm'): string {
  if (r.kind === 'note' || r.value === null) return '';
  return {
    brix: `${brixSaid(r.value)}`,
    ph: `pH ${r.value.toFixed(2)}`,
    ta: `${r.value.toFixed(2)} g/L`,
    depth: depthSaid(r.value, ruler),
    temperature: `${temperature(r.value, 0)}`,
    boil: `${r.value} min`,
    mass: weight(r.value),
    volume: volume(r.value, 0),
    'water-activity': `a_w ${r.value.toFixed(3)}`,
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
  volume: 'Jug',
  'water-activity': 'Water activity meter',
  note: 'Note',
} as const;

/**
 * How a reading was taken, where that matters to what it is good for.
 * @example howTaken({ kind: 'ph', heldMinutes: null, celsius: 20, diluted: true, simulated: false }) // ['sample at 20 °C', 'diluted 1:1']
 */
export const howTaken = (r: Reading): string[] => [
  ...(r.heldMinutes !== null ? [`held ${r.heldMinutes} min`] : []),
  ...(r.kind === 'ph' && r.celsius !== null ? [`sample at ${temperature(r.celsius, 0)}`] : []),
  ...(r.diluted ? ['diluted 1:1'] : []),
  ...(r.simulated ? ['simulated instrument'] : []),
];
