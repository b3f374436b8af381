import { bringsGerms, type Ingredient, shippedCatalogue } from '@inch/core/ingredient';
import {
  claimsIn,
  declaredAllergens,
  ingredientStatement,
  labelContent,
  relabelling,
  warningsOf,
} from '@inch/core/label';
import {
  asLeft,
  catalogueOf,
  ingredientsAsMade,
  type LotRecord,
  lotKeeping,
  makeupAsMade,
} from '@inch/core/lot';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';
import { chilled, entry, T } from './support/lot.ts';

/** A lot of some things, boiled with a thermometer or never heated. */
function lotOf(
  things: { id: string; grams: number; entry?: Ingredient }[],
  heated: boolean,
  code: string,
): LotRecord {
  const lot = chilled();
  const [first] = lot.additions;
  return {
    ...lot,
    code,
    readings: heated ? lot.readings : lot.readings.filter((r) => r.kind === 'ph'),
    steps: [
      ...lot.steps,
      {
        ...lot.steps[0]!,
        id: 'drip',
        position: 2,
        kind: 'strain',
        title: 'Drip',
        killStep: false,
        formulaStepId: 'drip',
        marks: [{ kind: 'done', at: T(2.97), by: 'Wren' }],
      },
    ],
    additions: things.map(({ id, grams, entry: own }, i) => ({
      ...first!,
      ...entry(`a${i}`, T(0.1 + i / 100)),
      lineId: null,
      ingredientId: id,
      grams,
      entry: own ?? null,
    })),
  };
}

const THINGS = [
  'sour-cherry',
  'sugar',
  'honey',
  'almond',
  'celery',
  'vodka',
  'potassium-sorbate',
  'aspartame',
  'milk',
].filter((id) => shippedCatalogue.find(id));
const thing = fc.record({ id: fc.constantFrom(...THINGS), grams: fc.integer({ min: 5, max: 500 }) });
const layer = fc.record({ things: fc.array(thing, { minLength: 1, maxLength: 4 }), heated: fc.boolean() });
const BY_PRODUCT = 'damson';

/** A chain of lots, each made with a by-product of the one before. */
function chainOf(layers: { things: { id: string; grams: number }[]; heated: boolean }[]): LotRecord[] {
  const lots: LotRecord[] = [];
  for (const [i, { things, heated }] of layers.entries()) {
    const above = lots.at(-1);
    const carried = above
      ? [{ id: BY_PRODUCT, grams: 300, entry: asLeft(shippedCatalogue.get(BY_PRODUCT), above, T(9)) }]
      : [];
    lots.push(lotOf([...carried, ...things], heated, `7A${i + 2}B`));
  }
  return lots;
}

