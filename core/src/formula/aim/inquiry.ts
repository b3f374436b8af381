import {
  bottleSize,
  brixSaid,
  limitOfHeat,
  plural,
  temperature,
  volume,
  weight,
} from '../../quantity/index.ts';
import type { FormulaContent } from '../content.ts';
import { basisWords } from '../difference.ts';
import type { Forecast } from '../forecast/forecast.ts';

/** A measurement of the finished product of a lot, as a letter to a process authority has it. */
export interface LotMeasured {
  code: string;
  /** YYYY-MM-DD. */
  on: string;
  ph: number | null;
  brix: number | null;
  waterActivity: number | null;
}

export interface Inquiry {
  product: { name: string; kind: string };
  content: FormulaContent;
  forecast: Forecast;
  lots: readonly LotMeasured[];
  elevationMetres: number;
}

export interface InquiryPart {
  heading: string;
  lines: string[];
}

const figure = (value: number | null, digits: number, unit = ''): string =>
  value === null ? 'not measured' : `${value.toFixed(digits)}${unit}`;

/** What is in it: share by weight as it goes in, largest first. */
function composition({ content, forecast }: Inquiry): string[] {
  const all = forecast.lines.reduce((sum, line) => sum + (line.used ?? 0), 0);
  const nameOf = (id: string) =>
    forecast.lines.find((l) => l.lineId === id)?.ingredient?.name.toLowerCase() ?? 'a line that is gone';
  return forecast.lines
    .map((line, i) => ({ line, said: content.lines[i]! }))
    .filter(({ line }) => line.ingredient)
    .sort((a, b) => (b.line.used ?? 0) - (a.line.used ?? 0))
    .map(({ line, said }) => {
      const share = all > 0 && line.used !== null ? `${((100 * line.used) / all).toFixed(1)} %, ` : '';
      const grams = line.used === null ? 'amount open' : weight(line.used);
      const per =
        said.basis && said.basis.per !== 'batch' ? `, ${said.said}${basisWords(said.basis, nameOf)}` : '';
      return `${line.ingredient!.name}: ${share}${grams}${per}`;
    });
}

function steps({ content, forecast }: Inquiry): string[] {
  return content.steps.map((step, i) => {
    const outcome = forecast.steps[i];
    const minutes = outcome?.minutes ?? step.minutes;
    return [
      `${i + 1}. ${step.title}`,
      ...(minutes === undefined || minutes === null ? [] : [`${Math.round(minutes)} min`]),
      ...(outcome && outcome.celsius > 30 ? [`at ${temperature(outcome.celsius, 0)}`] : []),
    ].join(', ');
  });
}

function figures({ forecast: f, lots }: Inquiry): string[] {
  const { ph } = f;
  return [
    ph
      ? `pH, forecast: ${ph.middle.toFixed(2)}, between ${ph.low.toFixed(2)} and ${ph.high.toFixed(2)} at the outmost.`
      : `pH, forecast: none. ${f.phWhy ?? ''}`,
    `Dissolved solids, forecast: ${brixSaid(f.brix)}. What does not dissolve: ${(100 * f.makeup.pulp).toFixed(1)} %.`,
    `Water activity, calculated: ${figure(f.waterActivity, 3)} at 25 °C. Acetic acid: ${f.aceticPercent.toFixed(2)} %. Alcohol: ${f.abv.toFixed(1)} % by volume.`,
    `Viscosity, by the sucrose correlation: ${f.body.cold === null ? 'not known' : `${f.body.cold.toPrecision(2)} mPa·s at 20 °C, ${f.body.hot!.toPrecision(2)} at 90 °C`}.`,
    ...(lots.length === 0
      ? ['No lot of it was measured yet.']
      : lots.map(
          (lot) =>
            `Lot ${lot.code}, ${lot.on}: pH ${figure(lot.ph, 2)}, ${figure(lot.brix, 1, ' °Bx')}, a_w ${figure(lot.waterActivity, 3)}.`,
        )),
  ];
}

const STATE = {
  strained: 'strained, without pieces',
  puree: 'a puree',
  pieces: 'pieces in their liquid',
} as const;

/**
 * What a process authority is asked about a product that no listed process covers: what is in it and how it is made, its figures as forecast and
 * as measured, how it is filled, and what is wanted. No minutes are proposed.
 * @param inquiry the formula with its forecast, and the finished products that were measured; elevation in m
 * @example processInquiry({ product: { name: 'Cherry', kind: 'syrup' }, content: cherry, forecast: forecast(cherry, setting), lots: [], elevationMetres: 0 }).length // 5
 */
export function processInquiry(inquiry: Inquiry): InquiryPart[] {
  const { content, forecast: f, elevationMetres } = inquiry;
  const { state, pack } = f.makeup;
  return [
    {
      heading: 'What is asked',
      lines: [
        `A heat process for this product in ${bottleSize(content.bottleMl)} jars, for storage ${content.storage === 'shelf' ? 'on the shelf' : content.storage} at ${limitOfHeat(20)}: method, minutes at this elevation, headspace, rest, fill temperature, and the limits of pH and °Bx within which it holds.`,
        ...(f.processFault ? [`Why no listed process is used: ${f.processFault}.`] : []),
        `The kitchen stands at ${Math.round(elevationMetres)} m (${Math.round(elevationMetres / 0.3048)} ft).`,
      ],
    },
    { heading: 'Composition, as it goes in', lines: composition(inquiry) },
    { heading: 'How it is made', lines: steps(inquiry) },
    { heading: 'Figures', lines: figures(inquiry) },
    {
      heading: 'Container and fill',
      lines: [
        `In the jar: ${STATE[state]}; packed ${pack}. Contents: ${volume(content.bottleMl)}${content.headspaceMl ? `, headspace ${volume(content.headspaceMl)}` : ''}.`,
        `A batch makes ${plural(f.bottles, 'jar')}. ${f.lowAcid ? 'It contains low-acid ingredients.' : 'It contains no low-acid ingredients by the catalogue.'}`,
      ],
    },
  ];
}
