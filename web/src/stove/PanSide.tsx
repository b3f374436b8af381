import type { LotView } from '@inch/contract/making/lot';
import type { PanNow } from '@inch/core/lot';
import { batchVolume, depthSaid, weight } from '@inch/core/quantity';
import { Link } from 'react-router';
import { useRecord } from '../data/record.ts';
import { useMayWrite } from '../data/session.tsx';
import { useVessels } from '../data/vessels.ts';
import { PanRuler } from '../parts/vessel/PanRuler.tsx';
import { Button } from '../ui/Button.tsx';
import { useRulerUnit } from '../ui/ruler.ts';
import { Caution } from '../ui/State.tsx';

type Step = LotView['steps'][number];

/** Which pan the lot is in; asked once, told to every device. */
export function ChoosePan({ lot, step }: { lot: LotView; step: Step | null }) {
  const { data } = useVessels();
  const write = useRecord('placing', lot);
  const mayWrite = useMayWrite();
  const pans = data?.filter((v) => !v.retired && v.use === 'pan') ?? [];
  if (!mayWrite || !data) return null;
  if (pans.length === 0)
    return (
      <p className="text-ink-2">
        A pan with its measures turns one dip of a ruler into °Bx and minutes.{' '}
        <Link to="/bench/pans" className="text-link underline">
          Measure your pan
        </Link>
      </p>
    );
  return (
    <label className="block">
      <span className="mb-1 block text-sm font-semibold text-ink-2">In which pan?</span>
      <select
        className="min-h-14 w-full rounded-lg border border-steel bg-enamel px-3 text-lg"
        value={lot.vessel?.id ?? ''}
        disabled={write.busy}
        onChange={(event) => {
          const vesselId = event.target.value;
          if (vesselId)
            write.run({
              shownAs: `into ${pans.find((p) => p.id === vesselId)?.name}`,
              stepId: step?.id ?? null,
              vesselId,
            });
        }}
      >
        <option value="">Choose a pan</option>
        {pans.map((pan) => (
          <option key={pan.id} value={pan.id}>
            {pan.name}, {batchVolume(pan.holdsMl)}
          </option>
        ))}
      </select>
    </label>
  );
}

const FROM: Record<PanNow['rateFrom'], string> = {
  'this batch': 'by this batch’s own readings',
  'this pan before': 'as this pan did before',
  'the formula': 'as the formula says',
  typical: 'typical of a kitchen fire: read it once and it is yours',
};

function PanWords({ lot, pan, boils }: { lot: LotView; pan: PanNow; boils: boolean }) {
  const bottles = pan.target ? Math.floor(pan.target.millilitres / lot.product.content.bottleMl) : null;
  return (
    <div className="mt-2 leading-snug">
      <p>
        {lot.vessel ? `${lot.vessel.name} · ` : ''}
        <strong className="figure whitespace-nowrap">{batchVolume(pan.hotMillilitres)}</strong> in it now,{' '}
        <strong className="figure whitespace-nowrap">{weight(pan.grams)}</strong>
      </p>
      {pan.target && (
        <p>
          at {pan.target.brix.toFixed(0)} °Bx it will be{' '}
          <strong className="figure">{batchVolume(pan.target.millilitres)}</strong>
          {bottles !== null && bottles > 0 && `, ${bottles} bottles`}
        </p>
      )}
      <p className="text-sm text-ink-2">
        {boils && (
          <>
            loses <span className="figure">{weight(pan.gramsPerMinute)}</span> a minute at a full boil,{' '}
            {FROM[pan.rateFrom]};{' '}
          </>
        )}
        sugar {pan.solidsFrom === 'measured' ? 'measured' : 'calculated from what went in'}
      </p>
    </div>
  );
}

/** The pan drawn with its level and a ruler beside it, and what that comes to. */
export function PanSide({ lot, step, pan }: { lot: LotView; step: Step | null; pan: PanNow | null }) {
  const [unit, setUnit] = useRulerUnit();
  const said = lot.product.content.steps.find((s) => s.id === step?.formulaStepId);
  const boils = said?.kind === 'reduce' || said?.kind === 'heat' || said?.killStep === true;
  const target =
    pan?.targetDepthMm != null
      ? { mm: pan.targetDepthMm, words: `reduce to here, ${depthSaid(pan.targetDepthMm, unit)}` }
      : null;
  return (
    <div>
      {lot.vessel && (
        <>
          <PanRuler
            shape={lot.vessel.shape}
            level={pan?.depthMm ?? null}
            start={pan?.startDepthMm ?? null}
            target={target}
            colour={lot.product.colour}
            unit={unit}
            said={
              pan?.depthMm != null
                ? `The pan, ${depthSaid(pan.depthMm, unit)} deep${target ? `, to reduce to ${depthSaid(target.mm, unit)}` : ''}`
                : 'The pan, its level not known'
            }
          />
          {pan && pan.depthMm === null && (
            <Caution className="mt-2">
              This pan does not hold that much:{' '}
              <span className="figure">{batchVolume(pan.hotMillilitres)}</span> for{' '}
              {batchVolume(lot.vessel.holdsMl)}. Choose a larger one.
            </Caution>
          )}
          <div className="mt-1 flex items-center justify-between">
            <Button
              tone="quiet"
              size="small"
              className="-ml-2"
              onClick={() => setUnit(unit === 'in' ? 'mm' : 'in')}
            >
              ruler in {unit === 'in' ? 'millimetres' : 'inches'}
            </Button>
          </div>
        </>
      )}
      {pan && <PanWords lot={lot} pan={pan} boils={boils} />}
      {boils && pan?.overHalf && pan.depthMm !== null && (
        <Caution className="mt-3">
          <strong>More than half the pan.</strong> It rises as it boils: use a larger one, or make it in two.
        </Caution>
      )}
      {lot.vessel?.material === 'copper' && (
        <Caution tone="stop" className="mt-3">
          Sour things are not cooked or kept in copper.
        </Caution>
      )}
      {lot.state === 'making' && (
        <div className="mt-3">
          <ChoosePan lot={lot} step={step} />
        </div>
      )}
    </div>
  );
}
