import type { Nutrition } from '../nutrition.ts';
import type { Language } from '../words.ts';
import { type Art, INK, type MeasureText } from './art.ts';
import type { Block } from './flow.ts';
import { euPanel, type PanelRow, type UsPanel, usPanel } from './panelRows.ts';

/** How a panel is drawn: down the side, side by side in columns, or as running text. */
export type PanelFormat = 'vertical' | 'tabular' | 'linear';

const POINT = 25.4 / 72;
/** Sizes of type, mm. Source: 21 CFR 101.9(d)(1)(iii), (d)(3), (j)(13)(i)(B). */
const LEAST = { vertical: 8 * POINT, small: 6 * POINT, calories: 16 * POINT, caloriesSmall: 10 * POINT };
/** in² of all that can be labelled over which only the vertical format is allowed. Source: 21 CFR 101.9(j)(13)(ii)(A). */
const VERTICAL_OVER_CM2 = 40 * 6.4516;

/**
 * Formats of the United States panel that a container may have, the plainest first. Source: 21 CFR 101.9(d)(11), (j)(13)(ii)(A).
 * @param allCm2 area that can carry labels, cm²
 * @example panelFormats(300) // ['vertical']
 */
export const panelFormats = (allCm2: number): PanelFormat[] =>
  allCm2 > VERTICAL_OVER_CM2 ? ['vertical'] : ['vertical', 'tabular', 'linear'];

type Draw = Extract<Block, { kind: 'table' }>['draw'];

const text = (said: string, x: number, y: number, sizeMm: number, bold: boolean): Art => ({
  kind: 'text',
  text: said,
  x,
  y,
  sizeMm,
  bold,
  fill: INK,
  of: 'nutrition',
});
const rule = (x: number, y: number, width: number, lineMm: number): Art => ({
  kind: 'rect',
  x,
  y,
  width,
  height: lineMm,
  fill: INK,
  of: 'nutrition',
});
const frame = (x: number, y: number, width: number, height: number): Art => ({
  kind: 'rect',
  x,
  y,
  width,
  height,
  stroke: INK,
  lineMm: 0.18,
  of: 'nutrition',
});

const INSET = 1.2;
const PAD = 1;

/** One row with its amount beside the name and its percentage at the right. */
function usLine(
  row: PanelRow,
  x: number,
  y: number,
  width: number,
  size: number,
  measure: MeasureText,
): Art[] {
  const from = x + PAD + row.inset * INSET * 1.4;
  const art = [text(row.name, from, y + size, size, row.bold)];
  const after = from + measure(`${row.name} `, size, row.bold);
  if (row.amount) art.push(text(row.amount, after, y + size, size, false));
  if (row.daily)
    art.push(text(row.daily, x + width - PAD - measure(row.daily, size, true), y + size, size, true));
  return art;
}

const widestUs = ({ rows }: UsPanel, size: number, measure: MeasureText): number =>
  Math.max(
    ...rows.map(
      (r) =>
        2 * PAD +
        r.inset * INSET * 1.4 +
        measure(`${r.name} ${r.amount}`, size, r.bold) +
        measure(` ${r.daily}`, size, true) +
        1,
    ),
  );

const footLines = (panel: UsPanel, width: number, size: number, measure: MeasureText): string[] => {
  const said = [panel.footnote, '%DV = %Daily Value'].filter(Boolean).join(' ');
  const lines: string[] = [];
  for (const word of said.split(' ')) {
    const longer = lines.length > 0 ? `${lines.at(-1)} ${word}` : word;
    if (lines.length > 0 && measure(longer, size, false) <= width) lines[lines.length - 1] = longer;
    else lines.push(word);
  }
  return lines;
};

const verticalUs =
  (panel: UsPanel): Draw =>
  (x, y, boxWidth, _size, measure) => {
    const size = LEAST.vertical;
    const width = Math.max(Math.min(boxWidth, 62), widestUs(panel, size, measure));
    const art: Art[] = [];
    const heading = Math.min(5.6, ((width - 2 * PAD) * size) / measure('Nutrition Facts', size, true));
    let at = y + PAD * 0.6;
    art.push(text('Nutrition Facts', x + PAD, at + heading * 0.8, heading, true));
    at += heading;
    art.push(rule(x + PAD, at, width - 2 * PAD, 0.15));
    art.push(text(panel.servings, x + PAD, at + size * 1.05, size, false));
    at += size * 1.15;
    art.push(text('Serving size', x + PAD, at + size * 1.05, size, true));
    art.push(
      text(panel.serving, x + width - PAD - measure(panel.serving, size, true), at + size * 1.05, size, true),
    );
    at += size * 1.35;
    art.push(rule(x + PAD, at, width - 2 * PAD, 1.6));
    at += 1.8;
    const big = LEAST.calories;
    const figure = 22 * POINT;
    art.push(text('Calories', x + PAD, at + figure * 0.75, big, true));
    art.push(
      text(
        panel.calories,
        x + width - PAD - measure(panel.calories, figure, true),
        at + figure * 0.75,
        figure,
        true,
      ),
    );
    at += figure * 0.9;
    art.push(rule(x + PAD, at, width - 2 * PAD, 0.8));
    at += 0.9;
    art.push(
      text('% DV', x + width - PAD - measure('% DV', LEAST.small, true), at + LEAST.small, LEAST.small, true),
    );
    at += LEAST.small * 1.2;
    for (const row of panel.rows) {
      art.push(rule(x + PAD, at, width - 2 * PAD, 0.1), ...usLine(row, x, at, width, size, measure));
      at += size * 1.3;
    }
    art.push(rule(x + PAD, at, width - 2 * PAD, 0.8));
    at += 1;
    for (const line of footLines(panel, width - 2 * PAD, LEAST.small, measure)) {
      art.push(text(line, x + PAD, at + LEAST.small * 0.9, LEAST.small, false));
      at += LEAST.small * 1.15;
    }
    const height = at - y + PAD * 0.5;
    return { art: [frame(x, y, width, height), ...art], height, width };
  };

