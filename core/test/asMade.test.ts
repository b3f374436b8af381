import {
  differencesFromFormula,
  type LabelKitchen,
  labelCheck,
  labelContent,
  labelMissing,
} from '@inch/core/label';
import { type LotRecord, lotKeeping } from '@inch/core/lot';
import { describe, expect, it } from 'vitest';
import { entry, releasable, T } from './support/lot.ts';

const eu: LabelKitchen = {
  name: 'Hollin Rigg Kitchen',
  place: 'High Fell',
  rulePack: 'eu',
  localStatement: 'Made in a home kitchen.',
};
const us: LabelKitchen = { ...eu, rulePack: 'us' };
const label = (lot: LotRecord, kitchen = eu) =>
  labelContent(lot, lotKeeping(lot, { timeZone: 'UTC' }), kitchen);
const add = (lot: LotRecord, ingredientId: string, grams: number, lineId: string | null = null) =>
  lot.additions.push({
    ...entry(`x${lot.additions.length}`, T(0.3)),
    stepId: null,
    lineId,
    ingredientId,
    grams,
    why: null,
    from: null,
    beforeTrimming: null,
    more: false,
    entry: null,
    withdrawals: [],
  });

const cold = (more: Partial<LotRecord> = {}): LotRecord => {
  const lot: LotRecord = { ...releasable(), storage: 'cold', heatProcesses: [], ...more };
  Object.assign(lot.bottlings[0]!, { closing: 'cooled', hoursTo21: 1.5, hoursToCold: 4 });
  return lot;
};

describe('the label of a lot as made', () => {
  it('in the European pack has the fruit’s share, best before, millilitres', () => {
    expect(label(releasable())).toMatchObject({
      name: 'Sour cherry syrup',
      statement: 'Ingredients: sour cherries (69 %), sugar.',
      fruitPercent: '',
      netContents: '237 mL',
      dateLine: 'Best before 23 Nov 2027',
      keepLine: 'Keep cool and dark. Refrigerate after opening, use within 4 weeks.',
      lotLine: 'Lot 7F4H',
      whoLine: 'Hollin Rigg Kitchen, High Fell',
      localStatement: 'Made in a home kitchen.',
      warning: '',
      infantLine: '',
    });
  });
  it('in the United States pack has fluid ounces and best by, and no share of fruit', () => {
    expect(label(releasable(), us)).toMatchObject({
      netContents: '8 fl oz (237 mL)',
      dateLine: 'Best by 23 Nov 2027',
      fruitPercent: '',
    });
  });
  it('kept cold says so, with how long it is good once opened', () => {
    expect(label(cold()).keepLine).toBe(
      'Keep refrigerated, at or under 5 °C. Refrigerate after opening, use within 2 weeks.',
    );
    expect(label(cold()).dateLine).toBe('Best before 23 Dec 2026');
  });
  it('never heated is a use-by of three days, and warns in the words of the rule', () => {
    const raw = cold();
    raw.readings = raw.readings.filter((r) => r.kind !== 'temperature');
    expect(label(raw)).toMatchObject({
      dateLine: 'Use by 26 Nov 2026',
      keepLine: expect.stringMatching(/use within 3 days/),
      warning: expect.stringMatching(/^Unpasteurised: not for young children/),
    });
    expect(label(raw, us).warning).toMatch(/^WARNING: This product has not been pasteurized/);
  });
  it('is of what went in, swaps and extras and all', () => {
    const lot = releasable();
    lot.additions[1]!.struck = { at: T(1), by: 'Wren', why: 'honey instead' };
    add(lot, 'honey', 2500, 'sugar');
    add(lot, 'almond', 40);
    expect(label(lot, us).statement).toBe('Ingredients: sour cherries, honey, almonds.');
    expect(label(lot, us).allergens).toBe('Contains: tree nuts (almonds).');
    expect(label(lot).statement).toMatch(/^Ingredients: sour cherries \(\d+ %\), honey, ALMONDS\.$/);
    expect(differencesFromFormula(lot, 'us')).toEqual([
      'Sugar, white is in the formula and did not go in.',
      'Honey went in and is not in the formula.',
      'Almonds went in and is not in the formula.',
    ]);
  });
  it('that is as the formula has it differs in nothing', () => {
    expect(differencesFromFormula(releasable(), 'us')).toEqual([]);
  });
  it('counts what was left out as not in it', () => {
    const lot = releasable();
    lot.additions[1]!.grams = 0;
    expect(label(lot, us).statement).toBe('Ingredients: sour cherries.');
    expect(differencesFromFormula(lot, 'us')).toEqual(['Sugar, white is in the formula and did not go in.']);
  });
  it('has no date and no keeping words while nothing carries it, and the check stops it', () => {
    const lot = releasable();
    lot.heatProcesses = [];
    expect(label(lot)).toMatchObject({ dateLine: '', keepLine: '' });
    expect(labelMissing(labelCheck(label(lot), eu)).length).toBe(2);
  });
  it('has no net contents before a bottle is counted', () => {
    const lot = { ...releasable(), bottlings: [], movements: [] };
    expect(label(lot).netContents).toBe('');
    expect(labelMissing(labelCheck(label(lot), eu))).toContain(
      'No bottles are counted, so there are no net contents.',
    );
  });
});

