import { isAcidifier } from '../../ingredient/index.ts';
import type { CupSchool } from '../../quantity/index.ts';
import { weight } from '../../quantity/index.ts';
import { catalogueOf } from '../catalogue.ts';
import { gramsTicked } from '../keeping/jarByJar.ts';
import { lotLines } from '../pan/asWeighed.ts';
import { type Addition, type LotRecord, standing } from '../record.ts';

/** What stands weighed in of a formula's line. */
export interface WeighedIn {
  /** In order; a line goes in in one part or in several. */
  parts: Addition[];
  /** g so far. */
  grams: number;
  /** Whether nothing of it is in yet, or more of it is to follow. */
  open: boolean;
}

/**
 * What stands weighed in of a line: its parts, their sum, and whether more of it is to follow.
 * @example weighedIn({ ...lot, additions: [] }, 'fruit').open // true
 */
export function weighedIn(lot: Pick<LotRecord, 'additions'>, lineId: string): WeighedIn {
  const parts = standing(lot.additions).filter((a) => a.lineId === lineId);
  return {
    parts,
    grams: parts.reduce((sum, a) => sum + a.grams, 0),
    open: parts.length === 0 || parts.at(-1)!.more,
  };
}

/** How far what goes in may lie from what the formula asks for before it is asked about: twice, or half of it. */
const [TWICE, HALF] = [1.95, 0.55];
/** An acid may not fall short by more than the scale's own error. */
const ACID_SHORT = 0.97;

/**
 * What is unlike the formula in an amount that goes in, as a question; null where nothing is. A shortfall of acid is always asked about.
 * @param lot the lot before it; @param said grams of a line, and whether more of it follows; @param cup school of cups it was begun under
 * @example amountDoubt({ ...lot, additions: [] }, { lineId: 'sugar', grams: 2000, more: false }, 'us') // null
 */
export function amountDoubt(
  lot: LotRecord,
  said: { lineId: string | null; grams: number; more: boolean },
  cup: CupSchool | null,
): string | null {
  const line = lotLines(lot, cup).find((l) => l.lineId === said.lineId);
  // What goes in jar by jar is held against the jars that were ticked for it.
  const asked = line?.byJar ? gramsTicked(lot, line.lineId, cup) : (line?.now ?? line?.grams ?? null);
  if (!line || asked === null || !(asked > 0) || !(said.grams > 0)) return null;
  const total = weighedIn(lot, line.lineId).grams + said.grams;
  const from = line.byJar ? 'The jars ticked for it ask for' : 'The formula asks for';
  const question = `${from} ${weight(asked)} of ${line.name.toLowerCase()}, and this makes ${weight(total)}.`;
  if (total > TWICE * asked) return `${question} Weigh it again, or say why it is so much.`;
  if (said.more) return null;
  const acid = isAcidifier(catalogueOf(lot).get(line.ingredientId));
  if (acid && total < ACID_SHORT * asked)
    return `${question} Acid is what keeps it: put in the rest, or say why it is less.`;
  return total < HALF * asked
    ? `${question} Weigh it again, say that more of it follows, or say why it is so little.`
    : null;
}
