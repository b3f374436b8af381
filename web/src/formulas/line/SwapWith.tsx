import { type Swap, sameWith } from '@inch/core/formula';
import { batchVolume } from '@inch/core/quantity';
import { useMemo, useState } from 'react';
import { useSetting } from '../../data/useSetting.ts';
import { IngredientPicker } from '../../parts/ingredient/IngredientPicker.tsx';
import { Button } from '../../ui/Button.tsx';
import { Caution } from '../../ui/State.tsx';
import type { Asked } from './asked.ts';

function Listed({ title, items }: { title: string; items: readonly string[] }) {
  if (items.length === 0) return null;
  return (
    <div className="mt-3">
      <h3 className="text-sm font-semibold text-ink-2">{title}</h3>
      <ul className="mt-1 list-disc pl-5">
        {items.map((item) => (
          <li key={item}>{item}</li>
        ))}
      </ul>
    </div>
  );
}

function Figures({ swap }: { swap: Swap }) {
  const rows = [
    ['°Bx', swap.before.brix.toFixed(1), swap.after.brix.toFixed(1)],
    ['acid, %', swap.before.taPercent?.toFixed(2) ?? '–', swap.after.taPercent?.toFixed(2) ?? '–'],
    ['pH', swap.before.ph?.middle.toFixed(2) ?? '–', swap.after.ph?.middle.toFixed(2) ?? '–'],
    ['yield', batchVolume(swap.before.millilitres), batchVolume(swap.after.millilitres)],
  ] as const;
  return (
    <table className="mt-4 w-full">
      <thead>
        <tr className="border-b border-ink text-sm text-ink-2">
          <th className="py-1 text-left font-semibold">forecast</th>
          <th className="text-right font-semibold">before</th>
          <th className="text-right font-semibold">after</th>
        </tr>
      </thead>
      <tbody className="figure">
        {rows.map(([name, before, after]) => (
          <tr key={name} className="border-b border-steel-line">
            <th scope="row" className="py-1 text-left font-sans font-normal">
              {name}
            </th>
            <td className="text-right">{before}</td>
            <td className="text-right font-bold">{after}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The same with another fruit: brought back to the old figures, with all that no longer matches. */
export function SwapWith({ lineId, draft, change, onClose }: Asked) {
  const setting = useSetting();
  const [chosen, setChosen] = useState('');
  const swap = useMemo(
    () =>
      chosen ? sameWith(draft.content, setting, { lineId, ingredientId: chosen, kind: draft.kind }) : null,
    [chosen, draft.content, draft.kind, lineId, setting],
  );
  return (
    <>
      <p className="text-ink-2">
        Replaces the ingredient, and adjusts water, sugar and acid to keep °Bx, acid and yield.
      </p>
      <div className="mt-3 rounded-lg border border-steel">
        <IngredientPicker label="In its place" value={chosen} onChoose={setChosen} />
      </div>
      {swap && (
        <>
          <Figures swap={swap} />
          <Listed title="Changed" items={swap.changed} />
          <Listed title="Not reached" items={swap.unreached} />
          <Listed
            title="Tested processes it does not match"
            items={swap.processes.map((p) => `${p.name}: ${p.reasons.join('; ')}`)}
          />
          <Listed title="Its label" items={swap.label} />
          <Listed title="Keeping" items={swap.keeping ? [swap.keeping] : []} />
          <Listed title="Cautions it brings" items={swap.cautions} />
          {swap.after.holds && (
            <Caution className="mt-4">
              <strong>A lot of this would be held.</strong> {swap.after.holds}
            </Caution>
          )}
        </>
      )}
      <div className="mt-5 flex justify-end gap-3">
        <Button tone="plain" onClick={onClose}>
          Cancel
        </Button>
        <Button
          disabled={!swap}
          onClick={() => {
            const { source, changed } = draft.content;
            const said = [changed, swap!.changed[0]].filter(Boolean).join('; ').slice(0, 500);
            change({ do: 'content', change: { ...swap!.content, ...(source ? { changed: said } : {}) } });
            onClose();
          }}
        >
          Replace
        </Button>
      </div>
    </>
  );
}
