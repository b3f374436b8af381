import type { OwnCatalogue as Own } from '@inch/contract/making/ingredient';
import { money } from '@inch/core/quantity';
import { useState } from 'react';
import { useCatalogue, useOwnCatalogue } from '../../data/catalogue.ts';
import { useMayWrite, useSession } from '../../data/session.tsx';
import { IngredientPicker } from '../../parts/ingredient/IngredientPicker.tsx';
import { OwnIngredientForm } from '../../parts/ingredient/OwnIngredientForm.tsx';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { dayMonthYear } from '../../ui/dates.ts';
import { Ruled, Sheet } from '../../ui/Sheet.tsx';
import { Unread } from '../../ui/Unread.tsx';
import { OwnFiguresForm } from './OwnFiguresForm.tsx';
import { OwnMeasures } from './OwnMeasures.tsx';

function figuresSaid({ measured, label }: Own['entered'][number]): string {
  if (label) return `from its label: ${label.sugars} g sugars in 100 g${label.ph ? `, pH ${label.ph}` : ''}`;
  if (!measured) return 'typical figures';
  const said = [
    measured.brix !== undefined && `${measured.brix} °Bx`,
    measured.ph !== undefined && `pH ${measured.ph}`,
    measured.taPer100g !== undefined && `acid ${measured.taPer100g} g in 100 g`,
  ].filter(Boolean);
  return `measured ${dayMonthYear(measured.on)}: ${said.join(', ')}`;
}

/** What was measured or read off a label first, then what has only a price. */
const inOrder = (entered: Own['entered']): Own['entered'] =>
  [...entered].sort((a, b) => Number(!(a.measured || a.label)) - Number(!(b.measured || b.label)));

function Ingredients({ own }: { own: Own }) {
  const catalogue = useCatalogue();
  const { kitchen } = useSession();
  const mayWrite = useMayWrite();
  const [editing, setEditing] = useState<string | null>(null);
  const [adding, setAdding] = useState(false);
  const entry = editing ? catalogue.find(editing) : undefined;
  return (
    <Ruled title="Your own figures" className="mt-6">
      {own.entered.length === 0 && (
        <p className="py-4 text-ink-2">
          Nothing of your own yet: every forecast rests on typical figures. Measure one fruit’s juice and
          choose it here.
        </p>
      )}
      <ul>
        {inOrder(own.entered).map((e) => (
          <li
            key={e.ingredientId}
            className="grid grid-cols-[14rem_1fr_8rem_7rem_4rem] items-center gap-3 border-b border-steel-line py-2 max-md:grid-cols-1"
          >
            <span className="font-semibold">{catalogue.find(e.ingredientId)?.name ?? e.label?.name}</span>
            <span className="text-sm text-ink-2">{figuresSaid(e)}</span>
            <span className="figure text-right text-sm">
              {e.pricePerKgMinor === null ? '' : `${money(e.pricePerKgMinor, kitchen.currency)} a kg`}
            </span>
            <span className="text-sm text-ink-2">{dayMonthYear(e.savedAt)}</span>
            {mayWrite && (
              <Button
                size="small"
                tone="quiet"
                aria-label={`Change ${catalogue.find(e.ingredientId)?.name ?? ''}`}
                onClick={() => setEditing(e.ingredientId)}
              >
                Change
              </Button>
            )}
          </li>
        ))}
      </ul>
      {mayWrite && (
        <div className="mt-3 flex flex-wrap items-center gap-3">
          <div className="w-72 rounded-lg border border-steel">
            <IngredientPicker label="Figures of" value="" onChoose={setEditing} />
          </div>
          <Button tone="plain" onClick={() => setAdding(true)}>
            One that is not in the catalogue…
          </Button>
        </div>
      )}
      {entry && (
        <Dialog open onClose={() => setEditing(null)} title={`Your own figures: ${entry.name.toLowerCase()}`}>
          <OwnFiguresForm entry={entry} done={() => setEditing(null)} />
        </Dialog>
      )}
      {adding && (
        <Dialog open onClose={() => setAdding(false)} title="An ingredient of your own">
          <OwnIngredientForm name="" done={() => setAdding(false)} />
        </Dialog>
      )}
    </Ruled>
  );
}

/** What the kitchen itself knows: fruit measured this year, things from their labels, prices, mugs and capfuls. */
export function OwnCatalogue() {
  const { data: own, error, refetch } = useOwnCatalogue();
  if (!own) return <Unread title="Ingredients and measures" error={error} retry={refetch} />;
  return (
    <Sheet>
      <h1>Ingredients and measures</h1>
      <p className="mt-1 text-ink-2">
        What you measured or read off a label counts before any table. A saved version keeps what it was saved
        with.
      </p>
      <Ingredients own={own} />
      <OwnMeasures own={own} />
    </Sheet>
  );
}
