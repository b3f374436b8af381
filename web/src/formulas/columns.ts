import type { Formula } from '@inch/contract/making/formula';
import { type Forecast, type ForecastSetting, type FormulaContent, forecast } from '@inch/core/formula';
import { type KitchenCatalogue, kitchenCatalogue } from '@inch/core/ingredient';
import { grouped, money, volume, weight } from '@inch/core/quantity';

/** One formula version, as a column of a comparison. */
export interface Column {
  key: string;
  formula: Formula;
  number: number;
  content: FormulaContent;
  forecast: Forecast;
  catalogue: KitchenCatalogue;
}

/** A version read with the entries it kept: what the kitchen learned since does not change it. */
export function columnOf(
  key: string,
  formula: Formula,
  number: number,
  setting: ForecastSetting,
): Column | null {
  const version = formula.versions.find((v) => v.number === number);
  if (!version) return null;
  const content = version.content as FormulaContent;
  const catalogue = content.own
    ? kitchenCatalogue({ ...content.own, prices: pricesOf(content, setting) })
    : setting.catalogue;
  return {
    key,
    formula,
    number,
    content,
    catalogue,
    forecast: forecast(content, { ...setting, catalogue, kind: formula.kind }),
  };
}

const pricesOf = (content: FormulaContent, { catalogue }: ForecastSetting): Record<string, number> =>
  Object.fromEntries(
    content.lines.flatMap((line) => {
      const price = catalogue.pricePerKg(line.ingredientId);
      return price === undefined ? [] : [[line.ingredientId, price]];
    }),
  );

export const FIGURES: { name: string; of: (c: Column, currency: string) => string }[] = [
  { name: 'Sugar, °Bx', of: ({ forecast: f }) => f.brix.toFixed(1) },
  { name: 'pH', of: ({ forecast: f }) => (f.ph ? f.ph.middle.toFixed(2) : '–') },
  {
    name: 'pH at the outmost',
    of: ({ forecast: f }) => (f.ph ? `${f.ph.low.toFixed(2)}–${f.ph.high.toFixed(2)}` : '–'),
  },
  { name: 'Acid, % as citric', of: ({ forecast: f }) => f.taPercent?.toFixed(2) ?? '–' },
  { name: '°Bx over acid', of: ({ forecast: f }) => f.ratio?.toFixed(0) ?? '–' },
  { name: 'Acetic acid, %', of: ({ forecast: f }) => f.aceticPercent.toFixed(2) },
  { name: 'a_w, calculated', of: ({ forecast: f }) => f.waterActivity?.toFixed(3) ?? '–' },
  { name: 'Alcohol, % ABV', of: ({ forecast: f }) => f.abv.toFixed(1) },
  { name: 'Yield, L', of: ({ forecast: f }) => grouped(f.millilitres / 1000, 2) },
  { name: 'Bottles', of: ({ forecast: f, content }) => `${f.bottles} × ${volume(content.bottleMl)}` },
  {
    name: 'A bottle costs',
    of: ({ forecast: f }, currency) =>
      f.cost !== null && f.bottles > 0 ? money(Math.round(f.cost / f.bottles), currency) : '–',
  },
  {
    name: 'Keeps',
    of: ({ forecast: f }) =>
      f.holds
        ? 'would be held'
        : f.processFault
          ? 'would not be released'
          : f.keeping.time
            ? `${f.keeping.time.count} ${f.keeping.time.unit}${f.keeping.time.count === 1 ? '' : 's'}, ${f.keeping.class}`
            : 'nothing carries it',
  },
  {
    name: 'Runs',
    of: ({ forecast: f }) => f.body.runs?.replace(/^Hot it runs like /, '').replace(/\.$/, '') ?? '–',
  },
];

/** Rows of ingredients over all columns, in the order in which they first come. */
export function lineRows(columns: Column[]): { id: string; name: string; cells: string[] }[] {
  const ids = [...new Set(columns.flatMap((c) => c.content.lines.map((l) => l.ingredientId)))];
  return ids.map((id) => ({
    id,
    name: columns.map((c) => c.catalogue.find(id)?.name).find(Boolean) ?? id,
    cells: columns.map((c) => {
      const grams = c.forecast.lines
        .filter((l) => l.ingredient?.id === id)
        .reduce((sum, l) => sum + (l.grams ?? 0), 0);
      return grams > 0 ? weight(grams) : '–';
    }),
  }));
}
