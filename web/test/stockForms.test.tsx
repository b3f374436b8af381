// @vitest-environment happy-dom

import type { StockView } from '@inch/contract/kitchen/stock';
import type { Instrument } from '@inch/contract/making/instrument';
import { waitFor } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { FirstStart } from '../src/account/FirstStart.tsx';
import { Bench } from '../src/bench/Bench.tsx';
import { Calibrate } from '../src/bench/Calibrate.tsx';
import { Pans } from '../src/bench/Pans.tsx';
import { queryClient } from '../src/data/api.ts';
import { OwnMeasures } from '../src/formulas/line/OwnMeasures.tsx';
import { OwnIngredientForm } from '../src/parts/ingredient/OwnIngredientForm.tsx';
import { ProductForm } from '../src/plan/ProductForm.tsx';
import { ReceiptDialog } from '../src/plan/ReceiptDialog.tsx';
import { StockDeeds } from '../src/plan/StockDeeds.tsx';
import { Stocktake } from '../src/plan/Stocktake.tsx';
import { TakeIn } from '../src/plan/TakeIn.tsx';
import { StoveList } from '../src/stove/StoveList.tsx';
import { type Case, describeForms, press } from './formCase.tsx';
import { screen, server, show, type } from './page.tsx';
import { formula, jar, planning } from './planningFixture.ts';

