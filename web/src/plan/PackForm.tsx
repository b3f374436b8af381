import { type StockPack, stockRoutes } from '@inch/contract/stock';
import type { Need } from '@inch/core/planning';
import { useState } from 'react';
import { toast } from 'sonner';
import { call } from '../data/api.ts';
import { useCatalogue } from '../data/catalogue.ts';
import { usePacks } from '../data/queries.ts';
import { useSession } from '../data/session.tsx';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { Field } from '../ui/Field.tsx';
import { money } from '../ui/format.ts';
import { priceIn, priceProblem } from '../ui/typed.ts';
import { amountTyped } from './amount.ts';

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
    toast(`${pack.said} is retired`, {
      action: { label: 'Undo', onClick: () => write.run({ pack, retired: false }) },
    });
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

/** How a thing is sold and for how much: asked once, offered ever after. */
export function PackForm({ need, onClose }: { need: Need; onClose: () => void }) {
  const { kitchen } = useSession();
  const catalogue = useCatalogue();
  const [said, setSaid] = useState('');
  const [size, setSize] = useState('');
  const [price, setPrice] = useState('');
  const [supplier, setSupplier] = useState('');
  const amount = amountTyped(size, need, catalogue, kitchen.cupSchool);
  const minor = priceIn(price, kitchen.currency);
  const write = useWrite(
    'pack',
    (_: undefined, idOf) =>
      call(stockRoutes.addPack, {
        body: {
          id: idOf(),
          kind: need.kind,
          thing: need.thing,
          said,
          size: amount as number,
          priceMinor: minor!,
          supplier,
        },
      }),
    { after: onClose },
  );
  return (
    <Dialog open onClose={onClose} title={`Packs of ${need.name.toLowerCase()}`}>
      <KnownPacks need={need} />
      <form
        className="grid grid-cols-2 gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          write.run(undefined);
        }}
      >
        <Field
          label="Pack"
          placeholder={need.kind === 'ingredient' ? 'bag of 1 kg' : 'box of 12'}
          value={said}
          onChange={(e) => setSaid(e.target.value)}
          error={write.fields.said}
        />
        <Field label="Shop" value={supplier} onChange={(e) => setSupplier(e.target.value)} />
        <Field
          label="Amount in a pack"
          figure
          placeholder={need.kind === 'ingredient' ? '1 kg' : '12'}
          value={size}
          onChange={(e) => setSize(e.target.value)}
          error={size !== '' && typeof amount === 'string' ? amount : write.fields.size}
        />
        <Field
          label={`Price per pack, ${kitchen.currency}`}
          figure
          inputMode="decimal"
          value={price}
          onChange={(e) => setPrice(e.target.value)}
          error={priceProblem(price, kitchen.currency)}
        />
        <div className="col-span-2 flex justify-end gap-3">
          <Button tone="plain" onClick={onClose}>
            Cancel
          </Button>
          <Button
            type="submit"
            disabled={write.busy || typeof amount === 'string' || minor === null || said.trim() === ''}
          >
            Save
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
