import { spokenDay } from '../calendar/index.ts';
import type { LotKeeping, LotRecord } from '../lot/index.ts';
import { lotBottles, printsOf, retainedGroups } from '../lot/index.ts';
import { plural } from '../quantity/index.ts';
import type { LabelContent } from './content.ts';

/**
 * The warnings of a label: what must not be missing on one that was printed before it was known.
 * @example warningsOf({ ...label, warning: 'Not pasteurised.', infantLine: '', alcoholLine: '', allergens: '', statement: 'Ingredients: sugar.', cautions: [] }) // ['Not pasteurised.']
 */
export const warningsOf = (
  label: Pick<
    LabelContent,
    'warning' | 'infantLine' | 'alcoholLine' | 'allergens' | 'statement' | 'cautions'
  >,
): string[] =>
  [
    label.warning,
    label.infantLine,
    label.alcoholLine,
    label.allergens,
    ...label.cautions.map((c) => c.text),
    // What stands out in a European list is an allergen.
    ...(label.statement.replace(/^[^:]*:/, '').match(/\p{Lu}{3,}/gu) ?? []),
  ].filter((text) => text !== '');

type Print = LotRecord['prints'][number];

/** What a print says that is not so any more; null where it still is. */
function outdated(print: Print, bestBy: string | null, warnings: readonly string[]): string | null {
  if (print.bestBy !== null && bestBy !== null && print.bestBy > bestBy)
    return `says ${spokenDay(print.bestBy)}, and its date is ${spokenDay(bestBy)} now`;
  if (print.bestBy !== null && bestBy === null)
    return `says ${spokenDay(print.bestBy)}, and it has no date now`;
  const lacks = print.says === null ? undefined : warnings.find((warning) => !print.says!.includes(warning));
  return lacks === undefined ? null : `does not say "${lacks}"`;
}

/**
 * What a lot lacks whose labels were printed before its date shrank or a warning came: labelled anew, the old labels counted back. Empty where its labels are as it is.
 * @param keeping its date; @param content its label as the record has it now
 * @example relabelling({ ...lot, prints: [] }, { bestBy: '2027-11-23' }, label) // []
 */
export function relabelling(
  lot: LotRecord,
  { bestBy }: Pick<LotKeeping, 'bestBy'>,
  content: Parameters<typeof warningsOf>[0],
): string[] {
  const warnings = warningsOf(content);
  const out = (print: Print) =>
    print.copies -
    lot.spoiltLabels.filter((s) => s.printId === print.id).reduce((sum, s) => sum + s.count, 0);
  const old = printsOf(lot).flatMap((print) => {
    const why = outdated(print, bestBy, warnings);
    return why === null ? [] : [{ print, why }];
  });
  if (old.length === 0) return [];
  const { filled, left } = lotBottles(lot);
  // What is kept back is not sold: it keeps the label that it was kept back with.
  const keptBack = retainedGroups(lot).reduce((sum, group) => sum + group.count, 0);
  const stillOut = old.reduce((sum, { print }) => sum + out(print), 0) - (filled - left) - keptBack;
  const printed = old.reduce((sum, { print }) => sum + print.copies, 0);
  const anew = printsOf(lot)
    .filter((print) => !old.some((o) => o.print === print))
    .reduce((sum, print) => sum + out(print), 0);
  const wanted = Math.min(left - keptBack, printed);
  const { why } = old.at(-1)!;
  return [
    ...(anew < wanted
      ? [`A label that was printed ${why}: print ${plural(wanted - anew, 'label')} anew.`]
      : []),
    ...(stillOut > 0
      ? [
          `${plural(stillOut, 'label')} that ${why.replace(/^says/, stillOut === 1 ? 'says' : 'say').replace(/^does/, stillOut === 1 ? 'does' : 'do')} ${stillOut === 1 ? 'is' : 'are'} not counted back yet: take them off, and write how many.`,
        ]
      : []),
  ];
}
