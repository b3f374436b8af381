import type { FormulaContent, FormulaStep } from '@inch/core/formula';
import { beforeAll, describe, expect, it } from 'vitest';
import { Crew } from './filled.ts';
import { ago, letterOf, post } from './fixtures.ts';
import { Bottler, type Filled, forecastOf, type Product } from './products.ts';
import { useTestApp } from './testApp.ts';

const app = useTestApp();
const crew = new Crew();
const bottler = new Bottler(crew);
beforeAll(async () => {
  await crew.gather(app);
  await bottler.gather();
});

type Line = [ingredientId: string, said: string, stepId: string, more?: object];
type Step = Omit<FormulaStep, 'title' | 'id'>;
const content = (
  lines: Line[],
  steps: Record<string, Step>,
  more: Partial<FormulaContent> = {},
): FormulaContent => ({
  lines: lines.map(([ingredientId, said, stepId, own], i) => ({
    id: `l${i}`,
    ingredientId,
    said,
    stepId,
    ...own,
  })),
  steps: Object.entries(steps).map(([id, step]) => ({ id, title: id, ...step })),
  storage: 'cold',
  bottleMl: 250,
  ...more,
});

const boil: Step = { kind: 'heat', minutes: 5, killStep: true };
const small: Filled = { nominalMl: 250, headspaceInches: 0.5, count: 6 };
const pint: Filled = { nominalMl: 473, headspaceInches: 0.5, count: 6 };

const releases = async (product: Product) => {
  const lot = await bottler.bottled(product);
  expect(await crew.shut(lot)).toEqual([]);
  const reply = await bottler.release(lot);
  expect(reply.status, JSON.stringify(reply.body)).toBe(201);
  return crew.view(lot);
};

