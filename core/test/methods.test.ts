import { shippedCatalogue } from '@inch/core/ingredient';
import { readRecipe } from '@inch/core/recipe';
import { describe, expect, it } from 'vitest';
import { asWritten, differences } from './methods/fields.ts';
import { type WrittenMethod, written } from './methods/written.ts';

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

  it.each(['Boil for half a minute', 'Heat to 95 °C for half a minute', 'Boil for 30 seconds'])(
    '“%s” is under a minute, and kills nothing',
    (method) => {
      const { steps } = readRecipe(`1 l grape juice\n\nMethod\n${method}. Bottle.`, shippedCatalogue);
      expect(steps[0]!.step.killStep ?? false).toBe(false);
    },
  );

  it('all that a step leaves open is asked, and degrees that nobody named are no heat', () => {
    const { steps } = readRecipe(
      '1 kg plums\n\nMethod\nSimmer the plums for 20 or 30 minutes at 190 degrees. Strain.',
      shippedCatalogue,
    );
    expect(steps[0]!.open.map(({ of }) => of)).toEqual(['minutes', 'celsius']);
    expect(steps[0]!.ask).toMatch(/which\?.*in which degrees\?/);
    expect(steps[0]!.step.celsius).toBeUndefined();
    expect(steps[0]!.open[1]!.answers).toEqual([{ says: '190 °F', part: { celsius: 87.8 } }]);
  });
});
