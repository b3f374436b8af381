import { type FormulaContent, type FormulaStep, forecast } from '@inch/core/formula';
import { catalogue, shippedCatalogue } from '@inch/core/ingredient';
import { describe, expect, it } from 'vitest';

const setting = { cup: 'us' as const, elevationMetres: 719, criticalPh: 4.2, catalogue: shippedCatalogue };
const make = (lines: [string, string, string?][], steps: FormulaStep[], more: Partial<FormulaContent> = {}) =>
  forecast(
    {
      lines: lines.map(([ingredientId, said, stepId], i) => ({
        id: String(i),
        said,
        ingredientId,
        ...(stepId ? { stepId } : {}),
      })),
      steps,
      storage: 'cold',
      bottleMl: 250,
      ...more,
    },
    setting,
  );

const cook: FormulaStep = { id: 'cook', kind: 'draw', title: 'Cook', killStep: true };
const strain = (keeps: number): FormulaStep => ({ id: 'strain', kind: 'strain', title: 'Strain', keeps });
const reduce = (toBrix: number): FormulaStep => ({ id: 'reduce', kind: 'reduce', title: 'Reduce', toBrix });

describe('straining', () => {
  it('leaves what does not dissolve, and a share of the liquid, in the cloth', () => {
    const whole = make([['raspberry', '1000 g']], [cook]);
    const half = make([['raspberry', '1000 g']], [cook, strain(0.5)]);
    expect(half.grams).toBeCloseTo(whole.grams / 2, 6);
    expect(half.steps[1]!.retained).toBeCloseTo(
      whole.grams / 2 + (1000 * shippedCatalogue.get('raspberry').per100g.insoluble) / 100,
      6,
    );
  });
  it('changes neither °Bx nor pH of what comes through', () => {
    const before = make(
      [
        ['damson', '1000 g'],
        ['sugar', '300 g'],
      ],
      [cook],
    );
    const after = make(
      [
        ['damson', '1000 g'],
        ['sugar', '300 g'],
      ],
      [cook, strain(0.6)],
    );
    expect(after.brix).toBeCloseTo(before.brix, 8);
    expect(after.ph!.middle).toBeCloseTo(before.ph!.middle, 8);
  });
  it('takes nothing of a line that goes in after it', () => {
    const before = make(
      [
        ['damson', '1000 g', 'cook'],
        ['sugar', '300 g', 'cook'],
      ],
      [cook, strain(0.5), { id: 'add', kind: 'add', title: 'Stir in' }],
    );
    const after = make(
      [
        ['damson', '1000 g', 'cook'],
        ['sugar', '300 g', 'add'],
      ],
      [cook, strain(0.5), { id: 'add', kind: 'add', title: 'Stir in' }],
    );
    expect(after.grams - before.grams).toBeCloseTo(150, 0);
    expect(after.brix).toBeGreaterThan(before.brix);
  });
});

describe('reducing', () => {
  it('keeps the acids and sharpens by the share boiled away', () => {
    const before = make(
      [
        ['lemon-juice', '500 g'],
        ['water', '500 g'],
      ],
      [cook],
    );
    const after = make(
      [
        ['lemon-juice', '500 g'],
        ['water', '500 g'],
      ],
      [cook, reduce(16)],
    );
    expect(after.taPercent! / before.taPercent!).toBeCloseTo(before.grams / after.grams, 1);
    expect(after.ph!.middle).toBeLessThan(before.ph!.middle);
  });
  it('says so where the pan is already past its mark, or has nothing dissolved in it', () => {
    expect(
      make(
        [
          ['sugar', '700 g'],
          ['water', '300 g'],
        ],
        [cook, reduce(50)],
      ).steps[1]!.note,
    ).toMatch(/already at 70 °Bx/);
    expect(make([['water', '300 g']], [cook, reduce(50)]).steps[1]!.note).toMatch(/nothing dissolved/);
  });
});

