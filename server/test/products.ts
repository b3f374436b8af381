import { type Forecast, type FormulaContent, type FormulaKind, forecast } from '@inch/core/formula';
import { shippedCatalogue } from '@inch/core/ingredient';
import { v7 as newId } from 'uuid';
import { expect } from 'vitest';
import type { Crew } from './filled.ts';
import { ago, beginLot, meterOf, post, type Started, saveFormula } from './fixtures.ts';
import { OWNER } from './testApp.ts';

/** Into what a product is filled, and how many. */
export interface Filled {
  nominalMl: number;
  closure?: string;
  rated?: string[];
  headspaceInches: number;
  count: number;
}

/** A product as a kitchen makes it, from its first line to its bottles. */
export interface Product {
  name: string;
  kind: FormulaKind;
  content: FormulaContent;
  /** How its heatings are shown: by a thermometer, a boil that was seen, or not at all. */
  shown?: 'measured' | 'seen';
  filled: Filled[];
  closing: 'hot' | 'cooled';
  /** °C of its bottles as they were filled. */
  fillCelsius?: number;
  taken?: 'as-it-is' | 'blended' | 'opened-jar';
  /** Id of its heat process, with the minutes it asks for at 2,360 ft. */
  process?: { id: string; minutes: number };
  /** Lines put in in two halves. */
  inParts?: string[];
}

/** Raw, and kept cold for three days. */
export const rawShrub: Product = {
  name: 'Raspberry shrub',
  kind: 'shrub',
  closing: 'cooled',
  content: {
    lines: [
      { id: 'fruit', ingredientId: 'raspberry', said: '1 kg', stepId: 'draw' },
      { id: 'sugar', ingredientId: 'sugar', said: '700 g', stepId: 'draw' },
      { id: 'vinegar', ingredientId: 'cider-vinegar', said: '600 g', stepId: 'vinegar' },
    ],
    steps: [
      { id: 'draw', kind: 'draw', title: 'Rest', method: 'cold', celsius: 5, minutes: 600 },
      { id: 'strain', kind: 'strain', title: 'Strain', cloth: 'press' },
      { id: 'vinegar', kind: 'add', title: 'Vinegar' },
    ],
    storage: 'cold',
    bottleMl: 250,
  },
  filled: [{ nominalMl: 250, headspaceInches: 0.75, count: 12 }],
};

/** Where the test kitchen stands, m. */
export const ELEVATION = 719.328;

export const forecastOf = (content: FormulaContent, kind?: FormulaKind): Forecast =>
  forecast(content, {
    cup: 'us',
    catalogue: shippedCatalogue,
    elevationMetres: ELEVATION,
    criticalPh: 4.2,
    ...(kind ? { kind } : {}),
  });

/** A kitchen that makes products to the end, each with what its record asks for. */
export class Bottler {
  private meter = '';
  private probe = '';
  private refractometer = '';
  private readonly crew: Crew;

  constructor(crew: Crew) {
    this.crew = crew;
  }

  private async instrument(kind: string, checks: object[]): Promise<string> {
    const id = newId();
    expect((await this.crew.maker.post('/api/instruments', { id, kind, name: kind })).status).toBe(201);
    for (const check of checks) {
      const reply = await this.crew.maker.post(`/api/instruments/${id}/checks`, {
        id: newId(),
        weightGrams: null,
        at: ago(30),
        ...check,
      });
      expect(reply.body.accepted, JSON.stringify(reply.body)).toBe(true);
    }
    return id;
  }

  async gather(): Promise<void> {
    this.meter = await meterOf(this.crew.maker);
    this.probe = await this.instrument('thermometer', [
      { kind: 'ice', read: 0.1 },
      { kind: 'boil', read: 97.6 },
    ]);
    this.refractometer = await this.instrument('refractometer', [{ kind: 'water', read: 0 }]);
  }

  private async say(lot: Started, path: string, body: object): Promise<string> {
    const id = newId();
    const reply = await post(this.crew.maker, lot, path, { id, ...body });
    expect(reply.status, `${path} ${JSON.stringify(body)}: ${JSON.stringify(reply.body)}`).toBe(201);
    return id;
  }

  /** Everything of the pan is weighed in as planned, some of it in halves. */
  private async weigh(lot: Started, { inParts = [] }: Product): Promise<void> {
    for (const line of (await this.crew.view(lot)).lines) {
      if (line.byJar) continue;
      const parts = inParts.includes(line.lineId) ? [0.5, 0.5] : [1];
      for (const [i, share] of parts.entries())
        await this.say(lot, 'additions', {
          lineId: line.lineId,
          ingredientId: line.ingredientId,
          grams: line.grams * share,
          from: 'the stall at Arkle',
          more: i < parts.length - 1,
          at: ago(28 - i / 100),
        });
    }
  }