describe('the keeping of a lot as made', () => {
  const keeping = (lot: LotRecord) => lotKeeping(lot, { timeZone: 'UTC' });
  it('takes a kill step only where a thermometer said so, whatever was planned or marked', () => {
    const unread = cold();
    unread.readings = unread.readings.filter((r) => r.kind !== 'temperature');
    Object.assign(unread.bottlings[0]!, { fillCelsius: null, middleCelsius: null, lastCelsius: null });
    expect(keeping(unread).time).toEqual({ count: 3, unit: 'day' });
    const unplanned = cold();
    Object.assign(unplanned.steps[0]!, { marks: [], killStep: false });
    unplanned.product.content = {
      ...unplanned.product.content,
      steps: unplanned.product.content.steps.map((step) => ({ ...step, killStep: false })),
    };
    expect(keeping(unplanned).time).toEqual({ count: 1, unit: 'month' });
    expect(keeping(cold()).time).toEqual({ count: 1, unit: 'month' });
  });
  it('asks of boiling what boiling is at the lot’s own height', () => {
    const high = cold({ elevationMetres: 4000 });
    high.readings[0]!.value = 86;
    Object.assign(high.bottlings[0]!, { fillCelsius: null, middleCelsius: null, lastCelsius: null });
    expect(keeping(high).time).toEqual({ count: 1, unit: 'month' });
    const low = cold({ elevationMetres: 0 });
    low.readings[0]!.value = 86;
    Object.assign(low.bottlings[0]!, { fillCelsius: null, middleCelsius: null, lastCelsius: null });
    expect(keeping(low).time).toEqual({ count: 3, unit: 'day' });
  });
  it('counts acetic acid from the vinegar that went in', () => {
    const lot = cold();
    add(lot, 'cider-vinegar', 2000);
    expect(keeping(lot).row).toBe('cold-acetic');
    expect(keeping(lot).time).toEqual({ count: 3, unit: 'month' });
  });
  it('of a sharp thick syrup is three months by its measured sugar', () => {
    const lot = cold();
    lot.readings.push({ ...lot.readings[1]!, id: 'r4', kind: 'brix', value: 61 });
    // So thick, its pH is read diluted as well.
    expect(keeping(lot).row).toBe('cold-unmeasured');
    lot.readings.push({ ...lot.readings[1]!, id: 'r5', value: 3.45, diluted: true });
    expect(keeping(lot).row).toBe('cold-sugar');
  });
  it('says the pH as it was read, and judges by it with its margin', () => {
    const lot = cold({ criticalPh: 4.6 });
    lot.readings[1]!.value = 4.3;
    lot.readings.push({ ...lot.readings[1]!, id: 'r3', value: 4.28 });
    expect(keeping(lot).reason).toMatch(/pH 4\.30 and a kill step/);
    expect(keeping(lot).row).toBe('cold-4.6');
    lot.readings[1]!.value = 4.55;
    expect(keeping(lot).row).toBe('cold-unmeasured');
  });
  it('is ready so many days after it was filled', () => {
    const lot = releasable();
    lot.product.content = { ...lot.product.content, readyDays: 28 };
    expect(keeping(lot).readyOn).toBe('2026-12-22');
  });
});
