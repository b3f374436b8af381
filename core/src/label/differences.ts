import {
  catalogueOf,
  ingredientsAsMade,
  type LotLine,
  type LotRecord,
  lotLines,
  standing,
} from '../lot/index.ts';
import { type CupSchool, weight } from '../quantity/index.ts';

/** Share by which an amount may differ from what the formula asks for before it is told. */
const TOLERATED = 0.05;

interface Weighed {
  line: LotLine;
  /** g that the formula asks for beside what was weighed of everything else. */
  asked: number;
  went: number;
}

/** What went in of each line of the formula, over what the rest of the lot asks of it. */
function weighedLines(lot: LotRecord, cup: CupSchool | null): Weighed[] {
  const additions = standing(lot.additions);
  return lotLines(lot, cup).flatMap((line) => {
    const own = additions.filter((a) => a.lineId === line.lineId && a.grams > 0);
    const went = own.reduce((sum, a) => sum + a.grams, 0);
    // What took the place of something else is told as that.
    const swapped = own.some((a) => a.ingredientId !== line.ingredientId);
    if (went === 0 || swapped || line.byJar) return [];
    const others = { ...lot, additions: lot.additions.filter((a) => a.lineId !== line.lineId) };
    const asked =
      line.follows === null ? line.grams : lotLines(others, cup).find((l) => l.lineId === line.lineId)!.now;
    return asked !== null && asked > 0 ? [{ line, asked, went }] : [];
  });
}

function amountsOff(lot: LotRecord, cup: CupSchool | null): string[] {
  const weighed = weighedLines(lot, cup);
  // A batch that is larger as a whole is the same product: what has an amount of its own is held against the size they came to together.
  const own = weighed.filter(({ line }) => line.follows === null);
  const size = own.reduce((sum, w) => sum + w.went, 0) / own.reduce((sum, w) => sum + w.asked, 0);
  return weighed.flatMap(({ line, asked, went }) => {
    const due = line.follows === null ? asked * size : asked;
    const off = went / due - 1;
    if (Math.abs(off) <= TOLERATED) return [];
    const share = `${Math.round(100 * Math.abs(off))} % ${off > 0 ? 'more' : 'less'}`;
    return [
      `${line.name}: ${weight(went)} went in, ${share} than the ${weight(due)} that the formula asks for in this batch.`,
    ];
  });
}

/**
 * Every difference between what the formula says and what went in, amounts over a twentieth included, in words; a print waits until they are seen.
 * @param cup school of cups the lot was begun under
 * @example differencesFromFormula(lot, 'us') // []
 */
export function differencesFromFormula(lot: LotRecord, cup: CupSchool | null): string[] {
  const planned = new Set(lot.product.content.lines.map((l) => l.ingredientId));
  const made = new Set(ingredientsAsMade(lot).map((m) => m.ingredientId));
  const name = (id: string) => catalogueOf(lot).get(id).name;
  return [
    ...[...planned]
      .filter((id) => !made.has(id))
      .map((id) => `${name(id)} is in the formula and did not go in.`),
    ...[...made]
      .filter((id) => !planned.has(id))
      .map((id) => `${name(id)} went in and is not in the formula.`),
    ...amountsOff(lot, cup),
  ];
}
