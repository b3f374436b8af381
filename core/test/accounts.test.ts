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
