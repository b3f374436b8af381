import { massOf, solidsOf } from '@inch/core/formula';
import { boilingPointOfWater } from '@inch/core/heat';
import { shippedCatalogue } from '@inch/core/ingredient';
import type { VesselShape } from '@inch/core/pan';
import {
  benchLater,
  boilsAt,
  emptySimulatedPan,
  jarFilled,
  obeyedBy,
  pouredIn,
  pourInto,
  simulatedBench,
  simulatedLater,
  spokenBy,
  truthFor,
  withFault,
} from '@inch/core/simulated';
import { correctRefractometer } from '@inch/core/sugar';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';

const shape: VesselShape = {
  kind: 'frusta',
  frusta: [{ heightMm: 150, lowerDiameterMm: 300, upperDiameterMm: 300 }],
};
const water = shippedCatalogue.get('water');
const sugar = shippedCatalogue.get('sugar');
const cherry = shippedCatalogue.get('sour-cherry');
const syrup = (grams: number, sweet: number) =>
  pourInto(pourInto(emptySimulatedPan(shape, 0), water, grams), sugar, sweet);

describe('a simulated pan', () => {
  it('warms as its heat says: 1 kW brings 2 kg of water up by about 7 °C a minute', () => {
    const pan = { ...pourInto(emptySimulatedPan(shape, 0), water, 2000), watts: 1000 };
    // 60 kJ into 2 kg at 4.187 J/(g K) is 7.2 K, less what the surface loses.
    expect(simulatedLater(pan, 60).celsius - 20).toBeGreaterThan(6.8);
    expect(simulatedLater(pan, 60).celsius - 20).toBeLessThan(7.2);
  });

  it('boils off what its heat can turn into steam, and no more', () => {
    const pan = { ...pourInto(emptySimulatedPan(shape, 0), water, 2000), watts: 1500, celsius: 100 };
    const hour = simulatedLater(pan, 600);
    // 1.5 kW for 600 s is 900 kJ; at 2257 J/g that is 399 g.
    expect(2000 - hour.part.water).toBeLessThan(399);
    expect(2000 - hour.part.water).toBeGreaterThan(320);
    expect(hour.celsius).toBeCloseTo(boilingPointOfWater(0), 0);
  });

  it('keeps its solids and loses only water, whatever the fire', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 300, max: 4000 }),
        fc.integer({ min: 50, max: 3000 }),
        fc.integer({ min: 0, max: 2500 }),
        fc.integer({ min: 0, max: 5000 }),
        (grams, sweet, watts, seconds) => {
          const before = { ...syrup(grams, sweet), watts };
          const after = simulatedLater(before, seconds);
          expect(solidsOf(after.part)).toBeCloseTo(solidsOf(before.part), 6);
          expect(massOf(before.part) - massOf(after.part)).toBeCloseTo(
            before.part.water - after.part.water,
            6,
          );
          expect(after.part.water).toBeLessThanOrEqual(before.part.water + 1e-9);
          expect(after.celsius).toBeLessThanOrEqual(boilsAt(after) + 1e-6);
        },
      ),
      { numRuns: draws(40) },
    );
  });

  it('two short waits are one long one', () => {
    const pan = { ...syrup(2000, 800), watts: 1800 };
    const once = simulatedLater(pan, 1200);
    const twice = simulatedLater(simulatedLater(pan, 600), 600);
    expect(twice.part.water).toBeCloseTo(once.part.water, 3);
  });
});