/** The heading at the left, the nutrients beside it in two columns. */
const tabularUs =
  (panel: UsPanel): Draw =>
  (x, y, boxWidth, _size, measure) => {
    const size = LEAST.small;
    const column = widestUs(panel, size, measure);
    const head =
      Math.max(measure('Nutrition Facts', 3.4, true), measure(`Serving size ${panel.serving}`, size, true)) +
      2 * PAD;
    const columns = Math.max(1, Math.min(2, Math.floor((boxWidth - head) / column)));
    const width = head + columns * column;
    const each = Math.ceil(panel.rows.length / columns);
    const art: Art[] = [
      text('Nutrition Facts', x + PAD, y + 3.4, 3.4, true),
      text(panel.servings, x + PAD, y + 3.8 + size, size, false),
      text(`Serving size ${panel.serving}`, x + PAD, y + 4 + 2.2 * size, size, true),
      text(
        `Calories ${panel.calories}`,
        x + PAD,
        y + 4.2 + 2.4 * size + LEAST.caloriesSmall,
        LEAST.caloriesSmall,
        true,
      ),
    ];
    panel.rows.forEach((row, i) => {
      const at = y + 0.5 + (i % each) * size * 1.3;
      art.push(...usLine(row, x + head + Math.floor(i / each) * column, at, column, size, measure));
    });
    const upper = Math.max(0.5 + each * size * 1.3, 5 + 2.4 * size + LEAST.caloriesSmall);
    let at = y + upper;
    for (const line of footLines(panel, width - 2 * PAD, size, measure)) {
      art.push(text(line, x + PAD, at + size, size, false));
      at += size * 1.15;
    }
    const height = at - y + 0.8;
    return { art: [frame(x, y, width, height), ...art], height, width };
  };

const linearUs = (panel: UsPanel): string =>
  `Nutrition Facts Servings: ${panel.servings.replace(' per container', '')}, Serv. size: ${panel.serving}, Amount per serving: Calories ${panel.calories}, ${panel.rows
    .map((r) => `${r.name}${r.amount ? ` ${r.amount}` : ''}${r.daily ? ` (${r.daily} DV)` : ''}`)
    .join(', ')}. ${panel.footnote}`.trim();

const tableEu =
  (nutrition: Nutrition, languages: readonly Language[]): Draw =>
  (x, y, boxWidth, size, measure) => {
    const { title, per, rows } = euPanel(nutrition, languages);
    const needs = (r: PanelRow) =>
      2 * PAD + r.inset * INSET + measure(`${r.name}  ${r.amount}`, size, false) + 1;
    const width = Math.min(boxWidth, 70);
    const widest = Math.max(...rows.map(needs), 2 * PAD + measure(`${title}  ${per}`, size, true));
    const used = Math.max(width, widest);
    const art: Art[] = [
      text(title, x + PAD, y + size, size, true),
      text(per, x + used - PAD - measure(per, size, true), y + size, size, true),
    ];
    let at = y + size * 1.35;
    for (const r of rows) {
      art.push(rule(x, at, used, 0.1));
      art.push(text(r.name, x + PAD + r.inset * INSET, at + size * 0.95, size, false));
      art.push(
        text(r.amount, x + used - PAD - measure(r.amount, size, false), at + size * 0.95, size, false),
      );
      at += size * 1.25;
    }
    return { art: [frame(x, y, used, at - y), ...art], height: at - y, width: used };
  };

const linearEu = (nutrition: Nutrition, languages: readonly Language[]): string => {
  const { title, per, rows } = euPanel(nutrition, languages);
  return `${title} ${per}: ${rows.map((r) => `${r.name} ${r.amount}`).join(', ')}.`;
};

const words = (said: string): Block => ({
  kind: 'words',
  of: 'nutrition',
  called: 'the nutrition figures',
  runs: [{ text: said, bold: false }],
});

/** The nutrition panel as a block, in a format that the pack has. */
export function panelBlock(
  nutrition: Nutrition,
  of: { nominalMl: number; languages: readonly Language[]; format: PanelFormat },
): Block {
  const table = (draw: Draw): Block => ({
    kind: 'table',
    of: 'nutrition',
    called: 'the nutrition figures',
    draw,
  });
  if (nutrition.pack === 'eu')
    return of.format === 'linear'
      ? words(linearEu(nutrition, of.languages))
      : table(tableEu(nutrition, of.languages));
  const panel = usPanel(nutrition, of.nominalMl);
  if (of.format === 'linear') return words(linearUs(panel));
  return table(of.format === 'tabular' ? tabularUs(panel) : verticalUs(panel));
}
