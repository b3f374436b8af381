import { ingredientRoutes } from '@inch/contract/making/ingredient';
import { call } from '../../data/api.ts';
import { useWrite } from '../../data/useWrite.ts';
import type { IncomingOwn } from '../exchange/fileOwn.ts';

interface Chosen {
  own: IncomingOwn;
  /** Ids of the ingredients whose measured figures are taken too. */
  measured: ReadonlySet<string>;
}

/** Enters what a formula file brings into this kitchen's own catalogue, each under an id that a second try has as well. */
export const useAddOwn = (after: () => void) =>
  useWrite(
    'ingredient',
    async ({ own, measured }: Chosen, idOf) => {
      const figures = [
        ...own.labels.map((label) => label.figures),
        ...own.measured.map((m) => m.figures).filter((f) => measured.has(f.ingredientId)),
      ];
      for (const each of figures)
        await call(ingredientRoutes.enter, { body: { id: idOf(`own ${each.ingredientId}`), ...each } });
      for (const measure of own.measures)
        await call(ingredientRoutes.measure, {
          body: { id: idOf(`measure ${measure.name} ${measure.ingredientId}`), ...measure },
        });
    },
    { after },
  );

const saidOf = ({
  brix,
  ph,
  taPer100g,
  on,
}: {
  brix?: number;
  ph?: number;
  taPer100g?: number;
  on: string;
}) =>
  [
    ...(brix === undefined ? [] : [`${brix} °Bx`]),
    ...(ph === undefined ? [] : [`pH ${ph}`]),
    ...(taPer100g === undefined ? [] : [`${taPer100g} g acid in 100 g`]),
    `on ${on}`,
  ].join(', ');

/** What a formula file brings besides its lines: added with them, or, where another kitchen measured a fruit, only if you say so. */
export function OwnReview({
  own,
  measured,
  setMeasured,
}: {
  own: IncomingOwn;
  measured: ReadonlySet<string>;
  setMeasured: (measured: ReadonlySet<string>) => void;
}) {
  const added = [
    ...own.labels.map(({ entry }) => entry.name),
    ...own.measures.map((m) => `the measure “${m.name}”`),
  ];
  if (added.length === 0 && own.measured.length === 0) return null;
  return (
    <div className="mt-4">
      {added.length > 0 && (
        <p>The import adds to this kitchen’s own ingredients and measures: {added.join(', ')}.</p>
      )}
      {own.measured.map(({ figures, name }) => (
        <label key={figures.ingredientId} className="mt-2 flex min-h-10 items-start gap-2">
          <input
            type="checkbox"
            className="mt-1 size-5 accent-[var(--rim)]"
            checked={measured.has(figures.ingredientId)}
            onChange={(event) => {
              const next = new Set(measured);
              if (event.target.checked) next.add(figures.ingredientId);
              else next.delete(figures.ingredientId);
              setMeasured(next);
            }}
          />
          <span>
            {name} as the other kitchen measured it
            <span className="block text-sm text-ink-2">
              {saidOf(figures.measured as Parameters<typeof saidOf>[0])}. Tick it where it is the same fruit;
              otherwise typical figures are used.
            </span>
          </span>
        </label>
      ))}
    </div>
  );
}
