import type { LabelContent } from '@inch/core/label';
import { labelSizes } from '@inch/core/label';
import { describe, expect, it } from 'vitest';
import { labelPdf } from '../src/label/pdf.ts';

const label: LabelContent = {
  name: 'Damson shrub',
  kind: 'shrub',
  colour: '#4A2860',
  statement: 'Ingredients: damsons, sugar, cider vinegar.',
  allergens: 'Contains: sulphites.',
  netContents: '250 mL',
  nominalMl: 250,
  dateLine: 'Best before 20 Jan 2027',
  keepLine: 'Keep refrigerated, at or under 5 °C.',
  useLine: 'A spoonful to a glass',
  lotLine: 'Lot 7E7W',
  whoLine: 'Hollin Rigg Kitchen, High Fell',
  warning: '',
  infantLine: '',
  localStatement: 'Made in a home kitchen.',
  fruitPercent: 'Damsons 46 %',
};

const AT = '2026-11-03T09:10:00.000Z';
const text = (bytes: Buffer) => bytes.toString('latin1');
const pages = (bytes: Buffer) => [...text(bytes).matchAll(/\/Type \/Page\b/g)].length;
const boxes = (bytes: Buffer) =>
  [...text(bytes).matchAll(/\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/g)].map((m) => [Number(m[1]), Number(m[2])]);

describe('a label as PDF', () => {
  it.each(labelSizes.map((s) => [s.id, s] as const))(
    '%s: every page is the label’s true size',
    async (id, size) => {
      const bytes = await labelPdf(label, id, 4, 3, AT);
      expect(text(bytes).startsWith('%PDF-')).toBe(true);
      expect(pages(bytes)).toBe(3);
      for (const [width, height] of boxes(bytes)) {
        expect((width! / 72) * 25.4).toBeCloseTo(size.widthMm, 1);
        expect((height! / 72) * 25.4).toBeCloseTo(size.heightMm, 1);
      }
    },
  );
  it('carries its own typeface, so that it prints alike everywhere', async () => {
    expect(text(await labelPdf(label, 'usual', 4, 1, AT))).toMatch(/AtkinsonHyperlegible/);
  });
  it('a name too long for the band is set smaller, not cut', async () => {
    const bytes = await labelPdf(
      { ...label, name: 'A very long name for a very small bottle of damson shrub' },
      'small',
      3,
      1,
      AT,
    );
    expect(pages(bytes)).toBe(1);
  });
});
