import { clashesOf, HANDS, type PlannedLot, type PlanSetting, schedule } from '@inch/core/planning';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';

/** Seven to nine, day after day. */
const hours = Array.from({ length: 12 }, (_, day) => ({ from: day * 1440 + 420, to: day * 1440 + 1260 }));
const kitchen = (lots: PlannedLot[], resources: Record<string, number> = {}): PlanSetting => ({
  lots: lots.map((lot) => ({ earliest: 420, ...lot })),
  resources: { [HANDS]: 1, burner: 2, canner: 1, pan: 2, ...resources },
  hours,
});

const hands = (id: string, minutes: number, needs: Record<string, number> = {}, atOnce = false) => ({
  id,
  minutes,
  needs: { [HANDS]: 1, ...needs },
  ...(atOnce ? { atOnce } : {}),
});
const waits = (id: string, minutes: number, needs: Record<string, number> = {}) => ({ id, minutes, needs });

const syrup = (id: string): PlannedLot => ({
  id,
  steps: [
    hands('stone', 45),
    hands('simmer', 25, { burner: 1, pan: 1 }),
    waits('drip', 120),
    hands('reduce', 40, { burner: 1, pan: 1 }),
    hands('fill', 25, {}, true),
    waits('process', 30, { canner: 1, burner: 1 }),
    waits('rest', 720),
  ],
});
const shrub = (id: string): PlannedLot => ({
  id,
  steps: [
    hands('wash', 40),
    waits('draw', 1440),
    hands('strain', 30),
    hands('heat', 20, { burner: 1, pan: 1 }),
    waits('cool', 240),
  ],
});

describe('a plan', () => {
  const step = fc.record({
    minutes: fc.integer({ min: 5, max: 240 }),
    hands: fc.boolean(),
    burner: fc.integer({ min: 0, max: 1 }),
    canner: fc.integer({ min: 0, max: 1 }),
    atOnce: fc.boolean(),
    attended: fc.boolean(),
  });
  const lots = fc.array(fc.array(step, { minLength: 1, maxLength: 6 }), { minLength: 1, maxLength: 5 });

  it('never breaks a constraint, whatever the lots', () => {
    fc.assert(
      fc.property(lots, fc.integer({ min: 1, max: 50 }), (made, seed) => {
        const setting = kitchen(
          made.map((steps, l) => ({
            id: `l${l}`,
            steps: steps.map((s, i) => ({
              id: `s${i}`,
              minutes: s.minutes,
              // Steps that go on at once are kept short enough for a day.
              needs: {
                ...(s.hands && s.minutes < 120 ? { [HANDS]: 1 } : {}),
                ...(s.burner ? { burner: 1 } : {}),
                ...(s.canner ? { canner: 1 } : {}),
              },
              ...(s.attended && s.minutes < 120 ? { attended: true } : {}),
              ...(s.atOnce && s.minutes < 100 && i === 1 ? { atOnce: true } : {}),
            })),
          })),
        );
        const plan = schedule(setting, { seed, tries: 20 });
        expect(clashesOf(setting, plan.steps)).toEqual([]);
        expect(plan.finish).toBeGreaterThanOrEqual(plan.lowerBound - 1e-9);
        expect(plan.steps).toHaveLength(made.reduce((sum, s) => sum + s.length, 0));
      }),
      { numRuns: draws(60) },
    );
  });

  it.each<[string, PlanSetting]>([
    ['one syrup', kitchen([syrup('a')])],
    ['two syrups and two hands', kitchen([syrup('a'), syrup('b')], { [HANDS]: 2 })],
    ['a syrup beside a shrub', kitchen([syrup('a'), shrub('b')])],
    [
      'three syrups through one canner',
      kitchen([syrup('a'), syrup('b'), syrup('c')], { [HANDS]: 3, burner: 4, pan: 3 }),
    ],
    ['four shrubs', kitchen(['a', 'b', 'c', 'd'].map(shrub))],
    [
      'a day of six lots',
      kitchen([...['a', 'b', 'c'].map(syrup), ...['d', 'e', 'f'].map(shrub)], { [HANDS]: 2 }),
    ],
  ])('%s is within a tenth of what no plan beats', (_, setting) => {
    const plan = schedule(setting);
    expect(clashesOf(setting, plan.steps)).toEqual([]);
    expect(plan.finish).toBeLessThanOrEqual(plan.lowerBound * 1.1);
  });

  it('finds the best order of two lots on one canner: the longest rest first', () => {
    // 10 min of canner and 100 of rest; 10 and 10. The long rest first ends at 110, the other way at 120.
    const lot = (id: string, rest: number): PlannedLot => ({
      id,
      earliest: 0,
      steps: [waits('process', 10, { canner: 1 }), waits('rest', rest)],
    });
    const setting = { ...kitchen([]), lots: [lot('short', 10), lot('long', 100)] };
    expect(schedule(setting).finish).toBe(110);
  });

  it('lets nobody work at night, and lets what waits go on through it', () => {
    const setting = kitchen([
      { id: 'a', earliest: 1200, steps: [hands('wash', 45), waits('drip', 300), hands('strain', 90)] },
    ]);
    const [wash, drip, strain] = schedule(setting).steps;
    expect([wash!.from, drip!.from]).toEqual([1200, 1245]);
    // Dripped out at a quarter to two in the night: strained at seven.
    expect(strain!.from).toBe(1440 + 420);
  });

  it('the same seed gives the same plan', () => {
    const setting = kitchen(['a', 'b', 'c'].map(syrup));
    expect(schedule(setting, { seed: 7 })).toEqual(schedule(setting, { seed: 7 }));
  });

  it('says what cannot be', () => {
    expect(() => schedule(kitchen([{ id: 'a', steps: [hands('stir', 900)] }]))).toThrow(
      /no hours left for stir/,
    );
    expect(() => schedule(kitchen([{ id: 'a', steps: [waits('can', 10, { canner: 2 })] }]))).toThrow(
      /needs 2 of canner, and there is 1/,
    );
  });

  it('moved by hand into a clash, it is told in words', () => {
    const setting = kitchen([syrup('a'), syrup('b')]);
    const { steps } = schedule(setting);
    const moved = steps.map((s) =>
      s.lotId === 'b' && s.stepId === 'simmer' ? { ...s, from: 0, to: 25 } : s,
    );
    const words = clashesOf(setting, moved).map((c) => `${c.stepId}: ${c.words}`);
    expect(words).toContain('simmer: it begins before what comes before it is done');
    expect(words).toContain('simmer: nobody is there at that hour');
  });
});
