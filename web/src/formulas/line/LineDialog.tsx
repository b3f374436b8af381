import { Dialog } from '../../ui/Dialog.tsx';
import type { Asked } from './asked.ts';
import { InsteadOf } from './InsteadOf.tsx';
import { OwnFiguresForm } from './OwnFiguresForm.tsx';
import { SwapWith } from './SwapWith.tsx';
import { WeighMeasure } from './WeighMeasure.tsx';

export type LineQuestion = 'interchange' | 'swap' | 'measure' | 'figures';

const TITLES: Record<LineQuestion, string> = {
  interchange: 'Something like it instead',
  swap: 'The same with another',
  measure: 'Weigh your measure',
  figures: 'Your own figures',
};

/** What may be asked of one line, in a sheet over the page. */
export function LineDialog({ question, ...asked }: Asked & { question: LineQuestion }) {
  const amount = asked.forecast.lines.find((l) => l.lineId === asked.lineId);
  const entry = amount?.ingredient;
  if (!entry) return null;
  return (
    <Dialog open onClose={asked.onClose} title={`${TITLES[question]}: ${entry.name.toLowerCase()}`}>
      {question === 'interchange' && <InsteadOf {...asked} entry={entry} grams={amount.grams ?? 0} />}
      {question === 'swap' && <SwapWith {...asked} />}
      {question === 'measure' && <WeighMeasure entry={entry} done={asked.onClose} />}
      {question === 'figures' && <OwnFiguresForm entry={entry} done={asked.onClose} />}
    </Dialog>
  );
}
