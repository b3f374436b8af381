import type { LotView } from '@inch/contract/making/lot';
import { weight } from '@inch/core/quantity';
import { useCatalogue } from '../../data/catalogue.ts';
import { useMayWrite } from '../../data/session.tsx';
import { clockTime } from '../../ui/dates.ts';
import { State } from '../../ui/State.tsx';
import { recordedOf } from './useLine.ts';
import { LineToAdd } from './WeighIn.tsx';

/** Whether every line of the pan is recorded as in, or as left out with a word why; what goes in jar by jar is ticked as the jars are filled. */
export const everythingIn = (lot: LotView): boolean =>
  lot.lines.every((line) => line.byJar || recordedOf(lot, line));

/** The question before the bottles are filled: each line in, left out with a word why, or extra. This is the lot as made. */
export function EverythingIn({ lot, at }: { lot: LotView; at: string | undefined }) {
  const catalogue = useCatalogue();
  const mayWrite = useMayWrite();
  const lines = lot.lines.filter((line) => !line.byJar || recordedOf(lot, line));
  const open = lines.filter((line) => !recordedOf(lot, line));
  const byJar = lot.lines.filter((line) => line.byJar && !recordedOf(lot, line));
  const extras = lot.additions.filter((a) => a.lineId === null && a.struck === null && a.grams > 0);
  return (
    <section aria-label="Is everything recorded?" className="mt-5">
      <h2 className="text-2xl font-bold">
        Is everything recorded?{' '}
        <State tone={open.length === 0 ? 'go' : 'hold'} className="text-lg">
          {open.length === 0 ? 'all recorded' : `${open.length} not recorded yet`}
        </State>
      </h2>
      <p className="text-ink-2">
        This becomes the lot as made: its label is written from it.
        {byJar.length > 0 &&
          ` ${byJar.map((line) => line.name).join(', ')} ${byJar.length === 1 ? 'goes' : 'go'} in jar by jar, and ${byJar.length === 1 ? 'is' : 'are'} recorded while the jars are filled.`}
      </p>
      <ul className="mt-3 border-t border-ink">
        {lines.map((line) => {
          const step = lot.steps.find((s) => s.formulaStepId === line.formulaStepId);
          return mayWrite || recordedOf(lot, line) ? (
            <LineToAdd key={line.lineId} lot={lot} line={line} stepId={step?.id ?? null} at={at} />
          ) : null;
        })}
        {extras.map((extra) => (
          <li key={extra.id} className="flex items-center gap-3 border-b border-steel-line py-3">
            <State tone="hold">extra</State>
            <span className="flex-1 text-lg">{catalogue.get(extra.ingredientId).name}</span>
            <span className="text-sm text-ink-2">{extra.why}</span>
            <span className="figure text-lg font-bold">{weight(extra.grams)}</span>
            <span className="figure text-sm text-ink-2">{clockTime(extra.at)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
