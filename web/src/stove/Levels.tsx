import type { LotView } from '@inch/contract/making/lot';
import type { PanNow } from '@inch/core/lot';
import { AcidGlass, SugarGlass } from '../ui/glasses.tsx';
import { ChoosePan, PanSide } from './PanSide.tsx';

function LevelGlasses({ lot }: { lot: LotView }) {
  const standing = lot.readings.filter((r) => r.struck === null && r.value !== null);
  const last = (kind: string) =>
    standing
      .filter((r) => r.kind === kind)
      .sort((a, b) => a.at.localeCompare(b.at))
      .at(-1)?.value ?? null;
  const [brix, ph] = [last('brix'), last('ph')];
  const target = lot.product.content.steps.filter((s) => s.toBrix !== undefined).at(-1)?.toBrix;
  return (
    <div className="grid grid-cols-2 gap-4">
      <SugarGlass brix={brix} aim={target} colour={lot.product.colour} unknown="not yet" />
      <AcidGlass ph={ph} limit={lot.criticalPh} colour={lot.product.colour} unknown="not yet" />
    </div>
  );
}

/** The pan beside its ruler while the lot is in one; the glasses of sugar and acid otherwise. */
export function Levels({
  lot,
  step,
  pan,
}: {
  lot: LotView;
  step: LotView['steps'][number] | null;
  pan: PanNow | null;
}) {
  const making = lot.state === 'making';
  if (making && lot.vessel) return <PanSide lot={lot} step={step} pan={pan} />;
  return (
    <>
      <LevelGlasses lot={lot} />
      {making && step && (
        <div className="mt-4">
          <ChoosePan lot={lot} step={step} />
        </div>
      )}
    </>
  );
}
