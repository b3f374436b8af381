import { type Art, type Box, type FieldId, INK, type MeasureText } from './art.ts';

export interface Run {
  text: string;
  bold: boolean;
}

/** Something that takes its place in a column: words, or a table drawn to the column's width. */
export type Block =
  | {
      kind: 'words';
      of: FieldId;
      runs: Run[] /** Capital height, mm, that a rule sets for it alone. */;
      sizeMm?: number;
      boxed?: boolean;
      called: string;
    }
  | {
      kind: 'table';
      of: FieldId;
      called: string;
      draw: (
        x: number,
        y: number,
        width: number,
        sizeMm: number,
        measure: MeasureText,
      ) => { art: Art[]; height: number; width: number };
    };

interface Word {
  text: string;
  bold: boolean;
}

const wordsIn = (runs: readonly Run[]): Word[] =>
  runs.flatMap(({ text, bold }) =>
    text
      .split(/\s+/)
      .filter(Boolean)
      .map((word) => ({ text: word, bold })),
  );

/** Words on lines no longer than the width; a line's like words are one text. */
export function wrapped(runs: readonly Run[], width: number, sizeMm: number, measure: MeasureText): Run[][] {
  const lines: Word[][] = [];
  let line: Word[] = [];
  let used = 0;
  const space = measure(' ', sizeMm, false);
  for (const word of wordsIn(runs)) {
    const long = measure(word.text, sizeMm, word.bold);
    if (line.length > 0 && used + space + long > width) {
      lines.push(line);
      line = [];
      used = 0;
    }
    used += (line.length > 0 ? space : 0) + long;
    line.push(word);
  }
  if (line.length > 0) lines.push(line);
  return lines.map(joined);
}

const joined = (words: readonly Word[]): Run[] =>
  words.reduce<Run[]>((runs, word) => {
    const last = runs.at(-1);
    if (last && last.bold === word.bold) last.text += ` ${word.text}`;
    else runs.push({ ...word });
    return runs;
  }, []);

const LEADING = 1.22;
const BETWEEN = 0.42;
const INSET = 1;

/** One block of words from a top: its art, and how far down it reaches. */
function wordsAt(
  block: Extract<Block, { kind: 'words' }>,
  box: Box,
  y: number,
  bodyMm: number,
  fill: string,
  measure: MeasureText,
): { art: Art[]; bottom: number; widest: number } {
  const sizeMm = block.sizeMm ?? bodyMm;
  const inset = block.boxed ? INSET : 0;
  const art: Art[] = [];
  let line = y + inset;
  let widest = 0;
  for (const runs of wrapped(block.runs, box.width - 2 * inset, sizeMm, measure)) {
    let x = box.x + inset;
    for (const run of runs) {
      art.push({ kind: 'text', ...run, x, y: line + sizeMm * 0.8, sizeMm, fill, of: block.of });
      x += measure(run.text, sizeMm, run.bold) + measure(' ', sizeMm, false);
    }
    widest = Math.max(widest, x - box.x - measure(' ', sizeMm, false) + inset);
    line += sizeMm * LEADING;
  }
  const bottom = line + inset;
  if (block.boxed)
    art.push({
      kind: 'rect',
      x: box.x,
      y,
      width: box.width,
      height: bottom - y,
      stroke: fill,
      lineMm: 0.15,
      of: block.of,
    });
  return { art, bottom, widest };
}

export interface Flowed {
  art: Art[];
  bottom: number;
  /** Farthest that anything reaches to the right of the box's left edge. */
  widest: number;
}

/** Blocks one under another in a box, all at one size. */
export function flowAt(
  blocks: readonly Block[],
  box: Box,
  sizeMm: number,
  measure: MeasureText,
  fill: string = INK,
): Flowed {
  const art: Art[] = [];
  let y = box.y;
  let widest = 0;
  for (const block of blocks) {
    if (block.kind === 'words') {
      const set = wordsAt(block, box, y, sizeMm, fill, measure);
      art.push(...set.art);
      y = set.bottom + sizeMm * BETWEEN;
      widest = Math.max(widest, set.widest);
    } else {
      const set = block.draw(box.x, y, box.width, sizeMm, measure);
      art.push(...set.art);
      y += set.height + sizeMm * BETWEEN;
      widest = Math.max(widest, set.width);
    }
  }
  return { art, bottom: y - sizeMm * BETWEEN, widest };
}

/** Largest text on a label, mm. */
const LARGEST = 3.4;
const STEP = 0.1;

/** The largest size, never under the least, at which blocks go into a box; the least, and no room, where they do not. */
export function fitted(
  blocks: readonly Block[],
  box: Box,
  leastMm: number,
  measure: MeasureText,
  fill?: string,
): Flowed & { sizeMm: number; fits: boolean } {
  for (let sizeMm = Math.max(LARGEST, leastMm); ; sizeMm = Math.max(leastMm, sizeMm - STEP)) {
    const set = flowAt(blocks, box, sizeMm, measure, fill);
    const fits = set.bottom <= box.y + box.height + 1e-6 && set.widest <= box.width + 1e-6;
    if (fits || sizeMm <= leastMm) return { ...set, sizeMm, fits };
  }
}
