import { degrees, degreesShown, temperature } from '@inch/core/quantity';
import { type Attached, useLiveFigure } from '../parts/instrument/attached.ts';
import { Button } from '../ui/Button.tsx';
import { type Kind, kinds } from './taking.ts';

/** What the instrument on the counter shows now, to be taken as it is. */
export function LiveFigure({
  kind,
  take,
}: {
  kind: Kind;
  take: (text: string, warmth: string, live: Attached) => void;
}) {
  const live = useLiveFigure(kinds[kind].instrument);
  if (!live || live.value === null) return null;
  const digits = { scale: 0, 'ph-meter': 2, refractometer: 1, thermometer: 1, burette: 2 }[live.kind];
  const figure = (live.kind === 'thermometer' ? degreesShown(live.value) : live.value).toFixed(digits);
  const unit = { scale: ' g', thermometer: ` ${degrees()}` }[live.kind as string] ?? '';
  return (
    <div className="flex flex-wrap items-center gap-4 rounded-xl border-2 border-steel px-4 py-3">
      <p className="min-w-40 flex-1">
        <span className="block text-sm text-ink-2">{live.name}</span>
        <span className="figure text-4xl font-bold">
          {figure}
          {unit}
        </span>
        {live.celsius !== null && (
          <span className="figure text-ink-2"> at {temperature(live.celsius, 0)}</span>
        )}
        <span className="block text-sm text-ink-2">
          {live.trouble ?? (live.steady ? 'at rest' : 'still moving, wait')}
        </span>
      </p>
      <Button
        className="min-h-14"
        disabled={live.trouble !== null}
        onClick={() =>
          take(
            kind === 'mass' ? `${figure} g` : figure,
            live.celsius === null ? '' : degreesShown(live.celsius).toFixed(0),
            live,
          )
        }
      >
        Use this figure
      </Button>
    </div>
  );
}
