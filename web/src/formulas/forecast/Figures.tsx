import type { FormulaHead } from '@inch/contract/making/formula';
import { type Forecast, type FormulaContent, forecast } from '@inch/core/formula';
import { kitchenCatalogue } from '@inch/core/ingredient';
import { batchVolume, plural } from '@inch/core/quantity';
import { useMemo } from 'react';
import { useSetting } from '../../data/useSetting.ts';
import { State } from '../../ui/State.tsx';

function Keeps({ forecast: f }: { forecast: Forecast }) {
  const time = keptWords(f);
  return f.holds || f.processFault ? (
    <State tone="hold">{f.holds ? 'would be held' : 'its process does not match'}</State>
  ) : (
    <State tone={time === 'none' ? 'hold' : 'go'}>{time === 'none' ? 'nothing preserves it' : time}</State>
  );
}

const CLASS_WORDS = { shelf: 'shelf', cold: 'cold', frozen: 'frozen', none: 'none' } as const;

/** "kept cold, 3 days": the class and the longest date that the forecast would give. */
function keptWords({ keeping }: Forecast): string {
  const { time } = keeping;
  const words = CLASS_WORDS[keeping.class];
  return time ? `${words}, ${plural(time.count, time.unit)}` : words;
}

/** What the newest version is forecast to be. */
export function Figures({ formula }: { formula: FormulaHead }) {
  const setting = useSetting();
  const content = formula.content as FormulaContent;
  const f = useMemo(() => {
    const catalogue = content.own ? kitchenCatalogue(content.own) : setting.catalogue;
    return forecast(content, { ...setting, catalogue, kind: formula.kind });
  }, [content, setting, formula.kind]);
  return (
    <>
      <span className="figure text-right text-[17px] font-bold">{f.brix.toFixed(0)} °Bx</span>
      <span className="figure text-right text-[17px] max-md:hidden">
        {f.ph ? `pH ${f.ph.middle.toFixed(2)}` : 'pH –'}
      </span>
      <span className="max-md:hidden">
        <Keeps forecast={f} />
      </span>
      <span className="figure text-right text-ink-2 max-md:hidden">{batchVolume(f.millilitres)}</span>
    </>
  );
}