describe('products of unlike schools, from the first line to the end', () => {
  it('simmered ginger is low in acid: forecast as a syrup, and kept a week in the cold', async () => {
    const ginger: Product = {
      name: 'Ginger syrup',
      kind: 'syrup',
      content: content(
        [
          ['ginger', '300 g sliced', 'simmer'],
          ['water', '1 l', 'simmer'],
          ['sugar', '800 g', 'simmer'],
        ],
        {
          simmer: { kind: 'draw', method: 'cooked', minutes: 10, lidOff: true, killStep: true },
          strain: { kind: 'strain', cloth: 'press' },
        },
      ),
      filled: [small],
      closing: 'cooled',
    };
    const f = forecastOf(ginger.content);
    expect(f.brix).toBeGreaterThan(35);
    expect(f.brix).toBeLessThan(60);
    const lot = await bottler.made(ginger);
    await bottler.fill(lot, ginger);
    // Kept cold it is held by nothing but its checks: acid does not preserve it, the cold does, for a week.
    expect(await crew.view(lot)).toMatchObject({
      state: 'resting',
      keeping: { row: 'cold-unmeasured', time: { count: 7, unit: 'day' } },
    });
    expect((await bottler.release(lot)).status).toBe(409);
  });

  it('date syrup: the soak is thrown away, done when it coats the spoon, and a week in the cold without a measured pH', async () => {
    const dates: Product = {
      name: 'Date syrup',
      kind: 'concentrate',
      content: content(
        [
          ['date', '1 kg', 'soak'],
          ['water', '2 l', 'soak'],
          ['water', '2 l', 'cook'],
          ['lemon-juice', '150 g', 'cook'],
        ],
        {
          soak: { kind: 'draw', method: 'infused', celsius: 20, minutes: 120 },
          drain: { kind: 'strain', liquidAway: true },
          cook: { kind: 'draw', method: 'cooked', minutes: 40 },
          press: { kind: 'strain', cloth: 'press' },
          reduce: { kind: 'reduce', toThickness: 'coats' },
        },
      ),
      filled: [small],
      closing: 'cooled',
    };
    const f = forecastOf(dates.content);
    const [from, to] = f.steps[4]!.brixLooks!;
    expect(f.brix).toBeGreaterThanOrEqual(from);
    expect(f.brix).toBeLessThanOrEqual(to);
    expect(f.steps[1]!.retained).toBeGreaterThan(500);
    const lot = await bottler.made(dates);
    await bottler.fill(lot, dates);
    expect((await crew.view(lot)).keeping.row).toBe('cold-unmeasured');
  });

  it('a whole-citrus blend is boiled and kept cold for a month', async () => {
    const view = await releases({
      name: 'Whole lemon cordial',
      kind: 'cordial',
      content: content(
        [
          ['lemon', '1 kg', 'blend'],
          ['water', '1 l', 'blend'],
          ['sugar', '800 g', 'boil'],
        ],
        { blend: { kind: 'draw', method: 'blended' }, cloth: { kind: 'strain', cloth: 'press' }, boil },
      ),
      filled: [small],
      closing: 'cooled',
    });
    expect(view.keeping).toMatchObject({ class: 'cold', row: 'cold-4.2' });
    const label = (await crew.owner.get(`/api/lots/${view.id}/label`)).body.content;
    expect(JSON.stringify(label)).toMatch(/[Ss]hake well/);
    const { nutrition } = (await crew.owner.get(`/api/lots/${view.id}/label`)).body;
    expect(nutrition).toMatchObject({ pack: 'us', millilitres: 30, figures: { protein: { declared: '0' } } });
    expect(nutrition.figures.addedSugars.raw).toBeLessThanOrEqual(nutrition.figures.sugars.raw);
  });

  it('fruit in the jar, raw and topped up to the headspace, is processed and stands on the shelf', async () => {
    const jar: Product = {
      name: 'Blackberries in the jar',
      kind: 'syrup',
      content: content(
        [
          ['blackberry', '200 g', 'jar', { basis: { per: 'bottle' } }],
          ['sugar', '80 g', 'jar', { basis: { per: 'bottle' } }],
          ['water', 'to the headspace', 'jar', { basis: { per: 'bottle', fills: true } }],
        ],
        {
          jar: { kind: 'draw', method: 'jar' },
          fill: { kind: 'fill' },
          process: { kind: 'process', minutes: 20 },
        },
        { storage: 'shelf', bottleMl: 473, bottles: 6, processId: 'berries-raw-pints', readyDays: 21 },
      ),
      filled: [pint],
      closing: 'hot',
      fillCelsius: 40,
      taken: 'opened-jar',
      process: { id: 'berries-raw-pints', minutes: 20 },
    };
    expect(forecastOf(jar.content, 'syrup').processFault).toBeNull();
    const lot = await bottler.made(jar);
    await bottler.fill(lot, jar);
    const { lines } = await crew.view(lot);
    // Water fills what the jars leave: how much that was, its cook says.
    await post(crew.maker, lot, 'additions', {
      lineId: 'l2',
      ingredientId: 'water',
      grams: 6 * 220,
      from: 'the tap',
      at: ago(25.4),
    });
    expect(lines.every((l: { byJar: boolean }) => l.byJar)).toBe(true);
    for (const line of ['l0', 'l1', 'l2'])
      for (let bottle = 1; bottle <= 6; bottle++)
        await post(crew.maker, lot, 'ticks', { lineId: line, bottle, at: ago(25.35) });
    for (const [lineId, ingredientId, grams] of [
      ['l0', 'blackberry', 1200],
      ['l1', 'sugar', 480],
    ] as const)
      await post(crew.maker, lot, 'additions', {
        lineId,
        ingredientId,
        grams,
        from: 'the stall',
        at: ago(25.3),
      });
    await bottler.finish(lot, { ...jar, content: { ...jar.content, lines: jar.content.lines } }, 'ticked');
    expect(await crew.shut(lot)).toEqual([]);
    expect((await bottler.release(lot)).status).toBe(201);
    expect((await crew.view(lot)).keeping).toMatchObject({ class: 'shelf' });
  });

  it('a puree in pints matches the guide’s puree, hot, and is told to be shaken', async () => {
    const view = await releases({
      name: 'Raspberry puree',
      kind: 'concentrate',
      content: content(
        [
          ['raspberry', '3 kg', 'blend'],
          ['sugar', '600 g', 'boil'],
        ],
        { blend: { kind: 'draw', method: 'blended' }, boil },
        { storage: 'shelf', bottleMl: 473, processId: 'fruit-puree' },
      ),
      filled: [{ ...pint, headspaceInches: 0.25 }],
      closing: 'hot',
      taken: 'blended',
      process: { id: 'fruit-puree', minutes: 20 },
    });
    expect(view.keeping.class).toBe('shelf');
  });

  it('a chunky sauce of rhubarb matches what was tested in pieces, and no strained process', async () => {
    const sauce: Product = {
      name: 'Rhubarb sauce',
      kind: 'concentrate',
      content: content(
        [
          ['rhubarb', '3 kg', 'stew'],
          ['sugar', '700 g', 'stew'],
        ],
        { stew: { kind: 'draw', method: 'cooked', minutes: 10, killStep: true } },
        { storage: 'shelf', bottleMl: 473, processId: 'rhubarb-stewed' },
      ),
      filled: [pint],
      closing: 'hot',
      taken: 'blended',
      process: { id: 'rhubarb-stewed', minutes: 20 },
    };
    expect(forecastOf({ ...sauce.content, processId: 'berry-syrup' }, 'concentrate').processFault).toMatch(
      /pieces/,
    );
    expect((await releases(sauce)).keeping.class).toBe('shelf');
  });

  it('a rolled boil that was only seen carries a sour one in the cold, and is told as seen', async () => {
    const view = await releases({
      name: 'Redcurrant cordial',
      kind: 'cordial',
      content: content(
        [
          ['redcurrant', '2 kg', 'boil'],
          ['water', '500 g', 'boil'],
          ['sugar', '900 g', 'boil'],
        ],
        {
          boil: { kind: 'draw', method: 'cooked', minutes: 10, killStep: true },
          drip: { kind: 'strain', cloth: 'drip' },
        },
      ),
      shown: 'seen',
      filled: [small],
      closing: 'cooled',
    });
    expect(view.keeping).toMatchObject({ class: 'cold', row: 'cold-4.2' });
    expect(JSON.stringify(view.gates)).toMatch(/seen and not measured/);
  });

  it('a cold shrub with its vinegar in parts is never heated: three days in the cold', async () => {
    const lot = await bottler.bottled({
      name: 'Raspberry shrub',
      kind: 'shrub',
      content: content(
        [
          ['raspberry', '1 kg', 'draw'],
          ['sugar', '700 g', 'draw'],
          ['cider-vinegar', '600 g', 'vinegar'],
        ],
        {
          draw: { kind: 'draw', method: 'cold', celsius: 5, minutes: 600 },
          strain: { kind: 'strain', cloth: 'press' },
          vinegar: { kind: 'add' },
        },
      ),
      inParts: ['l2'],
      filled: [small],
      closing: 'cooled',
    });
    const view = await crew.view(lot);
    expect(view.additions.filter((a: { lineId: string }) => a.lineId === 'l2')).toHaveLength(2);
    expect(view.keeping).toMatchObject({ row: 'cold-never-heated', dateWord: 'use-by' });
    expect(view.keeping.bestBy).not.toBeNull();
  });

  it('two reductions in one lot go one after the other', async () => {
    const twice: Product = {
      name: 'Apple molasses',
      kind: 'concentrate',
      content: content(
        [
          ['apple-juice', '4 l', 'first'],
          ['sugar', '500 g', 'second'],
        ],
        { first: { kind: 'reduce', toFraction: 0.5 }, second: { kind: 'reduce', toBrix: 62 } },
      ),
      filled: [{ ...small, count: 3 }],
      closing: 'cooled',
    };
    const f = forecastOf(twice.content);
    expect(f.steps[1]!.brixAfter).toBeCloseTo(62, 1);
    expect(f.steps[0]!.evaporated + f.steps[1]!.evaporated).toBeGreaterThan(2500);
    expect((await releases(twice)).keeping.class).toBe('cold');
  });

  it('jars of two sizes with acid jar by jar, confirmed while they are filled', async () => {
    const processId = await letterOf(crew.owner);
    const view = await releases({
      name: 'Cherry by the jar',
      kind: 'syrup',
      content: content(
        [
          ['sour-cherry', '4 kg', 'cook'],
          ['sugar', '2 kg', 'boil'],
          ['citric-anhydrous', '0.5 g', 'boil', { basis: { per: 'bottle', ml: 237 } }],
        ],
        {
          cook: { kind: 'draw', method: 'cooked', minutes: 20, killStep: true },
          drip: { kind: 'strain', cloth: 'press' },
          boil,
        },
        { storage: 'shelf', bottleMl: 237, processId, bottles: 18 },
      ),
      filled: [
        { ...small, nominalMl: 237, count: 6 },
        { ...pint, nominalMl: 473, count: 4 },
      ],
      closing: 'hot',
      taken: 'opened-jar',
      process: { id: processId, minutes: 15 },
    });
    const acid = view.additions.find((a: { ingredientId: string }) => a.ingredientId === 'citric-anhydrous');
    // Half a gram to each of six, and by size a gram to each of four.
    expect(acid.grams).toBeCloseTo(6 * 0.5 + (4 * 0.5 * 473) / 237, 6);
  });

  it('a shelf lot turned cold in time has the cold’s gates, date and label', async () => {
    const meant: Product = {
      name: 'Cherry that had no jars',
      kind: 'syrup',
      content: content(
        [
          ['sour-cherry', '4 kg', 'cook'],
          ['sugar', '1.5 kg', 'boil'],
        ],
        {
          cook: { kind: 'draw', method: 'cooked', minutes: 20, killStep: true },
          drip: { kind: 'strain', cloth: 'press' },
          boil,
        },
        { storage: 'shelf', bottleMl: 250 },
      ),
      filled: [small],
      closing: 'cooled',
    };
    const lot = await bottler.made(meant);
    const said = { to: 'cold', why: 'no lids left of the size' };
    // Hours after the heat, nothing shows that it was chilled: it is too late to say so.
    expect((await post(crew.maker, lot, 'storage-changes', said)).status).toBe(409);
    expect((await post(crew.maker, lot, 'storage-changes', { ...said, at: ago(25.8) })).status).toBe(201);
    expect((await post(crew.maker, lot, 'storage-changes', { ...said, to: 'shelf' })).status).toBe(422);
    await bottler.fill(lot, meant);
    await bottler.finish(lot, meant);
    expect(await crew.shut(lot)).toEqual([]);
    expect((await bottler.release(lot)).status).toBe(201);
    const view = await crew.view(lot);
    expect(view).toMatchObject({
      storage: 'cold',
      keeping: { class: 'cold', row: 'cold-4.2' },
    });
    const label = (await crew.owner.get(`/api/lots/${lot.id}/label`)).body.content;
    expect(JSON.stringify(label)).toMatch(/[Kk]eep (?:cold|refrigerated)/);
    expect((await post(crew.maker, lot, 'storage-changes', { to: 'frozen', why: 'too many' })).status).toBe(
      409,
    );
  });

  it('swing tops kept cold are pulled, not pressed, and vouch for no shelf', async () => {
    const product: Product = {
      name: 'Gooseberry cordial',
      kind: 'cordial',
      content: content(
        [
          ['gooseberry', '2 kg', 'cook'],
          ['water', '600 g', 'cook'],
          ['sugar', '900 g', 'cook'],
        ],
        {
          cook: { kind: 'draw', method: 'cooked', minutes: 15, killStep: true },
          drip: { kind: 'strain', cloth: 'drip' },
        },
        { bottleMl: 500 },
      ),
      filled: [{ nominalMl: 500, closure: 'swing-top', rated: [], headspaceInches: 1, count: 3 }],
      closing: 'cooled',
    };
    const view = await releases(product);
    const seal = view.gates.find((g: { id: string }) => g.id === 'seal');
    expect(seal.evidence[0].words).toMatch(/3 pulled, 0 failed/);
  });
});

describe('a product that no listed process covers', () => {
  it('has its inquiry on paper, with what was measured, and no minutes', async () => {
    const { body } = await crew.owner.get('/api/formulas');
    const formula = body.find((f: { name: string }) => f.name === 'Cherry that had no jars');
    const pdf = await crew.reader.get(`/api/formulas/${formula.id}/inquiry.pdf`);
    expect(pdf.headers.get('content-type')).toBe('application/pdf');
    expect((await crew.reader.get('/api/formulas/none/inquiry.pdf')).status).toBe(404);
  });
});
