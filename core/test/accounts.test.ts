import { shippedCatalogue } from '@inch/core/ingredient';
import { parseQuantity } from '@inch/core/quantity';
import { readAccount } from '@inch/core/recipe';
import { describe, expect, it } from 'vitest';
import { asWritten, differences } from './methods/fields.ts';
import { told } from './methods/told.ts';

/** A line as the corpus writes it: amounts that say the same are the same. */
function asTold(line: ReturnType<typeof readAccount>['lines'][number]): string {
  const id = line.ingredientId === '' ? '?' : line.ingredientId;
  if (line.said === '') return line.query ? `${id} ?` : id;
  const per = line.basis && line.basis.per !== 'batch' ? ` per ${line.basis.per}` : '';
  return `${id} ${amountOf(line.said)}${per}`;
}

function amountOf(said: string): string {
  const { amount, unit, range } = parseQuantity(said);
  return `${range ? range.join('–') : Number(amount.toFixed(3))} ${unit === 'each' ? '' : unit}`.trim();
}

const expectedLine = (line: string): string => {
  const [told, per] = line.split(' per ');
  const [id, ...amount] = told!.split(' ');
  if (amount[0] === '?' || amount.length === 0) return line;
  return `${id} ${amountOf(amount.join(' '))}${per ? ` per ${per}` : ''}`;
};

describe('an account as somebody told it', () => {
  it.each(told)('$name', (one) => {
    const { lines, steps, storage, keeps } = readAccount(one.text, shippedCatalogue);
    const found = steps.map(asWritten);
    const off = one.steps.flatMap((expected, i) => differences(expected, found[i]));
    expect({ lines: lines.map(asTold), off, found, storage, keeps: keeps?.days }).toEqual({
      lines: one.lines.map(expectedLine),
      off: [],
      found: expect.any(Array),
      storage: one.storage,
      keeps: one.keeps,
    });
    expect(found).toHaveLength(one.steps.length);
  });
});

describe('what was not done, or nobody knows', () => {
  const juice = 'I put a litre of apple juice in the pan.';
  const read = (text: string) => readAccount(`${juice} ${text} Bottle it.`, shippedCatalogue);

  it.each([
    'If you like it sweeter, add another cup of sugar.',
    'You can add a cup of honey.',
    'I add a cup of honey if you like.',
    'You could also use a pound of sugar.',
    'I forgot to add the sugar.',
    'I did not add any lemon juice.',
    'We almost added a pound of sugar.',
    'I would never add vinegar.',
    'Some people put in a cup of sugar.',
  ])('“%s” puts nothing in', (said) => {
    expect(read(said).lines.map(asTold)).toEqual(['apple-juice 1 l']);
  });

  it('now you can add it, and it is in', () => {
    expect(read('Now you can add a cup of honey.').lines.map(asTold)).toEqual([
      'apple-juice 1 l',
      'honey 1 cup',
    ]);
  });

  it('two amounts of one thing in one breath are both used', () => {
    expect(read('I add 100 g of sugar to the pan and 50 g of sugar to the bowl.').lines.map(asTold)).toEqual([
      'apple-juice 1 l',
      'sugar 100 g',
      'sugar 50 g',
    ]);
  });

  it.each([
    'Boil it for ten minutes. That was actually less than two minutes.',
    'Boil it for half a minute.',
    'Boil it for ten minutes. It was actually half a minute.',
    'Boil it for less than five minutes.',
  ])('“%s” is no heat that counts', (said) => {
    expect(read(said).steps.every(({ step }) => !step.killStep)).toBe(true);
  });

  it('a time told behind takes away no other question', () => {
    const { steps } = read('Heat it to 180 degrees. It took me twenty minutes.');
    expect(steps[1]).toMatchObject({ ask: expect.stringMatching(/degrees/), step: { minutes: 20 } });
  });
});