  /** Every step begun and done, heated ones with what shows their heat. */
  private async cook(lot: Started, { shown = 'measured' }: Product): Promise<void> {
    const { steps } = await this.crew.view(lot);
    for (const [i, step] of steps.entries()) {
      if (['fill', 'process'].includes(step.kind)) continue;
      const from = 27 - i / 4;
      await this.say(lot, 'marks', { stepId: step.id, mark: 'start', at: ago(from) });
      const heat =
        shown === 'seen'
          ? { kind: 'boil', raw: 2, said: 'full boil 2 min' }
          : {
              kind: 'temperature',
              raw: 97,
              said: 't 97 held 2 min',
              heldMinutes: 2,
              instrumentId: this.probe,
            };
      if (step.killStep) await this.say(lot, 'readings', { stepId: step.id, ...heat, at: ago(from - 0.15) });
      await this.say(lot, 'marks', { stepId: step.id, mark: 'done', at: ago(from - 0.2) });
    }
  }

  private async container({ nominalMl, closure, rated, headspaceInches }: Filled): Promise<string> {
    const id = newId();
    const reply = await this.crew.maker.post('/api/containers', {
      id,
      name: `${nominalMl} mL ${closure ?? 'jar'}`,
      nominalMl,
      heightMm: 120,
      diameterMm: 80,
      closure: closure ?? 'two-piece-lid',
      headspaceInches,
      tareGrams: 200,
      rated: rated ?? ['boiling-water'],
    });
    expect(reply.status, JSON.stringify(reply.body)).toBe(201);
    return id;
  }

  async fill(lot: Started, { filled, closing, fillCelsius }: Product, at = 25.5): Promise<void> {
    for (const size of filled)
      await this.say(lot, 'bottlings', {
        containerId: await this.container(size),
        count: size.count,
        closing,
        checked: true,
        ...(closing === 'hot' ? { fillCelsius: fillCelsius ?? 88 } : { hoursTo21: 0.5, hoursToCold: 1 }),
        place: closing === 'hot' ? 'cellar' : 'cold room',
        at: ago(at),
      });
  }

  /** What goes in jar by jar is ticked for every jar, and its sum written down. */
  private async tick(lot: Started): Promise<void> {
    const { lines, bottles } = await this.crew.view(lot);
    for (const line of lines.filter((l: { byJar: boolean }) => l.byJar)) {
      for (let bottle = 1; bottle <= bottles.filled; bottle++)
        await this.say(lot, 'ticks', { lineId: line.lineId, bottle, at: ago(25.4) });
      const { now } = (await this.crew.view(lot)).lines.find(
        (l: { lineId: string }) => l.lineId === line.lineId,
      );
      await this.say(lot, 'additions', {
        lineId: line.lineId,
        ingredientId: line.ingredientId,
        grams: now,
        from: 'the chemist',
        at: ago(25.3),
      });
    }
  }

  /** pH and °Bx of the finished product, as the formula is forecast. */
  private async measure(lot: Started, { content, taken = 'as-it-is' }: Product): Promise<void> {
    const f = forecastOf(content);
    const finished = { sample: 'finished', taken, celsius: 21 };
    await this.say(lot, 'readings', {
      kind: 'brix',
      raw: Number(f.brix.toFixed(1)),
      ...finished,
      instrumentId: this.refractometer,
    });
    if (f.ph === null) return;
    const raw = Number(f.ph.middle.toFixed(2));
    for (const diluted of f.brix > 45 ? [false, true] : [false])
      await this.say(lot, 'readings', { kind: 'ph', raw, ...finished, diluted, instrumentId: this.meter });
  }

  async tally(lot: Started): Promise<void> {
    const { bottles } = await this.crew.view(lot);
    await this.say(lot, 'tallies', {
      inPanMl: bottles.millilitres + 100,
      parts: [{ part: 'short-bottle', ml: 95 }],
      at: ago(24),
    });
  }

  async begin({ name, kind, content }: Product): Promise<Started> {
    return beginLot(this.crew.maker, await saveFormula(this.crew.maker, content, name, kind), ago(29));
  }

  /** Everything up to the bottles. */
  async made(product: Product): Promise<Started> {
    const lot = await this.begin(product);
    await this.weigh(lot, product);
    await this.cook(lot, product);
    return lot;
  }

  /** The whole road of a product but its release. */
  async bottled(product: Product): Promise<Started> {
    const lot = await this.made(product);
    await this.fill(lot, product);
    await this.finish(lot, product);
    return lot;
  }

  /** What comes after the filling: ticks, process, measurements, the count and the seals. */
  async finish(lot: Started, product: Product, ticked?: 'ticked'): Promise<void> {
    if (!ticked) await this.tick(lot);
    if (product.process)
      await this.say(lot, 'heat-processes', {
        processId: product.process.id,
        minutes: product.process.minutes,
        at: ago(25),
      });
    await this.measure(lot, product);
    await this.tally(lot);
    const { bottles } = await this.crew.view(lot);
    await this.say(lot, 'seal-checks', { checked: bottles.filled, failed: 0, at: ago(2) });
  }

  release = (lot: Started) =>
    post(this.crew.owner, lot, 'decisions', { event: 'release', password: OWNER.password });
}
