import { NewStock, type StockView, stockRoutes } from '@inch/contract/kitchen/stock';
import { signedWeight } from '@inch/core/quantity';
import type { FieldPath } from 'react-hook-form';
import { toast } from 'sonner';
import { useCatalogue } from '../data/catalogue.ts';
import { useLotsOnHand } from '../data/lots.ts';
import { useKitchenDay } from '../data/planning.ts';
import { send } from '../data/record.ts';
import { useSession } from '../data/session.tsx';
import { useDeedForm } from '../data/useDeedForm.ts';
import { amountTyped } from './amount.ts';

/** What the form of a stock lot asks, as typed. */
interface Answers {
  kind: StockView['kind'];
  thing: string;
  amount: string;
  words: string;
  supplier: string;
  /** The supplier's own, as it stands on the bag. */
  batch: string;
  cost: string;
  gotOn: string;
  bestBy: string;
  brix: string;
  ph: string;
  ta: string;
  /** Code of the lot that left it. */
  leftBy: string;
}

const FIELD_OF: Record<string, FieldPath<Answers>> = {
  quantity: 'amount',
  said: 'amount',
  costMinor: 'cost',
  'measured.brix': 'brix',
  'measured.ph': 'ph',
  'measured.taPer100g': 'ta',
};

/** What a lot left, as its record has it: proposed, and every field of it open. */
export type Proposed = Partial<Pick<Answers, 'thing' | 'amount' | 'words' | 'gotOn'>> &
  Pick<Answers, 'leftBy'>;

const emptyAnswers = (today: string, proposed: Proposed): Answers => ({
  kind: 'ingredient',
  thing: '',
  amount: '',
  words: '',
  supplier: '',
  batch: '',
  cost: '',
  gotOn: today,
  bestBy: '',
  brix: '',
  ph: '',
  ta: '',
  ...proposed,
});

/** The form in which a purchase, a picking or a by-product is added to stock. @param proposed what a lot left, or a lot of '' */
export function useTakeIn(proposed: Proposed) {
  const { kitchen } = useSession();
  const catalogue = useCatalogue();
  const lots = useLotsOnHand().data?.lots ?? [];
  const form = useDeedForm({
    of: 'stock',
    draft: `stock ${proposed.leftBy}`,
    empty: emptyAnswers(useKitchenDay(), proposed),
    schema: NewStock,
    read: (a, fields) => {
      const [brix, ph, taPer100g] = (['brix', 'ph', 'ta'] as const).map((f) =>
        fields.figure(f, { unit: '' }),
      );
      const measured = [brix, ph, taPer100g].some((figure) => figure !== null);
      return {
        kind: a.kind,
        thing: a.thing,
        quantity: fields.taken('amount', amountTyped(a.amount, a, catalogue, kitchen.cupSchool)),
        said: a.kind === 'ingredient' ? signedWeight(a.amount, 'light') : a.amount,
        words: a.words,
        supplier: a.supplier,
        batch: a.batch,
        costMinor: fields.price('cost', kitchen.currency),
        gotOn: a.gotOn,
        bestBy: a.bestBy || null,
        measured: a.kind === 'ingredient' && measured ? { brix, ph, taPer100g } : null,
        leftBy: lots.find((l) => l.code === a.leftBy)?.id ?? null,
      };
    },
    fieldAt: (path) => FIELD_OF[path],
    write: (body) =>
      send(stockRoutes.add, { of: 'stock', code: 'Stock', words: `${body.said} added to stock`, body }),
    after: (outcome, { kind, supplier, gotOn }) => {
      if (outcome.sent) toast.success(`Write ${outcome.answer.code} on it`);
      // The next thing out of the same bag comes from the same shop.
      form.set('kind', kind);
      form.set('supplier', supplier ?? '');
      form.set('gotOn', gotOn);
    },
  });
  return form;
}
export type TakeInForm = ReturnType<typeof useTakeIn>;
