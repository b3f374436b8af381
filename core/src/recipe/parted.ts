import type { ReadListLine } from '../formula/index.ts';
import type { KitchenCatalogue } from '../ingredient/index.ts';
import { type Mention, sharesIn } from './account/mention.ts';
import { restOf, shareOf } from './account/told.ts';
import type { Clause } from './clause.ts';
import { isNamed, type NamedLine, namedLines } from './placing.ts';

/** A part of a line, and the clause that it goes in at. */
export interface Parted {
  line: ReadListLine;
  clause: number;
}

/** A part of a line that a clause tells of. */
interface Told {
  clause: number;
  share: number | 'rest';
}

/** Where a method tells of parts of a line: half of it here, the rest there. */
function toldOf(
  one: NamedLine,
  clauses: readonly { shares: Mention[] }[],
  all: readonly NamedLine[],
): Told[] {
  return clauses.flatMap(({ shares }, clause) =>
    shares.flatMap(({ thing, share }) =>
      share !== undefined && thing !== '' && isNamed(thing, one, all) ? [{ clause, share }] : [],
    ),
  );
}

/** The lines that a part of one line becomes: each with its amount, the last asking where some is left. */
function partsOf(line: ReadListLine, told: readonly Told[], part: () => number): Parted[] {
  const amounts: string[] = [];
  const parts = told.map(({ clause, share }): Parted => {
    const said = share === 'rest' ? restOf(line.said, amounts) : shareOf(line.said, share);
    if (said !== null) amounts.push(said);
    const number = amounts.length > 1 || clause !== told[0]!.clause ? { part: part() } : {};
    const query =
      said === null ? `How much of “${line.text}” goes in there? Its words say a part of it.` : null;
    return { clause, line: { ...line, ...number, said: said ?? '', ...(query ? { query } : {}) } };
  });
  const left = restOf(line.said, amounts);
  const last = parts.at(-1)!;
  if (left !== null && !last.line.query)
    last.line.query = `${left} of “${line.text}” is not told of: where does it go in?`;
  return parts;
}

/**
 * Parts the lines of a list that a method puts in by parts: "half the sugar", and "the rest of the sugar" later.
 * @returns every line once, or in its parts, each of those with the clause it goes in at
 */
export function partedBy(
  lines: readonly ReadListLine[],
  clauses: readonly Clause[],
  catalogue: KitchenCatalogue,
): { lines: ReadListLine[]; parted: Parted[] } {
  const named = namedLines(lines, catalogue);
  const shares = clauses.map(({ text }) => ({ shares: sharesIn(text, catalogue) }));
  const parted: Parted[] = [];
  const all = named.flatMap((one) => {
    const told = one.line.basis || one.line.query ? [] : toldOf(one, shares, named);
    if (!told.some(({ share }) => share !== 'rest')) return [one.line];
    const others = lines.filter(({ number }) => number === one.line.number).length;
    let next = Math.max(1, others);
    const parts = partsOf(one.line, told, () => (next += 1));
    parted.push(...parts);
    return parts.map(({ line }) => line);
  });
  return { lines: all, parted };
}
