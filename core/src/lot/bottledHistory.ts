import {
  bottleSize,
  degrees,
  degreesShown,
  inWords,
  limitOfHeat,
  temperature,
  volume,
} from '../quantity/index.ts';
import { gapSaid } from './gate/gateCount.ts';
import { sealWords } from './gate/gateSeal.ts';
import type { Happening } from './happening.ts';
import type { LotRecord } from './record.ts';

const PUT = { boil: 'Full boil', stopped: 'The boil stopped', off: 'Fire off', lifted: 'Lifted' } as const;

function closedWords(b: LotRecord['bottlings'][number]): string {
  if (b.closing === 'cooled')
    return `cooled open${b.hoursTo21 === null ? '' : `, at ${limitOfHeat(21)} after ${b.hoursTo21} h`}${b.hoursToCold === null ? '' : `, at ${limitOfHeat(5)} after ${b.hoursToCold} h`}`;
  const read = [b.fillCelsius, b.middleCelsius, b.lastCelsius].filter((t) => t !== null);
  return `closed hot${read.length > 0 ? ` at ${read.map(degreesShown).join(', ')} ${degrees()}` : ''}`;
}

/** What was filled, retired, ticked, weighed and accounted for. */
export function bottled(lot: LotRecord): Happening[] {
  const fills = lot.bottlings.map((b) => ({
    ...b,
    title: `Filled ${b.count} × ${bottleSize(b.nominalMl)}`,
    detail: `${b.container}, ${closedWords(b)}${b.withdrawals.length > 0 ? `; out of ${b.withdrawals.map((d) => d.code).join(', ')}` : ''}`,
  }));
  const faults = lot.faults.map((f) => ({
    ...f,
    title: `Retired ${f.count}: ${inWords(f.fault)}`,
    detail: f.container,
  }));
  const tallies = lot.tallies.map((t) => ({
    ...t,
    title: `Accounted for ${volume(t.inPanMl, 0)}`,
    detail: `${Math.round(t.filledMl)} in bottles${t.parts.map((p) => `, ${Math.round(p.ml)} ${inWords(p.part)}`).join('')}, ${gapSaid(t.gapMl)}${t.why ? `: ${t.why}` : ''}`,
  }));
  const weighings = lot.weighings.map((w) => ({
    ...w,
    title: `Weighed a bottle: ${volume(w.netMl, 1)}`,
    detail: `${w.grossGrams} g full, ${w.tareGrams} g empty`,
  }));
  const coolings = lot.coolings.map((c) => ({
    ...c,
    title: `Cooling: ${temperature(c.celsius)}`,
    detail: '',
  }));
  const ticks = lot.ticks.map((t) => ({ ...t, title: `Ticked bottle ${t.bottle}`, detail: '' }));
  return [...fills, ...faults, ...tallies, ...weighings, ...coolings, ...ticks];
}

/** Processes, loads with their marks, and curves. */
export function heated(lot: LotRecord): Happening[] {
  const processes = lot.heatProcesses.map((p) => ({
    ...p,
    title: `Heat process: ${p.minutes} of ${p.requiredMinutes} min`,
    detail: `${p.name}${p.bottles === null ? '' : `, ${p.bottles} bottles`}. ${p.source}${p.mismatches.length > 0 ? `. Does not match: ${p.mismatches.join('; ')}` : ''}`,
  }));
  const loads = lot.loads.flatMap((l) => [
    { ...l, title: `Load ${l.number} into the canner: ${l.bottles} bottles`, detail: l.name },
    ...l.marks.map((m) => ({
      id: m.id,
      at: m.at,
      recordedAt: m.recordedAt,
      by: m.by,
      struck: null,
      title: `${PUT[m.kind]}, load ${l.number}`,
      detail: '',
    })),
  ]);
  const curves = lot.curves.map((c) => ({
    ...c,
    title: `A logger’s curve: ${c.minutes.toFixed(1)} min at 93.3 °C`,
    detail: c.name,
  }));
  return [...processes, ...loads, ...curves];
}

/** Seal checks and what became of what failed. */
export function checked(lot: LotRecord): Happening[] {
  const seals = lot.sealChecks.map((s) => ({
    ...s,
    title: `Seals: ${s.checked} ${sealWords(lot).done}, ${s.failed} failed`,
    detail: s.signs.join(', '),
  }));
  const fates = lot.fates.map((f) => ({
    ...f,
    struck: null,
    title: `Failed seals: ${f.count} ${inWords(f.fate)}`,
    detail: '',
  }));
  return [...seals, ...fates];
}

/** What was out of its limits, and how it was closed. */
export function deviated(lot: LotRecord): Happening[] {
  return lot.deviations.flatMap((d) => [
    { ...d, struck: null, title: 'Out of its limits', detail: d.what },
    ...(d.closed
      ? [
          {
            id: `${d.id} closed`,
            at: d.closed.at,
            by: d.closed.by,
            struck: null,
            title: 'Deviation closed',
            detail: `Cause: ${d.closed.cause}. Done: ${d.closed.done}.`,
          },
        ]
      : []),
  ]);
}
