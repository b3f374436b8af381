import {
  type Interchange,
  interchanged,
  interchanges,
  SWEET_AIMS,
  type SweetAim,
  saidGrams,
  sweetExchanges,
} from '@inch/core/formula';
import type { Ingredient } from '@inch/core/ingredient';
import { weight } from '@inch/core/quantity';
import { useState } from 'react';
import { toast } from 'sonner';
import { useSetting } from '../../data/useSetting.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Field.tsx';
import type { Asked } from './asked.ts';

const brought = (grams: number): string =>
  Math.abs(grams) < 1
    ? 'no more water'
    : grams > 0
      ? `${weight(grams)} more water`
      : `${weight(-grams)} less water`;

/** What may stand in for a line, equal in acid, in sugar or in the fruit itself, with what else changes. */
export function InsteadOf({
  entry,
  grams,
  lineId,
  draft,
  change,
  onClose,
}: Asked & { entry: Ingredient; grams: number }) {
  const setting = useSetting();
  const [aim, setAim] = useState<SweetAim>('sweetness');
  const isSweet = sweetExchanges(entry, grams, 'sweetness', setting.catalogue.all).length > 0;
  const list = isSweet
    ? sweetExchanges(entry, grams, aim, setting.catalogue.all)
    : interchanges(entry, grams, setting.catalogue.all);
  const take = (to: Interchange) => {
    const { content, left } = interchanged(draft.content, setting, lineId, to);
    change({ do: 'content', change: content });
    toast.success(`${to.ingredient.name}, ${weight(to.grams)}`, {
      description: left.length > 0 ? `${left.join('. ')}.` : 'The water line was reduced by as much.',
    });
    onClose();
  };
  if (list.length === 0 && !isSweet)
    return (
      <p className="text-ink-2">
        Nothing in the catalogue stands in for it one for one. “The same with another” rebalances the whole
        formula.
      </p>
    );
  return (
    <>
      {isSweet && (
        <Choice
          label="What it is there for"
          value={aim}
          onChange={(e) => setAim(e.target.value as SweetAim)}
          className="mb-3"
          options={SWEET_AIMS.map((one) => [one.aim, `${one.name}: ${one.says}`])}
        />
      )}
      <p className="mb-3 text-ink-2">
        {list.length > 0 ? (
          <>
            In place of <span className="figure font-bold text-ink">{saidGrams(grams)}</span>, equal in{' '}
            {list[0]!.equalIn}:
          </>
        ) : (
          'A sweetener of this strength is exchanged for sweetness alone.'
        )}
      </p>
      <ul className="border-t border-ink">
        {list.map((to) => (
          <li
            key={to.ingredient.id}
            className="grid grid-cols-[6rem_1fr_auto] items-baseline gap-3 border-b border-steel-line py-2.5"
          >
            <span className="figure text-right text-lg font-bold">{saidGrams(to.grams)}</span>
            <span>
              <span className="font-semibold">{to.ingredient.name}</span>
              <span className="block text-sm text-ink-2">
                {[brought(to.waterGrams), ...to.changes].join('; ').replace(/\.;/g, ';')}
              </span>
            </span>
            <Button
              size="small"
              tone="plain"
              aria-label={`Take ${to.ingredient.name}`}
              onClick={() => take(to)}
            >
              Take
            </Button>
          </li>
        ))}
      </ul>
    </>
  );
}