const ID = (n: number) => `01930000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const bag = { ...planning.stock[0], id: ID(11), code: 'SUGR', name: 'Sugar, white' } as StockView;
const flour = { ...bag, id: ID(12), code: 'FRUT', name: 'Damsons', thing: 'damson' };
const meter = {
  id: ID(3),
  kind: 'ph-meter',
  name: 'Bench meter',
  compensated: false,
  calibrations: [],
  checks: [],
  counts: false,
} as unknown as Instrument;
const nothing = () => undefined;
const formulaWithId = { ...formula, id: ID(21), versionId: ID(22) };

const CASES: Case[] = [
  {
    name: 'packaging added to stock',
    form: () => <TakeIn />,
    reads: { '/api/containers': [jar] },
    chosen: ['What is added', 'bottles, lids, labels'],
    thenChosen: ['Which', /Half-pint jar/],
    typed: [
      ['How much', '24'],
      ['Paid for it, GBP', '12,50'],
      ['Supplier', 'Shop'],
    ],
    bad: ['How much', 'some', /whole number of pieces/],
    press: 'Add to stock',
    address: '/api/stock',
    body: { kind: 'packaging', quantity: 24, costMinor: 1250, supplier: 'Shop', said: '24', measured: null },
  },
  {
    name: 'a stock lot counted',
    form: () => <StockDeeds stock={bag} onDone={nothing} />,
    typed: [['Counted', '0,8 kg']],
    bad: ['Counted', 'a heap', /heap/],
    press: 'Record',
    address: `/api/stock/${bag.id}/counts`,
    body: { found: 800, why: null },
  },
  {
    name: 'waste of a stock lot',
    form: () => <StockDeeds stock={bag} onDone={nothing} />,
    chosen: ['Action', 'Record waste'],
    typed: [
      ['How much', '250'],
      ['Reason', 'spilled'],
    ],
    bad: ['Reason', 'x', /two letters or more/],
    press: 'Record',
    address: `/api/stock/${bag.id}/losses`,
    body: { kind: 'wasted', amount: 250, why: 'spilled' },
  },
  {
    name: 'part of a stock lot moved into the freezer',
    form: () => <StockDeeds stock={flour} onDone={nothing} />,
    chosen: ['Action', 'Divide: move part into the freezer'],
    typed: [['How much', '1/2 kg']],
    bad: ['How much', '0', /over 0/],
    press: 'Record',
    address: `/api/stock/${flour.id}/divisions`,
    body: { amount: 500, bestBy: null },
  },
  {
    name: 'a stocktake',
    form: () => <Stocktake stock={[bag, flour]} onDone={nothing} />,
    typed: [['SUGR Sugar, white, counted', '750 g']],
    bad: ['FRUT Damsons, counted', 'a heap', /heap/],
    press: /Record/,
    address: `/api/stock/${bag.id}/counts`,
    body: { found: 750, why: 'stocktake' },
  },
  {
    name: 'a receipt',
    form: () => (
      <ReceiptDialog
        planning={planning}
        basket={[
          { kind: 'ingredient', thing: 'sugar', said: '', amount: 2000, paidMinor: 250, by: '', at: '' },
        ]}
        names={new Map([['sugar', 'Sugar']])}
        onClose={nothing}
      />
    ),
    typed: [
      ['Bought at', 'Shop'],
      ['Sugar, paid', '2,70'],
    ],
    bad: ['Sugar, how much', 'lots', /lots/],
    press: 'Save receipt',
    address: '/api/receipts',
    body: { supplier: 'Shop', gotOn: planning.today },
  },
  {
    name: 'a pan measured',
    form: () => <Pans />,
    typed: [
      ['Name', 'Jam pan'],
      ['Across, inside', '300 mm'],
      ['High, inside', '150 mm'],
    ],
    bad: ['High, inside', 'tall', /tall/],
    press: 'Save pan',
    address: '/api/vessels',
    body: {
      name: 'Jam pan',
      material: 'steel',
      shape: {
        kind: 'frusta',
        frusta: [{ heightMm: 150, lowerDiameterMm: 300, upperDiameterMm: 300 }],
      },
    },
  },
  {
    name: 'an instrument added',
    form: () => <Bench />,
    chosen: ['Kind', 'Refractometer'],
    typed: [['Name', 'Drop and prism']],
    bad: ['Name', '   ', /name/i],
    press: 'Add instrument',
    address: '/api/instruments',
    body: { kind: 'refractometer', name: 'Drop and prism', compensated: false },
  },
  {
    name: 'a meter calibrated',
    form: () => <Calibrate meter={meter} />,
    typed: [
      ['Buffer 7.00, millivolts', '−1,5'],
      ['Buffer 4.01, millivolts', '172.4'],
    ],
    bad: ['Buffer 4.01, °C', 'warm', /Write for instance/],
    press: 'Save calibration',
    address: `/api/instruments/${meter.id}/calibrations`,
    body: {
      points: [
        { buffer: 7, mv: -1.5, ph: null, celsius: 20 },
        { buffer: 4.01, mv: 172.4, ph: null, celsius: 20 },
      ],
    },
  },
  {
    name: 'a lot started',
    form: () => <StoveList />,
    reads: { '/api/formulas': [formulaWithId] },
    typed: [['How many times the formula', '1,5']],
    bad: ['How many times the formula', 'twice', /Write for instance|not a number/],
    press: 'Start the lot',
    address: '/api/lots',
    body: { formulaId: formulaWithId.id, scale: 1.5 },
  },
  {
    name: 'an ingredient of the kitchen’s own',
    form: () => <OwnIngredientForm name="Sloe juice" done={nothing} />,
    typed: [
      ['Sugars, g in 100 g', '11,5'],
      ['Where the figures come from', 'Its label'],
    ],
    bad: ['pH, if you measured it', 'sour', /not a number/],
    press: 'Save',
    address: '/api/ingredients/own',
    body: {},
  },
  {
    name: 'a measure of the kitchen’s own, by what it holds',
    form: () => <OwnMeasures own={{ ingredients: [], measures: [], prices: {}, entered: [] }} />,
    typed: [
      ['One of yours', 'mug'],
      ['holds, mL', '0,3 L'],
    ],
    bad: ['One of yours', '12', /Letters only/],
    press: 'Save',
    address: '/api/measures',
    body: { name: 'mug', ingredientId: null, millilitres: 300 },
  },
  {
    name: 'a new kitchen',
    form: () => <FirstStart />,
    typed: [
      ['Name of the kitchen', 'Low Bridge'],
      ['Elevation above sea level', '2,360 ft'],
      ['Your name', 'Wren'],
      ['Password', 'enamel-and-steel'],
    ],
    bad: ['Password', 'short', /at least 10 characters/],
    press: 'Create the kitchen',
    address: '/api/setup',
    body: { kitchenName: 'Low Bridge', elevationMetres: 719.328, name: 'Wren', password: 'enamel-and-steel' },
  },
];

describeForms(CASES);

describe('the lines of a receipt', () => {
  const basket = (['sugar', 'damson', 'water'] as const).map((thing, i) => ({
    kind: 'ingredient' as const,
    thing,
    said: '',
    amount: 1000 * (i + 1),
    paidMinor: 100 * (i + 1),
    by: '',
    at: '',
  }));
  const names = new Map(basket.map((b) => [b.thing, b.thing]));
  const shown = () =>
    show(<ReceiptDialog planning={planning} basket={basket} names={names} onClose={nothing} />);

  it('without one that was removed are written as they stand, each under its own id', async () => {
    const { user } = shown();
    await type(user, 'damson, paid', '7.77');
    await user.click(screen.getByRole('button', { name: 'Remove sugar' }));
    await press(user, 'Save receipt');
    await waitFor(() => expect(server.current.sent).toHaveLength(1));
    const lines = server.current.sent[0]!.body.lines as Record<string, unknown>[];
    expect(lines.map((l) => [l.thing, l.amount, l.paidMinor])).toEqual([
      ['damson', 2000, 777],
      ['water', 3000, 300],
    ]);
    expect(new Set(lines.map((l) => l.id)).size).toBe(2);
  });

  it('say at the line what cannot be read', async () => {
    const { user } = shown();
    await type(user, 'water, paid', 'dear');
    await press(user, 'Save receipt');
    const field = screen.getByLabelText('water, paid');
    await waitFor(() => expect(field.getAttribute('aria-invalid')).toBe('true'));
    expect(server.current.sent).toEqual([]);
  });
});

describe('a stocktake that is refused halfway', () => {
  it('goes on with what was not written yet', async () => {
    const { user } = show(<Stocktake stock={[bag, flour]} onDone={nothing} />);
    await type(user, 'SUGR Sugar, white, counted', '700');
    await type(user, 'FRUT Damsons, counted', '300');
    server.current.doing = ['answer', { status: 422, path: 'found', message: 'Not that much came in.' }];
    await press(user, /Record/);
    await waitFor(() => expect(server.current.sent).toHaveLength(2));
    await press(user, /Record/);
    await waitFor(() => expect(server.current.sent).toHaveLength(3));
    const [first, second, third] = server.current.sent;
    expect(first!.address).toContain(bag.id);
    expect([second!.address, third!.address]).toEqual([
      `/api/stock/${flour.id}/counts`,
      `/api/stock/${flour.id}/counts`,
    ]);
    expect(third!.body.id).toBe(second!.body.id);
  });
});

describe('the size of a product', () => {
  const withId = { ...planning, formulas: [formulaWithId] } as unknown as typeof planning;

  it('asks for what is missing, and saves whole bottles', async () => {
    const save = vi.fn();
    const { user } = show(<ProductForm planning={withId} busy={false} save={save} onClose={nothing} />);
    await type(user, 'Bottles wanted', 'many');
    expect(await screen.findByText('How many bottles? A whole number.')).toBeTruthy();
    expect((screen.getByRole('button', { name: 'Add product' }) as HTMLButtonElement).disabled).toBe(true);
    await type(user, 'Bottles wanted', '12');
    await user.click(screen.getByRole('button', { name: 'Add product' }));
    await waitFor(() => expect(save).toHaveBeenCalledOnce());
    expect(save.mock.calls[0]![0]).toMatchObject({
      formulaId: formulaWithId.id,
      want: { by: 'bottles', bottles: 12 },
    });
  });

  it('is set by the fruit in hand, in any measure', async () => {
    const save = vi.fn();
    const { user } = show(<ProductForm planning={withId} busy={false} save={save} onClose={nothing} />);
    await user.selectOptions(screen.getByLabelText('Size set by'), 'the fruit in hand');
    await type(user, 'How much is there', '2,5 kg');
    await user.click(screen.getByRole('button', { name: 'Add product' }));
    await waitFor(() => expect(save).toHaveBeenCalledOnce());
    expect(save.mock.calls[0]![0].want).toEqual({
      by: 'fruit',
      lineId: 'fruit',
      grams: 2500,
      trimmed: false,
    });
  });
});

describe('what is typed while the page still reads what was written', () => {
  it('stays: the form of something new is empty as soon as it is written', async () => {
    const { user } = show(<OwnMeasures own={{ ingredients: [], measures: [], prices: {}, entered: [] }} />);
    let answer: () => void = () => undefined;
    const slow = new Promise<void>((resolve) => {
      answer = resolve;
    });
    vi.spyOn(queryClient, 'invalidateQueries').mockImplementation(() => slow);
    await type(user, 'One of yours', 'mug');
    await type(user, 'holds, mL', '300');
    await press(user, 'Save');
    await waitFor(() => expect((screen.getByLabelText('One of yours') as HTMLInputElement).value).toBe(''));
    await type(user, 'One of yours', 'ladle');
    answer();
    await waitFor(() =>
      expect((screen.getByRole('button', { name: 'Save' }) as HTMLButtonElement).disabled).toBe(false),
    );
    expect((screen.getByLabelText('One of yours') as HTMLInputElement).value).toBe('ladle');
    vi.restoreAllMocks();
  });
});

describe('an id that stands for something else already', () => {
  it('is given up, so that the form is not stuck', async () => {
    const { user } = show(<StockDeeds stock={bag} onDone={nothing} />);
    server.current.doing = [{ status: 409, path: '', message: 'That id is of another count.' }];
    await type(user, 'Counted', '500');
    await press(user, 'Record');
    await waitFor(() => expect(server.current.sent).toHaveLength(1));
    await press(user, 'Record');
    await waitFor(() => expect(server.current.sent).toHaveLength(2));
    const [first, second] = server.current.sent;
    expect(second!.body.id).not.toBe(first!.body.id);
    expect(second!.body.found).toBe(500);
  });
});
