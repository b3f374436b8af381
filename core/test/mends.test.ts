import { type ForecastSetting, type FormulaContent, forecast, mendsFor } from '@inch/core/formula';
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
