import { bodyOf } from '@inch/contract/entry';
import type { LotView } from '@inch/contract/lot';
import { parseQuantity, toGrams, weight } from '@inch/core/quantity';
import { useCatalogue } from '../../data/catalogue.ts';
import { recordEntry } from '../../data/record.ts';
import { useSession } from '../../data/session.tsx';
import { useDeedForm } from '../../data/useDeedForm.ts';

import { type TakenFrom, useTaken } from '../stock/FromStock.tsx';

export type Line = LotView['lines'][number];

/** What stands recorded of a line: its grams, or that it was left out. */
export const recordedOf = (lot: LotView, line: Line) =>
  lot.additions.find((a) => a.lineId === line.lineId && a.struck === null);

/** Reads an amount of a line in any measure; a bare number is grams. */
function useGramsOf(line: Line) {
  const { cupSchool } = useSession().kitchen;
  const catalogue = useCatalogue();
  return (text: string): number | string => {
    try {
      const bare = /^[\d.,]+$/.test(text.trim());
      return toGrams(parseQuantity(bare ? `${text} g` : text), catalogue.get(line.ingredientId), {
        cup: cupSchool ?? undefined,
        measures: catalogue.measures,
      }).grams;
    } catch (error) {
      return (error as Error).message;
    }
  };
}

/** What is typed of a line that goes in, or why it is left out. */
interface Answers {
  /** Null until something is typed: the amount then follows what was planned. */
  typed: string | null;
  leaving: boolean;
  why: string;
  before: string;
  from: TakenFrom;
}
const EMPTY: Answers = { typed: null, leaving: false, why: '', before: '', from: { by: 'oldest' } };

/** What is written of a line: grams and where they came from, or a reason. */
interface Where {
  lot: LotView;
  line: Line;
  stepId: string | null;
  at: string | undefined;
}

/** The form of a line: weighed in, or left out with a word why. */
export function useLine({ lot, line, stepId, at }: Where) {
  const gramsOf = useGramsOf(line);
  const taken = useTaken(line.ingredientId);
  const water = useCatalogue().find(line.ingredientId)?.family === 'water';
  const planned = line.now === null ? '' : String(Math.round(line.now * 10) / 10);
  const form = useDeedForm({
    of: 'entry',
    draft: `line ${lot.id} ${line.lineId}`,
    empty: EMPTY,
    schema: bodyOf('addition'),
    read: (a, fields) => {
      const common = { stepId, lineId: line.lineId, ingredientId: line.ingredientId, ...(at ? { at } : {}) };
      if (a.leaving) return { ...common, grams: 0, why: a.why, beforeTrimming: null, ...taken(a.from, 0) };
      const grams = fields.taken('typed', gramsOf(a.typed ?? planned));
      const gross = a.before.trim() === '' ? undefined : fields.taken('before', gramsOf(a.before));
      return {
        ...{ ...common, grams, why: null, beforeTrimming: gross ?? null },
        ...taken(a.from, water ? 0 : (gross ?? grams ?? 0)),
      };
    },
    fieldAt: (path) =>
      path === 'why'
        ? 'why'
        : path === 'beforeTrimming'
          ? 'before'
          : path.startsWith('stock')
            ? 'from'
            : 'typed',
    write: (body) =>
      recordEntry(
        'addition',
        lot,
        body,
        body.grams === 0 ? `${line.name} left out` : `${line.name} ${weight(body.grams)}`,
      ),
  });
  const text = form.values.typed ?? planned;
  return { form, water, text, body: form.body };
}
export type LineForm = ReturnType<typeof useLine>['form'];
