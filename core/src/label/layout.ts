import type { LabelContent } from './content.ts';

/** Width in mm of a text set at a size in mm; given by whoever draws, so that screen and print break lines alike. */
export type MeasureText = (text: string, sizeMm: number, bold: boolean) => number;

export interface LabelText {
  text: string;
  /** mm from the left and the top, to the baseline. */
  x: number;
  y: number;
  sizeMm: number;
  bold: boolean;
}

export interface LabelLayout {
  widthMm: number;
  heightMm: number;
  /** Height of the coloured band at the top, mm. */
  bandMm: number;
  /** How many of the texts stand on the band, in white. */
  onBand: number;
  texts: LabelText[];
  /** False where the words do not fit the height: take a larger label. */
  fits: boolean;
}

export const labelSizes = [
  { id: 'small', name: '70 × 45 mm', widthMm: 70, heightMm: 45 },
  { id: 'usual', name: '90 × 60 mm', widthMm: 90, heightMm: 60 },
  { id: 'large', name: '110 × 75 mm', widthMm: 110, heightMm: 75 },
] as const;

function wrapped(text: string, width: number, size: number, bold: boolean, measure: MeasureText): string[] {
  const lines: string[] = [];
  let line = '';
  for (const word of text.split(/\s+/)) {
    const longer = line ? `${line} ${word}` : word;
    if (line && measure(longer, size, bold) > width) {
      lines.push(line);
      line = word;
    } else line = longer;
  }
  return line ? [...lines, line] : lines;
}

const MARGIN = 4;

/** Text sizes tried, mm; x-height of this type is 0.52 of it, so that the least is 1.2 mm (0.9 on a small label). */
const LARGEST = 3.4;
const leastSize = (widthMm: number) => (widthMm < 80 ? 1.8 : 2.35);

interface Words {
  body: { text: string; bold: boolean }[];
  label: LabelContent;
}

function wordsOf(label: LabelContent): Words {
  const plain = (text: string, bold = false) => ({ text, bold });
  const body = [
    plain(label.fruitPercent),
    plain(label.statement),
    plain(label.allergens, true),
    plain(label.keepLine),
    plain(label.warning, true),
    plain(label.infantLine, true),
    plain(label.localStatement),
    plain(label.whoLine),
  ];
  return { body: body.filter((line) => line.text !== ''), label };
}

function band(
  label: LabelContent,
  size: { widthMm: number },
  bandMm: number,
  measure: MeasureText,
): LabelText[] {
  const room = size.widthMm - 2 * MARGIN;
  const nameSize = Math.min(bandMm * 0.42, room / Math.max(1, measure(label.name, 1, true)));
  const name = {
    text: label.name,
    x: MARGIN,
    y: bandMm * (label.useLine ? 0.52 : 0.62),
    sizeMm: nameSize,
    bold: true,
  };
  if (!label.useLine) return [name];
  const useSize = Math.min(bandMm * 0.19, room / Math.max(1, measure(label.useLine, 1, false)));
  return [name, { text: label.useLine, x: MARGIN, y: bandMm * 0.83, sizeMm: useSize, bold: false }];
}

/** Lines of the body at one text size, and how far down they reach. */
function bodyAt(
  { body }: Words,
  top: number,
  width: number,
  sizeMm: number,
  measure: MeasureText,
): [LabelText[], number] {
  const texts: LabelText[] = [];
  let y = top + sizeMm * 1.5;
  for (const { text, bold } of body) {
    for (const line of wrapped(text, width, sizeMm, bold, measure)) {
      texts.push({ text: line, x: MARGIN, y, sizeMm, bold });
      y += sizeMm * 1.24;
    }
    y += sizeMm * 0.45;
  }
  return [texts, y - sizeMm * 1.24];
}

function foot(
  label: LabelContent,
  size: { widthMm: number; heightMm: number },
  netMm: number,
  measure: MeasureText,
): LabelText[] {
  const y = size.heightMm - MARGIN;
  const small = 2.6;
  const right = (text: string, lineY: number, bold: boolean) => ({
    text,
    x: size.widthMm - MARGIN - measure(text, small, bold),
    y: lineY,
    sizeMm: small,
    bold,
  });
  return [
    { text: label.netContents, x: MARGIN, y, sizeMm: netMm, bold: true },
    right(label.lotLine, y, true),
    right(label.dateLine, y - small * 1.45, false),
  ];
}

/**
 * Where each line of a label stands, in mm from its top left: the largest text that fits, never under the least the rules allow.
 * @param label its words; @param size width and height in mm; @param netHeightMm least height of the net contents; @param measure text width
 * @example labelLayout(label, { widthMm: 80, heightMm: 60 }, 4, (text, size) => text.length * size * 0.5).fits // true
 */
export function labelLayout(
  label: LabelContent,
  size: { widthMm: number; heightMm: number },
  netHeightMm: number,
  measure: MeasureText,
): LabelLayout {
  const words = wordsOf(label);
  const bandMm = size.heightMm * 0.3;
  const netMm = netHeightMm / 0.66;
  const lowest = size.heightMm - MARGIN - Math.max(netMm * 0.75, 6.4) - 1;
  let sizeMm = LARGEST;
  let [texts, bottom] = bodyAt(words, bandMm, size.widthMm - 2 * MARGIN, sizeMm, measure);
  while (bottom > lowest && sizeMm > leastSize(size.widthMm)) {
    sizeMm = Math.max(leastSize(size.widthMm), sizeMm - 0.1);
    [texts, bottom] = bodyAt(words, bandMm, size.widthMm - 2 * MARGIN, sizeMm, measure);
  }
  const head = band(label, size, bandMm, measure);
  return {
    ...size,
    bandMm,
    onBand: head.length,
    texts: [...head, ...texts, ...foot(label, size, netMm, measure)],
    fits: bottom <= lowest,
  };
}
