import type { LotView } from '@inch/contract/making/lot';
import { bodyOf } from '@inch/contract/route/entry';
import { amountDoubt, weighedIn } from '@inch/core/lot';
import {
  parseQuantity,
  signedWeight,
  toGrams,
  type WeightSize,
  weight,
  weightSign,
  weightSizeOf,
} from '@inch/core/quantity';
import { useCatalogue } from '../../data/catalogue.ts';
import { recordEntry } from '../../data/record.ts';
import { useSession } from '../../data/session.tsx';
import { useDeedForm } from '../../data/useDeedForm.ts';
import { type TakenFrom, useTaken } from '../stock/FromStock.tsx';

export type Line = LotView['lines'][number];

/** What stands recorded of a line that is all in, or was left out; undefined while any of it is to follow. */
export function recordedOf(lot: LotView, line: Line) {
  const { parts, grams, open } = weighedIn(lot, line.lineId);
  return open ? undefined : { ...parts.at(-1)!, grams, parts };
}

/** Reads an amount of an ingredient in any measure; a bare number is in the kitchen's own. */
export function useGramsOf() {
  const { cupSchool } = useSession().kitchen;
  const catalogue = useCatalogue();
  return (ingredientId: string, text: string, size: WeightSize): number | string => {
    try {
      return toGrams(parseQuantity(signedWeight(text, size)), catalogue.get(ingredientId), {
        cup: cupSchool ?? undefined,
        measures: catalogue.measures,
      }).grams;
    } catch (error) {
      return (error as Error).message;
    }
  };
}

/** What is still to go in, as the field is filled in beforehand: a bare figure of grams, or pounds and ounces. */
const plannedSaid = (left: number, size: WeightSize): string =>
  weightSign(size) === 'g' ? String(Math.round(left * 10) / 10) : weight(left);

/** What is typed of a line that goes in, or why it is left out. */
interface Answers {
  /** Null until something is typed: the amount then follows what was planned. */
  typed: string | null;
  leaving: boolean;
  why: string;
  before: string;
  more: boolean;
  from: TakenFrom;
}
const EMPTY: Answers = {
  typed: null,
  leaving: false,
  why: '',
  before: '',
  more: false,
  from: { by: 'oldest' },
};

/** What is written of a line: grams and where they came from, or a reason. */
interface Where {
  lot: LotView;
  line: Line;
  stepId: string | null;
  at: string | undefined;
}

/** The form of a line: weighed in, or left out with a word why. */
export function useLine({ lot, line, stepId, at }: Where) {
  const gramsOf = useGramsOf();
  const taken = useTaken();
  const water = useCatalogue().find(line.ingredientId)?.family === 'water';
  const soFar = weighedIn(lot, line.lineId).grams;
  const left = line.now === null ? null : Math.max(0, line.now - soFar);
  const size = weightSizeOf(line.grams ?? soFar);
  const planned = left === null ? '' : plannedSaid(left, size);
  const form = useDeedForm({
    of: 'entry',
    draft: `line ${lot.id} ${line.lineId}`,
    empty: EMPTY,
    schema: bodyOf('addition'),
    read: (a, fields) => {
      const common = { stepId, lineId: line.lineId, ingredientId: line.ingredientId, ...(at ? { at } : {}) };
      if (a.leaving)
        return {
          ...common,
          grams: 0,
          why: a.why,
          more: false,
          beforeTrimming: null,
          ...taken(line.ingredientId, a.from, 0),
        };
      const grams = fields.taken('typed', gramsOf(line.ingredientId, a.typed ?? planned, size));
      const doubt =
        grams === undefined || a.why.trim() !== ''
          ? null
          : amountDoubt(lot, { lineId: line.lineId, grams, more: a.more }, lot.cupSchool);
      if (doubt) fields.problem('why', doubt);
      const gross =
        a.before.trim() === ''
          ? undefined
          : fields.taken('before', gramsOf(line.ingredientId, a.before, size));
      return {
        ...common,
        grams,
        why: a.why.trim() || null,
        more: a.more,
        beforeTrimming: gross ?? null,
        ...taken(line.ingredientId, a.from, water ? 0 : (gross ?? grams ?? 0)),
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
  return { form, water, text, soFar, size, body: form.body };
}
export type LineForm = ReturnType<typeof useLine>['form'];
