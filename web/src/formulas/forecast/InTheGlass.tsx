import type { Forecast, FormulaContent } from '@inch/core/formula';
import { temperature, volume } from '@inch/core/quantity';
import type { ReactNode } from 'react';
import { Term } from '../../ui/Term.tsx';
import { ColourBand } from '../ColourBand.tsx';

function Row({ name, bottle, drink }: { name: ReactNode; bottle: string; drink: string | undefined }) {
  return (
    <tr className="border-b border-steel-line">
      <th scope="row" className="py-1.5 text-left font-normal">
        {name}
      </th>
      <td className="figure text-right font-semibold">{bottle}</td>
      {drink !== undefined && <td className="figure text-right font-semibold">{drink}</td>}
    </tr>
  );
}

const fixed = (value: number | null | undefined, digits: number, unit = '') =>
  value === null || value === undefined ? '–' : `${value.toFixed(digits)}${unit}`;

/** Sweet against sharp in the bottle and in the drink, and how it runs and may turn out. */
export function InTheGlass({
  forecast: f,
  content,
  colour,
}: {
  forecast: Forecast;
  content: FormulaContent;
  /** Of the product, as it is drawn. */
  colour: string;
}) {
  const { drink, body } = f;
  const faults = [body.sets, body.grains, body.parts].filter((text) => text !== null);
  const hotMl = f.millilitres > 0 ? (content.bottleMl * f.hotMillilitres) / f.millilitres : null;
  return (
    <div className="mt-3">
      <table className="w-full text-sm">
        <thead>
          <tr className="border-b border-ink text-ink-2">
            <th className="py-1 text-left font-semibold">Balance</th>
            <th className="text-right font-semibold">in the bottle</th>
            {drink && <th className="text-right font-semibold">1 to {drink.waterParts}</th>}
          </tr>
        </thead>
        <tbody>
          <Row
            name={<Term of="brix">Sugar, °Bx</Term>}
            bottle={f.brix.toFixed(1)}
            drink={drink?.brix.toFixed(1)}
          />
          <Row
            name="Acid, % as citric"
            bottle={fixed(f.taPercent, 2)}
            drink={drink ? fixed(drink.taPercent, 2) : undefined}
          />
          <Row
            name="°Bx over acid"
            bottle={fixed(f.ratio, 0)}
            drink={drink ? fixed(drink.ratio, 0) : undefined}
          />
          {f.abv > 0.05 && (
            <Row name="Alcohol, % ABV" bottle={f.abv.toFixed(1)} drink={drink?.abv.toFixed(2)} />
          )}
        </tbody>
      </table>
      {drink ? (
        <p className="mt-2 text-sm text-ink-2">
          A glass of {volume(250)} holds {drink.sugarGrams.toFixed(0)} g of sugar
          {drink.acidGrams === null ? '' : ` and ${drink.acidGrams.toFixed(1)} g of acid`}; a bottle makes{' '}
          {drink.glasses.toFixed(0)}.
        </p>
      ) : (
        <p className="mt-2 text-sm text-ink-2">Say how many parts of water it takes, and see the drink.</p>
      )}
      <ColourBand forecast={f} colour={colour} />
      <h3 className="mt-4 border-b border-ink pb-1 text-sm font-semibold text-ink-2">Body</h3>
      {body.runs && (
        <p className="mt-2">
          {body.runs}{' '}
          <span className="figure text-sm text-ink-2">
            {body.hot!.toFixed(1)} mPa·s at {temperature(90)}, {body.cold!.toFixed(body.cold! < 20 ? 1 : 0)}{' '}
            at {temperature(20)}
          </span>
        </p>
      )}
      {faults.map((text) => (
        <p key={text} className="mt-2 font-semibold text-hold">
          {text}
        </p>
      ))}
      {faults.length === 0 && f.grams > 0 && (
        <p className="mt-2 text-ink-2">No sign that it will set, crystallise or separate.</p>
      )}
      {content.headspaceMl !== undefined && hotMl !== null && f.bottles > 0 && (
        <p className="mt-2 text-sm text-ink-2">
          Hot it fills {volume(hotMl, 0)} of the bottle’s {volume(content.bottleMl + content.headspaceMl, 0)},
          and cold {volume(content.bottleMl)}.
          {hotMl - content.bottleMl > content.headspaceMl && (
            <strong className="text-hold"> That is over the rim: leave more headspace.</strong>
          )}
        </p>
      )}
    </div>
  );
}