describe('a line and its step', () => {
  it('goes in at the first step where it names none, or one that is gone', () => {
    const named = make(
      [
        ['damson', '1 kg', 'cook'],
        ['sugar', '300 g', 'cook'],
      ],
      [cook, strain(0.5)],
    );
    const unnamed = make(
      [
        ['damson', '1 kg'],
        ['sugar', '300 g', 'gone'],
      ],
      [cook, strain(0.5)],
    );
    expect(unnamed.grams).toBeCloseTo(named.grams, 8);
  });
  it('counts without any step at all', () => {
    expect(
      make(
        [
          ['sugar', '500 g'],
          ['water', '500 g'],
        ],
        [],
      ).brix,
    ).toBeCloseTo(49.95, 1);
  });
});

describe('keeping as forecast', () => {
  it('is three days for what is never heated, with the warning', () => {
    const raw = make(
      [
        ['damson', '1 kg'],
        ['sugar', '500 g'],
      ],
      [{ ...cook, killStep: false }, strain(0.7)],
    );
    expect(raw.keeping.time).toEqual({ count: 3, unit: 'day' });
    expect(raw.cautions.some((c) => /unpasteurised/.test(c.text))).toBe(true);
  });
  it('is three months for a sharp shrub with over 1 % acetic acid, carried by it', () => {
    const shrub = make(
      [
        ['damson', '3 kg'],
        ['sugar', '1.8 kg'],
        ['cider-vinegar', '1.8 kg'],
      ],
      [cook, strain(0.82)],
    );
    expect(shrub.aceticPercent).toBeGreaterThan(1);
    expect(shrub.keeping.time).toEqual({ count: 3, unit: 'month' });
    expect(shrub.hurdles.filter((h) => h.carries).map((h) => h.id)).toEqual([
      'kill-step',
      'acid',
      'cold',
      'acetic',
    ]);
  });
  it('on the shelf names nothing that carries it while no heat process is named', () => {
    const shelf = (more: Partial<FormulaContent>) =>
      make(
        [
          ['quince', '2 kg'],
          ['sugar', '1 kg'],
          ['water', '1 kg'],
        ],
        [cook, strain(0.7)],
        { storage: 'shelf', ...more },
      );
    expect(shelf({}).keeping.class).toBe('none');
    expect(shelf({}).reason).toMatch(/Name a heat process with a source, or keep it cold/);
    const letter = shelf({ processSource: 'Authority’s letter' });
    expect(letter.keeping.class).toBe('none');
    expect(letter.processFault).toMatch(/in no list/);
    expect(letter.reason).toMatch(/^It would not be released: its heat process is in no list/);
  });
  it('judges by the upper end of the band, not by its middle', () => {
    const near = make(
      [
        ['apple', '2 kg'],
        ['sugar', '200 g'],
      ],
      [cook, strain(0.7)],
    );
    expect(near.ph!.middle).toBeLessThan(4.2);
    expect(near.ph!.high).toBeGreaterThan(near.ph!.middle);
    expect(near.hurdles.find((h) => h.id === 'acid')!.level).toBe(`pH ${near.ph!.high.toFixed(2)}`);
  });
  it('widens with weakly known acids and with strong syrup', () => {
    const width = (f: ReturnType<typeof make>) => f.ph!.high - f.ph!.low;
    const thin = make(
      [
        ['damson', '2 kg'],
        ['water', '1 kg'],
      ],
      [cook],
    );
    const thick = make(
      [
        ['damson', '2 kg'],
        ['sugar', '2.5 kg'],
      ],
      [cook],
    );
    expect(width(thick)).toBeGreaterThan(width(thin));
    expect(
      width(
        make(
          [
            ['damson', '2 kg'],
            ['honey', '500 g'],
            ['water', '500 g'],
          ],
          [cook],
        ),
      ),
    ).toBeGreaterThan(width(thin));
  });
});

describe('words of the program', () => {
  it('never say "safe"', () => {
    for (const entry of catalogue) expect(entry.caution ?? '', entry.id).not.toMatch(/\bsafe/i);
    const f = make(
      [
        ['spruce-tip', '300 g'],
        ['water', '1 kg'],
      ],
      [cook],
    );
    expect(JSON.stringify(f)).not.toMatch(/\bsafe\b/i);
  });
  it('the catalogue is asked by id', () => {
    expect(shippedCatalogue.find('damson')).toBeDefined();
    expect(shippedCatalogue.find('moonbeam')).toBeUndefined();
    expect(() => shippedCatalogue.get('moonbeam')).toThrow(/moonbeam/);
  });
});
