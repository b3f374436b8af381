import {
  type ForecastSetting,
  type FormulaContent,
  forecast,
  mendsFor,
  whatWouldItTake,
} from '@inch/core/formula';
import { shippedCatalogue } from '@inch/core/ingredient';
import { describe, expect, it } from 'vitest';

const setting: ForecastSetting = {
  cup: 'us',
  catalogue: shippedCatalogue,
  elevationMetres: 0,
  criticalPh: 4.2,
  kind: 'syrup',
};
/** The published proportions of the berry syrup: 1,350 g of sugar to the juice of the berries, strained. */
const berry = (more: Partial<FormulaContent> = {}): FormulaContent => ({
  lines: [
    { id: 'f', said: '1150 g', ingredientId: 'sour-cherry', stepId: 'd' },
    { id: 's', said: '1350 g', ingredientId: 'sugar', stepId: 'b' },
  ],
  steps: [
    { id: 'd', kind: 'draw', title: 'Cook', method: 'cooked', minutes: 10 },
    { id: 'c', kind: 'strain', title: 'Strain', keeps: 1 },
    { id: 'b', kind: 'heat', title: 'Boil', celsius: 100, killStep: true, minutes: 1 },
  ],
  storage: 'shelf',
  bottleMl: 237,
  ...more,
});
const doing = (content: FormulaContent) => mendsFor(content, setting).map((m) => m.do);

describe('what would mend a formula that would not be released', () => {
  it('is the process that matches, or the cold', () => {
    expect(forecast(berry(), setting).keeping.row).not.toBe('shelf');
    const mends = mendsFor(berry(), setting);
    expect(mends).toContainEqual(expect.objectContaining({ do: 'process', id: 'berry-syrup' }));
    expect(mends.at(-1)).toMatchObject({ do: 'cold', time: { unit: 'month' } });
  });
  it('and each of them does mend it', () => {
    const chosen = berry({ processId: 'berry-syrup' });
    expect(forecast(chosen, setting).processFault).toBeNull();
    expect(mendsFor(chosen, setting)).toEqual([]);
    const cold = forecast(berry({ storage: 'cold' }), setting);
    expect([cold.holds, cold.keeping.class]).toEqual([null, 'cold']);
  });
  it('is a smaller jar where only the jar is too large', () => {
    const large = berry({ bottleMl: 950, processId: 'berry-syrup' });
    expect(mendsFor(large, setting)).toContainEqual(
      expect.objectContaining({ do: 'jar', id: 'berry-syrup', largestMl: 475 }),
    );
  });
  it('is no process for what none was tested with, and nothing where it is well or has a fault', () => {
    const [fruit, sugar] = berry().lines;
    expect(doing(berry({ lines: [{ ...fruit!, ingredientId: 'quince' }, sugar!] }))).not.toContain('process');
    expect(doing(berry({ storage: 'cold' }))).toEqual([]);
    const raw = { id: 'r', said: '300 g', ingredientId: 'frozen-elderberry' };
    expect(doing(berry({ lines: [raw, fruit!, sugar!], steps: [] }))).toEqual([]);
  });
});

describe('every mending that there is', () => {
  const plain = (more: Partial<FormulaContent> = {}): FormulaContent => ({
    ...berry(),
    lines: [
      { id: 'g', said: '300 g', ingredientId: 'ginger', stepId: 'd' },
      { id: 'w', said: '1 kg', ingredientId: 'water', stepId: 'd' },
      { id: 's', said: '900 g', ingredientId: 'sugar', stepId: 'b' },
    ],
    ...more,
  });
  it('is acid, where none is in the formula at all, and it brings it under its limit', () => {
    for (const storage of ['shelf', 'cold'] as const) {
      const acid = mendsFor(plain({ storage }), setting).find((m) => m.do === 'acid');
      if (acid?.do !== 'acid') throw new Error('no acid is offered');
      expect(acid.grams).toBeGreaterThan(0);
      expect(forecast(acid.content, setting).ph!.high).toBeLessThanOrEqual(4.2);
    }
  });
  it('is heat for what was never heated', () => {
    const raw = berry({
      storage: 'cold',
      steps: [{ id: 'd', kind: 'draw', title: 'Rest', method: 'cold', celsius: 4 }],
    });
    const [heat] = mendsFor(raw, setting);
    expect(heat).toMatchObject({ do: 'heat', time: { unit: 'month' } });
  });
  it('is a line left out for a process, or boiling it last', () => {
    const spiced = berry({
      lines: [...berry().lines, { id: 'k', said: '20 g', ingredientId: 'cardamom', stepId: 'd' }],
    });
    expect(mendsFor(spiced, setting)).toContainEqual(
      expect.objectContaining({ do: 'change', id: 'berry-syrup', without: 'cardamom pods' }),
    );
    const cool = berry({ steps: [...berry().steps, { id: 'r', kind: 'rest', title: 'Rest', minutes: 600 }] });
    expect(mendsFor(cool, setting)).toContainEqual(
      expect.objectContaining({ do: 'change', id: 'berry-syrup', without: null }),
    );
  });
  it('never has a figure that is none', () => {
    for (const id of ['ginger', 'water', 'sugar', 'sour-cherry', 'vodka', 'baking-soda'])
      for (const storage of ['shelf', 'cold', 'frozen'] as const)
        expect(
          JSON.stringify(
            mendsFor(berry({ storage, lines: [{ id: 'x', said: '100 g', ingredientId: id }] }), setting),
          ),
        ).not.toMatch(/"grams":null|Infinity|NaN/);
    const none = whatWouldItTake(
      berry({ lines: [{ id: 'x', said: '1 kg', ingredientId: 'sugar' }] }),
      setting,
      { lineId: 'x', aim: 'ph', value: 3.5 },
    );
    expect(none).toMatchObject({ reached: false, from: 0, to: 0, why: expect.stringMatching(/No amount/) });
  });
});
