import { NewPack, type StockPack, stockRoutes } from '@inch/contract/kitchen/stock';
import type { Need } from '@inch/core/planning';
import { money } from '@inch/core/quantity';
import { call } from '../data/api.ts';
import { useCatalogue } from '../data/catalogue.ts';
import { useSession } from '../data/session.tsx';
import { usePacks } from '../data/stock.ts';
import { useDeedForm } from '../data/useDeedForm.ts';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { Field } from '../ui/Field.tsx';
import { FormEnd } from '../ui/FormEnd.tsx';
import { offerUndo } from '../ui/undo.ts';
import { amountExample, amountTyped } from './amount.ts';

/** The packs of a thing that are known, each to be retired when it is not sold any more, or its price is another. */
function KnownPacks({ need }: { need: Need }) {
  const { kitchen } = useSession();
  const known = usePacks().data?.filter((pack) => pack.thing === need.thing) ?? [];
  const write = useWrite('pack', ({ pack, retired }: { pack: StockPack; retired: boolean }, idOf) => {
    const { kind, thing, said, size, priceMinor, supplier } = pack;
    return call(stockRoutes.addPack, {
      body: { id: idOf(`${pack.id} ${retired}`), kind, thing, said, size, priceMinor, supplier, retired },
    });
  });
  const retire = (pack: StockPack) => {
    write.run({ pack, retired: true });
    offerUndo(`${pack.said} is retired`, () => write.run({ pack, retired: false }));
  };
  if (known.length === 0) return null;
  return (
    <ul className="mb-4 border-t border-steel-line">
      {known.map((pack) => (
        <li key={pack.id} className="flex items-baseline gap-3 border-b border-steel-line py-1.5">
          <span className="min-w-0 flex-1">
            {pack.said}
            {pack.supplier && <span className="text-ink-2">, {pack.supplier}</span>}
          </span>
          <span className="figure">{money(pack.priceMinor, kitchen.currency)}</span>
          <Button
            size="small"
            tone="quiet"
            disabled={write.busy}
            aria-label={`Retire ${pack.said}`}
            onClick={() => retire(pack)}
          >
            Retire
          </Button>
        </li>
      ))}
    </ul>
  );
}

const FIELD_OF = { size: 'amount', priceMinor: 'price' } as const;

function usePackForm(need: Need, onClose: () => void) {
  const { kitchen } = useSession();
  const catalogue = useCatalogue();
  return useDeedForm({
    of: 'pack',
    draft: `pack ${need.thing}`,
    empty: { said: '', supplier: '', amount: '', price: '' },
    schema: NewPack,
    read: (a, fields) => ({
      kind: need.kind,
      thing: need.thing,
      said: a.said,
      size: fields.taken('amount', amountTyped(a.amount, need, catalogue, kitchen.cupSchool)),
      priceMinor: fields.price('price', kitchen.currency) ?? undefined,
      supplier: a.supplier,
    }),
    fieldAt: (path) => FIELD_OF[path as keyof typeof FIELD_OF],
    write: (body) => call(stockRoutes.addPack, { body }),
    after: onClose,
  });
}

/** How a thing is sold and for how much: asked once, offered ever after. */
export function PackForm({ need, onClose }: { need: Need; onClose: () => void }) {
  const { kitchen } = useSession();
  const form = usePackForm(need, onClose);
  const weighed = need.kind === 'ingredient';
  return (
    <Dialog open onClose={onClose} title={`Packs of ${need.name.toLowerCase()}`}>
      <KnownPacks need={need} />
      <form className="grid grid-cols-2 gap-4" onSubmit={form.submit}>
        <DraftNote form={form} />
        <Field label="Pack" placeholder={weighed ? 'bag of 1 kg' : 'box of 12'} {...form.field('said')} />
        <Field label="Shop" {...form.field('supplier')} />
        <Field
          label="Amount in a pack"
          figure
          placeholder={amountExample(need.kind)}
          {...form.field('amount')}
        />
        <Field
          label={`Price per pack, ${kitchen.currency}`}
          figure
          inputMode="decimal"
          {...form.field('price')}
        />
        <FormEnd onCancel={onClose} disabled={form.busy} />
      </form>
    </Dialog>
  );
}
