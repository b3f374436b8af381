import { loadClock, netContents, thermalShock } from '../bottling/index.ts';
import { degreesApart, limitOfHeat, temperature } from '../quantity/index.ts';
import { cooledIn } from './gate/cooled.ts';
import { minutesAskedOf } from './gate/gateHeat.ts';
import { type BottlingEntry, type LotRecord, standing } from './record.ts';

/** Something a lot's record shows to be out of its limits. */
export interface OutOfLimits {
  kind: 'thermal shock' | 'cooling' | 'process short' | 'lifted early' | 'net contents';
  what: string;
  entryId: string;
}

const round = (value: number): number => Math.round(value * 10) / 10;

function ofFilling(lot: LotRecord, b: BottlingEntry): OutOfLimits[] {
  const found: OutOfLimits[] = [];
  if (b.glassCelsius !== null && b.fillCelsius !== null) {
    const shock = thermalShock(b.glassCelsius, b.fillCelsius);
    if (shock.over)
      found.push({
        kind: 'thermal shock',
        what: `Glass at ${temperature(b.glassCelsius)} was filled at ${temperature(b.fillCelsius)}: ${degreesApart(shock.differenceCelsius)} apart, over ${degreesApart(shock.limitCelsius)}.`,
        entryId: b.id,
      });
  }
  if (b.closing !== 'cooled') return found;
  const { to21, to5 } = cooledIn(lot, b);
  const late = [
    ...(to21 !== null && to21 > 2 ? [`${round(to21)} h to ${limitOfHeat(21)}, where 2 are allowed`] : []),
    ...(to5 !== null && to5 > 6 ? [`${round(to5)} h to ${limitOfHeat(5)}, where 6 are allowed`] : []),
  ];
  if (late.length > 0)
    found.push({ kind: 'cooling', what: `It cooled too slowly: ${late.join('; ')}.`, entryId: b.id });
  return found;
}

function ofHeat(lot: LotRecord): OutOfLimits[] {
  const short = standing(lot.heatProcesses)
    .filter((p) => p.minutes < minutesAskedOf(lot, p))
    .map((p) => ({
      kind: 'process short' as const,
      what: `${p.name} lasted ${round(p.minutes)} of ${minutesAskedOf(lot, p)} min.`,
      entryId: p.id,
    }));
  const early = standing(lot.loads).flatMap((load) => {
    const clock = loadClock(load, load.marks.at(-1)?.at ?? load.at);
    if (clock.phase !== 'lifted' || clock.restLeftSeconds! <= 0.5) return [];
    return [
      {
        kind: 'lifted early' as const,
        what: `Load ${load.number} was lifted ${round(clock.restedSeconds! / 60)} min after the fire went off, and its source asks for ${load.restMinutes}.`,
        entryId: load.id,
      },
    ];
  });
  return [...short, ...early];
}

function ofContents(lot: LotRecord): OutOfLimits[] {
  return standing(lot.bottlings).flatMap((b) => {
    const weighed = standing(lot.weighings).filter((w) => w.bottlingId === b.id);
    if (weighed.length === 0) return [];
    const { reasons } = netContents(
      lot.rulePack,
      b.nominalMl,
      weighed.map((w) => w.netMl),
    );
    if (reasons.length === 0) return [];
    return [{ kind: 'net contents' as const, what: `${b.container}: ${reasons.join('; ')}.`, entryId: b.id }];
  });
}

/**
 * Everything in a lot's record that is out of its limits by itself; each opens a deviation, once.
 * @example outOfLimits(lot) // []
 */
export const outOfLimits = (lot: LotRecord): OutOfLimits[] => [
  ...standing(lot.bottlings).flatMap((b) => ofFilling(lot, b)),
  ...ofHeat(lot),
  ...ofContents(lot),
];