describe('a by-product, to any depth', () => {
  it('carries everything that went in anywhere above, as shares that come to one', () => {
    fc.assert(
      fc.property(fc.array(layer, { minLength: 2, maxLength: 4 }), (layers) => {
        const last = chainOf(layers).at(-1)!;
        const { leftFrom } = last.additions[0]!.entry!;
        const above = new Set(layers.slice(0, -1).flatMap((l) => l.things.map((t) => t.id)));
        expect(new Set(leftFrom!.parts.map((p) => p.ingredientId))).toEqual(above);
        expect(leftFrom!.parts.reduce((sum, p) => sum + p.share, 0)).toBeCloseTo(1, 9);
      }),
      { numRuns: draws(60) },
    );
  });
  it('hides no allergen, honey or preservative that the same things would show', () => {
    fc.assert(
      fc.property(fc.array(layer, { minLength: 2, maxLength: 4 }), (layers) => {
        const last = chainOf(layers).at(-1)!;
        const all = layers.flatMap((l) => l.things.map((t) => ({ ingredientId: t.id, grams: t.grams })));
        const kitchen = { name: 'Low Bridge', place: 'Upland', rulePack: 'us' as const, localStatement: '' };
        const content = labelContent(last, lotKeeping(last, { timeZone: 'UTC' }), kitchen);
        for (const { allergen } of declaredAllergens(all, 'us'))
          if (allergen !== 'sulphites') expect(content.allergens).not.toBe('');
        expect(content.infantLine !== '').toBe(all.some((l) => l.ingredientId === 'honey'));
        const names = ingredientStatement(all).parts.map((p) => p.name);
        for (const name of names) expect(content.statement).toContain(name);
      }),
      { numRuns: draws(40) },
    );
  });
  it('is raw where its lot was, and stirred in after the heat it undoes it', () => {
    fc.assert(
      fc.property(fc.array(thing, { minLength: 1, maxLength: 3 }), fc.boolean(), (things, heated) => {
        const above = lotOf(things, heated, '7A2B');
        const sugar = asLeft(shippedCatalogue.get('sugar'), above, T(9));
        expect(bringsGerms(sugar)).toBe(!heated);
        const lot = lotOf([{ id: 'sour-cherry', grams: 900 }], true, '7A3B');
        const late = { ...lot.additions[0]!, ...entry('late', T(2.98)), ingredientId: 'sugar', grams: 100 };
        const made = makeupAsMade({ ...lot, additions: [...lot.additions, { ...late, entry: sugar }] });
        expect(made.killStep).toBe(heated);
      }),
      { numRuns: draws(40) },
    );
  });
  it('is never younger than what it was made of', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 400 }), { minLength: 2, maxLength: 4 }), (days) => {
        let above: LotRecord | null = null;
        const begun: string[] = [];
        for (const ago of [...days].sort((a, b) => b - a)) {
          const from = T(-24 * ago);
          begun.push(from);
          const things = above
            ? [
                {
                  id: 'apple-juice',
                  grams: 500,
                  entry: asLeft(shippedCatalogue.get('apple-juice'), above, from),
                },
              ]
            : [{ id: 'apple-juice', grams: 500 }];
          const lot: LotRecord = lotOf(things, false, '7A2B');
          above = {
            ...lot,
            begunAt: from,
            steps: [],
            bottlings: [],
            additions: lot.additions.map((a) => ({ ...a, at: from, recordedAt: from })),
          };
        }
        const juice = asLeft(shippedCatalogue.get('apple-juice'), above!, T(9));
        expect(juice.leftFrom!.since).toBe([...begun].sort()[0]);
      }),
      { numRuns: draws(40) },
    );
  });
  it('loses nothing to another by-product of the same name, in one weighing or in two, in either order', () => {
    const above = [
      lotOf([{ id: 'honey', grams: 100 }], false, '7A2B'),
      lotOf([{ id: 'sugar', grams: 100 }], true, '7A3B'),
      lotOf([{ id: 'almond', grams: 100 }], true, '7A4B'),
    ];
    const plain = shippedCatalogue.get(BY_PRODUCT);
    const inTwo = above.map((from) => ({ id: BY_PRODUCT, grams: 100, entry: asLeft(plain, from, T(9)) }));
    const inOne = [
      { id: BY_PRODUCT, grams: 300, entry: above.reduce((own, from) => asLeft(own, from, T(9)), plain) },
    ];
    for (const things of [inTwo, [...inTwo].reverse(), inOne]) {
      const lot = lotOf(things, true, '7A5B');
      const { leftFrom, allergens } = catalogueOf(lot).get(BY_PRODUCT);
      expect(new Set(leftFrom!.parts.map((p) => p.ingredientId))).toEqual(
        new Set(['honey', 'sugar', 'almond']),
      );
      expect(leftFrom).toMatchObject({ heated: false });
      expect(allergens).toContain('tree-nuts');
      const kitchen = { name: 'Low Bridge', place: 'Upland', rulePack: 'us' as const, localStatement: '' };
      expect(labelContent(lot, lotKeeping(lot, { timeZone: 'UTC' }), kitchen).infantLine).not.toBe('');
    }
  });
  it('is read with its own entries in the catalogue of whatever it goes into', () => {
    const own: Ingredient = {
      ...shippedCatalogue.get('almond'),
      id: 'own-nut',
      name: 'Own nut',
      own: { from: 'label', on: '2026-11-01' },
    };
    const above = lotOf([{ id: 'own-nut', grams: 100, entry: own }], false, '7A2B');
    const lot = lotOf(
      [{ id: BY_PRODUCT, grams: 100, entry: asLeft(shippedCatalogue.get(BY_PRODUCT), above, T(9)) }],
      true,
      '7A3B',
    );
    expect(catalogueOf(lot).get('own-nut').name).toBe('Own nut');
    expect(ingredientsAsMade(lot).map((l) => l.ingredientId)).toEqual([BY_PRODUCT]);
  });
});

const kitchen = { name: 'Low Bridge', place: 'Upland', rulePack: 'us' as const, localStatement: '' };
const lot = chilled();
const content = labelContent(lot, lotKeeping(lot, { timeZone: 'UTC' }), kitchen);
type Print = LotRecord['prints'][number];
const print = (id: string, copies: number, bestBy: string | null, says: string[] = []): Print => ({
  id,
  at: T(8),
  recordedAt: T(8),
  by: 'Wren',
  copies,
  sheetId: null,
  firstLabel: null,
  firstBottle: null,
  reprintOf: null,
  why: null,
  statement: '',
  differences: [],
  bestBy,
  says,
  struck: null,
});
const spoil = (printId: string, count: number): LotRecord['spoiltLabels'][number] => ({
  id: `s-${printId}`,
  at: T(9),
  recordedAt: T(9),
  by: 'Wren',
  printId,
  count,
  why: 'taken off',
});

