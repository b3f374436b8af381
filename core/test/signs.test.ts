import { dangersIn, signsBesideName, signsIn } from '@inch/core/ageing';
import { describe, expect, it } from 'vitest';

describe('signs of spoilage', () => {
  it.each([
    'gas',
    'it hissed when I opened it',
    'one exploded in the night',
    'exploding!',
    'burst in the crate',
    'the lid came off with a pop: lids popped',
    'cap is lifting',
    'two caps lifted, gas under the clip',
    'a loose cork',
    'bulging',
    'it has gone mouldy',
    'MOLD on top',
    'a film on it',
    'slimy',
    'smells off',
    'it smelt yeasty',
    'off-smell',
    'it fizzed over',
    'fermenting',
    'foaming at the neck',
    'leaking from the seal',
    'it went off',
    'gone cloudy',
    'her son was ill after it',
    'two people sick',
    'vomiting that night',
    'food poisoning',
    'no smell, but mould on the lid',
    'first it was fine, then it burst',
  ])('are told of by “%s”', (text) => {
    expect(signsIn(text)).not.toEqual([]);
  });
  it.each([
    '',
    'no gas, no film, no mould',
    'not fizzy, and nothing lifted',
    'no sign of gas or mould',
    'never leaked',
    'without film or scum',
    'free of mould',
    'clear, bright, good colour',
    'sold out by noon',
    'for the shop of Mrs Gascoigne',
    'tilted to let the air bubbles out',
    'till the cap clicked shut',
    'refilled the shelf',
    'an illustration on the label',
  ])('are not told of by “%s”', (text) => {
    expect(signsIn(text)).toEqual([]);
  });
});

describe('what makes a batch dangerous', () => {
  it.each([
    'listeria',
    'Salmonella found by the laboratory',
    'E. coli',
    'the supplier calls it back',
    'recalled by the mill',
    'a glass splinter in it',
    'pieces of plastic',
    'mouse droppings',
    'contaminated with bleach',
    'undeclared almonds',
    'somebody was ill',
  ])('is told of by “%s”', (text) => {
    expect(dangersIn(text)).not.toEqual([]);
  });
  it.each([
    'soft and brown',
    'dropped the bag',
    'forgotten in the sun',
    'no mould, no glass splinters',
    'past its date',
  ])('is not told of by “%s”', (text) => {
    expect(dangersIn(text)).toEqual([]);
  });
});

describe('what stands beside a buyer’s name', () => {
  it.each([
    'Anna: it exploded',
    'to the hall, two got sick',
    'burst on the way',
    'she fell ill',
    'it was mouldy',
  ])('tells of what happened in “%s”', (text) => {
    expect(signsBesideName(text)).not.toEqual([]);
  });
  it.each([
    'Mrs Gascoigne',
    'the Fizz Bar',
    'Mould & Sons',
    'for my sick aunt',
    'the Bubble café',
    'Ill Street market',
  ])('is a name in “%s”', (text) => {
    expect(signsBesideName(text)).toEqual([]);
  });
});
