import { createRequire } from 'node:module';
import { measuredBy } from '@inch/core/label';
import { type Font, openSync } from 'fontkit';

const require = createRequire(import.meta.url);

const file = (style: '400Regular' | '700Bold') =>
  require.resolve(
    `@expo-google-fonts/atkinson-hyperlegible-next/${style}/AtkinsonHyperlegibleNext_${style}.ttf`,
  );
const open = (style: '400Regular' | '700Bold') => openSync(file(style)) as Font;

let fonts: { regular: Font; bold: Font } | null = null;
const font = (bold: boolean): Font => {
  fonts ??= { regular: open('400Regular'), bold: open('700Bold') };
  return bold ? fonts.bold : fonts.regular;
};

/** Width of a text in the typeface of the application, mm: as PDF and page set it. */
export const measureText = measuredBy((text, bold) => {
  const face = font(bold);
  return face.layout(text).advanceWidth / face.unitsPerEm;
});

const n = (value: number): string => String(Math.round(value * 1000) / 1000);

/** Outlines of a text as an SVG path's data, mm, from the start of its baseline. */
export function outlines(text: string, sizeMm: number, bold: boolean): string {
  const face = font(bold);
  const scale = sizeMm / face.unitsPerEm;
  const run = face.layout(text);
  let x = 0;
  let data = '';
  run.glyphs.forEach((glyph, i) => {
    const position = run.positions[i]!;
    for (const { command, args } of glyph.path.commands) {
      const letter = { moveTo: 'M', lineTo: 'L', quadraticCurveTo: 'Q', bezierCurveTo: 'C', closePath: 'Z' }[
        command
      ];
      const points = args.map((value, at) =>
        at % 2 === 0 ? n((x + position.xOffset + value) * scale) : n(-(position.yOffset + value) * scale),
      );
      data += letter + points.join(' ');
    }
    x += position.xAdvance;
  });
  return data;
}