describe('labels that were printed before', () => {
  const day = fc.integer({ min: 1, max: 28 }).map((n) => `2026-12-${String(n).padStart(2, '0')}`);
  it('ask for nothing while no print says more than is so, and for as many as are out where one does', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ copies: fc.integer({ min: 1, max: 12 }), day }), { maxLength: 3 }),
        day,
        (prints, now) => {
          const made = prints.map((p, i) => print(`p${i}`, p.copies, p.day, warningsOf(content)));
          const asks = relabelling({ ...lot, prints: made }, { bestBy: now }, content);
          expect(asks.length > 0).toBe(prints.some((p) => p.day > now));
          const spoiltLabels = made.map((p) => spoil(p.id, p.copies));
          const anew = print('anew', 12, now, warningsOf(content));
          expect(
            relabelling({ ...lot, prints: [...made, anew], spoiltLabels }, { bestBy: now }, content),
          ).toEqual([]);
          // Neither the new labels alone nor the old ones taken off are enough.
          const some = prints.some((p) => p.day > now);
          expect(relabelling({ ...lot, prints: [...made, anew] }, { bestBy: now }, content).length > 0).toBe(
            some,
          );
          const kept = made.some((p) => p.bestBy! <= now);
          if (!kept)
            expect(
              relabelling({ ...lot, prints: made, spoiltLabels }, { bestBy: now }, content).length > 0,
            ).toBe(some);
        },
      ),
      { numRuns: draws(200) },
    );
  });
  it.each<[string, Print[], LotRecord['spoiltLabels'], number]>([
    ['nothing was printed', [], [], 0],
    ['a print is from before its date was kept', [{ ...print('p', 6, null), says: null }], [], 0],
    ['a print says an earlier day', [print('p', 6, '2026-12-01')], [], 0],
    ['a print says a later day', [print('p', 6, '2026-12-24')], [], 2],
    [
      'only some were taken back',
      [print('p', 6, '2026-12-24'), print('q', 6, '2026-12-10')],
      [spoil('p', 5)],
      1,
    ],
    ['all were taken back and none printed', [print('p', 6, '2026-12-24')], [spoil('p', 6)], 1],
    [
      'all were taken back and enough printed',
      [print('p', 6, '2026-12-24'), print('q', 6, '2026-12-10')],
      [spoil('p', 6)],
      0,
    ],
    ['too few were printed', [print('p', 6, '2026-12-24'), print('q', 2, '2026-12-10')], [spoil('p', 6)], 1],
    [
      'the new ones are wrong as well',
      [print('p', 6, '2026-12-24'), print('q', 6, '2026-12-23')],
      [spoil('p', 6)],
      2,
    ],
  ])('where %s, so many things are asked', (_, prints, spoiltLabels, count) => {
    const said = prints.map((p) => ({ ...p, says: p.says === null ? null : warningsOf(content) }));
    expect(
      relabelling({ ...lot, prints: said, spoiltLabels }, { bestBy: '2026-12-10' }, content),
    ).toHaveLength(count);
  });
  it('ask for a warning that came since, and for none that was there', () => {
    const warned = { ...content, warning: 'Not pasteurised.' };
    const before = { ...lot, prints: [print('p', 6, '2026-12-20', warningsOf(content))] };
    expect(relabelling(before, { bestBy: '2026-12-20' }, warned)[0]).toMatch(
      /does not say "Not pasteurised\."/,
    );
    const after = { ...lot, prints: [print('p', 6, '2026-12-20', warningsOf(warned))] };
    expect(relabelling(after, { bestBy: '2026-12-20' }, warned)).toEqual([]);
  });
});

describe('what a printed field claims', () => {
  const raw = { ...content, warning: 'Not pasteurised.' };
  it.each<[string, Partial<typeof content>]>([
    ['Pasteurised apple juice', { warning: 'x' }],
    ['pasteurization at 72 °C', { warning: 'x' }],
    ['Not pasteurised last year. Pasteurised now', { warning: 'x' }],
    ['Shelf-stable', { keepLine: 'Keep refrigerated, at or under 5 °C.' }],
    ['no refrigeration needed', { keepLine: 'Keep frozen.' }],
    ['No preservatives', { statement: 'Ingredients: damsons, potassium sorbate (preservative).' }],
    ['preservative-free', { sulphitesPpm: 40 }],
    ['sugar free', { statement: 'Ingredients: sugar, damsons.' }],
    ['no added sugar', { statement: 'Ingredients: honey, damsons.' }],
    ['Alcohol-free', { abv: 2 }],
    ['nut free', { allergens: 'Contains: tree nuts (almonds).' }],
    ['Vegan', { statement: 'Ingredients: honey, damsons.' }],
    ['for babies', { infantLine: 'Not for infants.' }],
    ['Unpasteurised', { warning: '' }],
  ])('“%s” is wrong where the lot speaks against it', (text, more) => {
    expect(claimsIn(text, { ...content, ...more }).some((c) => c.wrong)).toBe(true);
  });
  it.each([
    'This product has not been pasteurised',
    'Unpasteurised',
    'never pasteurised',
    'Damson shrub, raw',
  ])('“%s” is right of a raw one', (text) => {
    expect(claimsIn(text, raw)).toEqual([]);
  });
  it('is the same in capitals, and wherever in the field it stands', () => {
    const word = fc.constantFrom('pasteurised', 'Pasteurized', 'heat-treated', 'sterilised');
    const around = fc.constantFrom('', 'damson', 'old orchard', 'made with care and');
    fc.assert(
      fc.property(word, around, around, fc.boolean(), (claim, before, after, big) => {
        const text = `${before} ${claim} ${after}`.trim();
        expect(claimsIn(big ? text.toUpperCase() : text, raw).some((c) => c.wrong)).toBe(true);
      }),
    );
  });
});