describe('a pan that is forgotten on the fire', () => {
  const poured = fc.array(
    fc.tuple(
      fc.constantFrom(
        ...(['water', 'sugar', 'sour-cherry', 'lemon-juice', 'citric-anhydrous', 'vodka', 'honey'] as const),
      ),
      fc.constantFrom(1, 50, 500, 3000),
    ),
    { minLength: 1, maxLength: 4 },
  );
  it('boils dry without a fault: every display shows a figure, and nothing but water leaves', () =>
    fc.assert(
      fc.property(
        poured,
        fc.constantFrom(500, 1900),
        fc.integer({ min: 1, max: 80_000 }),
        (things, watts, s) => {
          let bench = simulatedBench(emptySimulatedPan(shape, 719));
          for (const [id, grams] of things) bench = pouredIn(bench, shippedCatalogue.get(id), grams);
          const before = bench.pan.part;
          bench = benchLater({ ...bench, pan: { ...bench.pan, watts } }, s);
          for (const kind of Object.keys(bench.instruments) as (keyof typeof bench.instruments)[])
            expect(Number.isFinite(truthFor(bench, kind)), kind).toBe(true);
          expect(bench.pan.part.water).toBeLessThanOrEqual(before.water + 1e-9);
          expect(solidsOf(bench.pan.part)).toBeCloseTo(solidsOf(before), 6);
        },
      ),
      { numRuns: draws(40) },
    ));
});

describe('simulated instruments', () => {
  const bench = simulatedBench({ ...pourInto(syrup(1000, 600), cherry, 2000), watts: 0 });
  const settled = benchLater(bench, 120);
  const value = (line: ReturnType<typeof spokenBy>) => (line?.say === 'reading' ? line.value : Number.NaN);

  it('a refractometer’s figure, corrected for its sample, is the true °Bx', () => {
    const line = spokenBy(settled, 'refractometer');
    if (line?.say !== 'reading') throw new Error('it said nothing');
    const truth =
      (100 * solidsOf(settled.pan.part)) / (massOf(settled.pan.part) - settled.pan.part.insoluble);
    const { brix } = correctRefractometer({ reading: line.value, celsius: line.celsius! });
    expect(Math.abs(brix - truth)).toBeLessThan(0.4);
  });

  it('an electrode is slow: at first it moves, then it stands', () => {
    const first = benchLater({ ...bench, instruments: { ...bench.instruments } }, 0.1);
    const dipped = {
      ...first,
      instruments: { ...first.instruments, 'ph-meter': { ...first.instruments['ph-meter'], shown: 7 } },
    };
    expect(spokenBy(benchLater(dipped, 2), 'ph-meter')).toMatchObject({ steady: false });
    expect(spokenBy(benchLater(dipped, 90), 'ph-meter')).toMatchObject({ steady: true });
  });

  it('one that sticks stays where it was; one that drifts wanders; one that is gone says nothing', () => {
    const stuck = benchLater(withFault(settled, 'scale', 'stuck'), 1);
    const more = { ...stuck, pan: pourInto(stuck.pan, water, 500) };
    expect(value(spokenBy(benchLater(more, 60), 'scale'))).toBe(value(spokenBy(stuck, 'scale')));
    const drifting = benchLater(withFault(settled, 'thermometer', 'drifting'), 3600);
    expect(
      Math.abs(value(spokenBy(drifting, 'thermometer')) - truthFor(drifting, 'thermometer')),
    ).toBeGreaterThan(2);
    expect(spokenBy(withFault(settled, 'scale', 'gone'), 'scale')).toBeNull();
  });

  it('a scale told to tare weighs what comes after', () => {
    const tared = obeyedBy(settled, 'scale', { order: 'tare' });
    const poured = { ...tared, pan: pourInto(tared.pan, water, 250) };
    expect(value(spokenBy(benchLater(poured, 30), 'scale'))).toBeCloseTo(250, -0.5);
  });

  it('base run into a jar raises its pH, and never lowers it', () => {
    let jar = jarFilled(settled, 10);
    let last = truthFor(jar, 'ph-meter');
    for (let i = 0; i < 30; i++) {
      jar = obeyedBy(jar, 'burette', { order: 'run', ml: 1 });
      const ph = truthFor(jar, 'ph-meter');
      expect(ph).toBeGreaterThan(last);
      last = ph;
    }
    expect(last).toBeGreaterThan(8.2);
  });
});
