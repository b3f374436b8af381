import { shippedCatalogue } from '@inch/core/ingredient';
import { readRecipe } from '@inch/core/recipe';
import { describe, expect, it } from 'vitest';
import { type WrittenMethod, written } from './methods/written.ts';

/** A step as the corpus writes it. */
function asWritten(found: ReturnType<typeof readRecipe>['steps'][number]): string {
  const { step, ask } = found;
  const way = step.method ?? step.cloth;
  return [
    way ? `${step.kind}:${way}` : step.kind,
    step.minutes === undefined ? '' : `m${step.minutes}`,
    step.toCelsius !== undefined
      ? `c${step.toCelsius}`
      : step.celsius === undefined
        ? ''
        : `c${step.celsius}`,
    step.toFraction === undefined ? '' : `f${Number(step.toFraction.toFixed(3))}`,
    step.toBrix === undefined ? '' : `b${step.toBrix}`,
    step.lidOff ? 'off' : '',
    step.lidHalf ? 'half' : '',
    step.fire && step.fire !== 'medium' ? step.fire : '',
    step.killStep ? 'kill' : '',
    step.neverBoil ? 'never' : '',
    step.liquidAway ? 'away' : '',
    step.toThickness ? `look:${step.toThickness}` : '',
    ask === undefined ? '' : '?',
  ]
    .filter(Boolean)
    .join(' ');
}

/** Fields in which a step differs: what is said and not read, and what is read and not said. A temperature that nobody said is the program's own. */
function differences(expected: string, found: string | undefined): string[] {
  const own = new Set((found ?? '').split(' '));
  const said = new Set(expected.split(' '));
  const missed = [...said].filter((field) => !own.has(field));
  const invented = [...own].filter((field) => !said.has(field) && !/^c\d/.test(field));
  return [...missed.map((f) => `−${f}`), ...invented.map((f) => `+${f}`)];
}

const read = (one: WrittenMethod) => readRecipe(`${one.list}\n\nMethod\n${one.method}`, shippedCatalogue);

describe('a method as somebody wrote it', () => {
  it.each(written)('$name', (one) => {
    const { steps, storage, keeps } = read(one);
    const found = steps.map(asWritten);
    const off = one.steps.flatMap((expected, i) => differences(expected, found[i]));
    expect({ off, found, storage, keeps: keeps?.days }).toEqual({
      off: [],
      found: expect.any(Array),
      storage: one.storage,
      keeps: one.keeps,
    });
    expect(found).toHaveLength(one.steps.length);
  });

  it.each([
    'Heat to 95 °C and hold for less than 2 minutes',
    'Boil for no more than 3 minutes',
    'Boil it for a few minutes',
  ])('“%s” is no heat that counts: nobody knows for how long', (method) => {
    const { steps } = readRecipe(`1 l grape juice\n\nMethod\n${method}. Bottle.`, shippedCatalogue);
    expect(steps[0]!.ask).toMatch(/how long/);
    expect(steps[0]!.step.killStep ?? false).toBe(false);
    expect(steps[0]!.step.minutes).toBeUndefined();
  });
});
