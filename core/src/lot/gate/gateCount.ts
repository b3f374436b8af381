import { bottleSize, inWords, volume } from '../../quantity/index.ts';
import { catalogueOf } from '../catalogue.ts';
import { lotBottles } from '../keeping/bottles.ts';
import { type LotRecord, standing } from '../record.ts';
import { type Gate, gate, shown } from './gate.ts';
import { workedIn } from './workedOver.ts';

/**
 * Lines that go in bottle by bottle, with the bottles of the lot that nobody ticked.
 * @example bottlesNotTicked(lot) // []
 */
export function bottlesNotTicked(lot: LotRecord): { lineId: string; name: string; bottles: number[] }[] {
  const { filled } = lotBottles(lot);
  const catalogue = catalogueOf(lot);
  const ticks = standing(lot.ticks);
  return lot.product.content.lines
    .filter((line) => line.basis?.per === 'bottle' && !leftOut(lot, line.id))
    .map((line) => {
      const ticked = new Set(ticks.filter((t) => t.lineId === line.id).map((t) => t.bottle));
      const bottles = Array.from({ length: filled }, (_, i) => i + 1).filter((n) => !ticked.has(n));
      return { lineId: line.id, name: catalogue.get(line.ingredientId).name.toLowerCase(), bottles };
    })
    .filter((line) => line.bottles.length > 0);
}

/** A line that was left out with a word why goes into no bottle. */
const leftOut = (lot: LotRecord, lineId: string): boolean => {
  const recorded = standing(lot.additions).filter((a) => a.lineId === lineId);
  return recorded.length > 0 && recorded.every((a) => a.grams === 0);
};

/**
 * What a tally leaves open, in words.
 * @example gapSaid(60) // '60 mL unaccounted for'
 */
export const gapSaid = (gapMl: number): string =>
  gapMl >= 0
    ? `${volume(gapMl, 0)} unaccounted for`
    : `${volume(-gapMl, 0)} more accounted for than was there`;

/** The tally that stands, if what it counted as filled still is what is filled. */
function tallyMissing(lot: LotRecord): string | null {
  const tally = standing(lot.tallies).at(-1);
  if (!tally) return 'Account for every millilitre: what was in the pan, and where it went.';
  const { millilitres } = lotBottles(lot);
  if (Math.abs(tally.filledMl - millilitres) > 0.5)
    return 'Bottles were filled after the millilitres were accounted for: do it again.';
  if (tally.asks && !tally.why) return `${gapSaid(tally.gapMl)}, more than this kitchen allows: write why.`;
  return null;
}

/** What went into the lot after its bottles were filled, or was written down only then. */
function workedInAfter(lot: LotRecord): string[] {
  const bottlings = standing(lot.bottlings);
  const later = workedIn(lot);
  if (bottlings.some((b) => later.some((a) => a.at > b.at)))
    return ['More went in after bottles were filled: undo that filling and count the bottles again.'];
  const untold = later.filter(
    (a) =>
      bottlings.some((b) => a.recordedAt > b.recordedAt) &&
      !lot.decisions.some((d) => d.event === 'resume' && d.recordedAt > a.recordedAt),
  );
  if (untold.length === 0) return [];
  const catalogue = catalogueOf(lot);
  const names = untold.map((a) => catalogue.get(a.ingredientId).name.toLowerCase());
  return [
    `Written down after the bottles were filled: ${[...new Set(names)].join(', ')}. Hold it, and resume it once it is clear that it was in the pan.`,
  ];
}

/** Bottles counted, their glass looked at, every tick made, and every millilitre recorded. */
export function countGate(lot: LotRecord): Gate {
  const bottlings = standing(lot.bottlings);
  const evidence = bottlings.map((b) =>
    shown(
      `${b.count} × ${bottleSize(b.nominalMl)} counted${b.checked ? ', rims and lids looked at' : ''}`,
      'bottling',
      b.id,
    ),
  );
  for (const f of standing(lot.faults)) evidence.push(shown(`${f.count} retired: ${inWords(f.fault)}`));
  for (const t of standing(lot.tallies))
    evidence.push(
      shown(
        `${volume(t.inPanMl, 0)} in the pan, ${gapSaid(t.gapMl)}${t.why ? `: ${t.why}` : ''}`,
        'tally',
        t.id,
      ),
    );
  const weighed = standing(lot.weighings);
  if (weighed.length > 0) {
    const average = weighed.reduce((sum, w) => sum + w.netMl, 0) / weighed.length;
    evidence.push(
      shown(`${weighed.length} weighed, ${volume(average, 0)} on average`, 'weighing', weighed[0]!.id),
    );
  }
  const missing: string[] = [];
  if (bottlings.length === 0) missing.push('Count the bottles by size.');
  else {
    if (bottlings.some((b) => !b.checked))
      missing.push('Feel every rim, look at rings and lids, and record that it was done.');
    for (const line of bottlesNotTicked(lot))
      missing.push(`Not ticked for ${line.name}: bottle ${line.bottles.join(', ')}.`);
    missing.push(...workedInAfter(lot));
    const tally = tallyMissing(lot);
    if (tally) missing.push(tally);
  }
  return gate(
    'count',
    'Are the bottles counted, and every millilitre?',
    evidence,
    missing.length > 0 ? missing.join(' ') : null,
  );
}
