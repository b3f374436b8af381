// @vitest-environment happy-dom
import type { Instrument } from '@inch/contract/making/instrument';
import type { LotView } from '@inch/contract/making/lot';
import { shippedCatalogue } from '@inch/core/ingredient';
import { waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { Calibrate } from '../src/bench/Calibrate.tsx';
import { Checks } from '../src/bench/CheckForm.tsx';
import { RetireForm } from '../src/bottling/RetireForm.tsx';
import { Weighings } from '../src/bottling/Weighings.tsx';
import { OwnFiguresForm } from '../src/formulas/line/OwnFiguresForm.tsx';
import { WeighMeasure } from '../src/formulas/line/WeighMeasure.tsx';
import { Containers } from '../src/kitchen/Containers.tsx';
import { KitchenSettings } from '../src/kitchen/KitchenSettings.tsx';
import { WorkshopForm } from '../src/kitchen/WorkshopForm.tsx';
import { PackForm } from '../src/plan/PackForm.tsx';
import { PlanList } from '../src/plan/PlanList.tsx';
import { TakeReading } from '../src/stove/TakeReading.tsx';
import { type Case, describeForms, press } from './formCase.tsx';
import { screen, server, session, show, type, within } from './page.tsx';
import { jar } from './planningFixture.ts';

const ID = (n: number) => `01930000-0000-7000-8000-${String(n).padStart(12, '0')}`;

const lot = {
  id: ID(1),
  code: 'ABCD',
  state: 'bottled',
  elevationMetres: 719,
  begunAt: '2026-11-20T08:00:00.000Z',
  criticalPh: 4.2,
  product: { content: { lines: [], steps: [] }, colour: '#aa3344' },
  steps: [],
  lines: [],
  readings: [],
  additions: [],
  weighings: [],
  bottlings: [
    {
      id: ID(2),
      at: '2026-11-24T10:00:00.000Z',
      count: 12,
      nominalMl: 237,
      containerId: jar.id,
      struck: null,
    },
  ],
  faults: [],
} as unknown as LotView;

const meter = {
  id: ID(3),
  kind: 'ph-meter',
  name: 'Bench meter',
  compensated: false,
  calibrations: [],
  checks: [],
  counts: false,
} as unknown as Instrument;
const scale = { ...meter, id: ID(4), kind: 'scale', name: 'Scale' } as unknown as Instrument;

const CASES: Case[] = [
  {
    name: 'a full bottle weighed',
    form: () => <Weighings lot={lot} open />,
    typed: [
      ['Full bottle, g', '512,4'],
      ['Empty bottle, g', '201.5'],
    ],
    bad: ['Full bottle, g', 'heavy', /Write for instance/],
    press: 'Record weight',
    address: `/api/lots/${lot.id}/weighings`,
    body: { grossGrams: 512.4, tareGrams: 201.5, bottlingId: ID(2) },
  },
  {
    name: 'glass retired',
    form: () => <RetireForm lot={lot} />,
    reads: { '/api/containers': [{ ...jar, rated: [] }] },
    chosen: ['Kind of bottle', jar.name],
    typed: [['Pieces', '2']],
    bad: ['Pieces', '1.5', /whole number/],
    press: 'Retire',
    address: `/api/lots/${lot.id}/faults`,
    body: { count: 2, containerId: jar.id },
  },
  {
    name: 'the settings of the kitchen',
    form: () => <KitchenSettings />,
    typed: [
      ['Elevation above sea level', '1,200 ft'],
      ['Critical limit of pH', '4,1'],
    ],
    bad: ['Elevation above sea level', '1200', /720 m or 2360 ft/],
    press: 'Save',
    address: '/api/kitchen',
    body: { elevationMetres: 365.76, criticalPh: 4.1, revision: 4 },
  },
  {
    name: 'working hours and equipment',
    form: () => <WorkshopForm kitchen={session.kitchen} owner />,
    typed: [
      ['Burners', '3'],
      ['Labour cost per hour, GBP', '12,50'],
      ['Freezer space, kg', '12,5'],
    ],
    bad: ['Burners', '2.5', /whole number/],
    press: 'Save',
    address: '/api/kitchen',
    body: {
      workshop: { ...session.kitchen.workshop, burners: 3, handsHourMinor: 1250, freezerGrams: 12_500 },
    },
  },
  {
    name: 'a kind of bottle added',
    form: () => <Containers mayWrite />,
    typed: [
      ['Add a bottle or jar', 'Flask'],
      ['mL', '0,25 L'],
      ['High, mm', '180'],
      ['Across, mm', '2 5/8 in'],
    ],
    bad: ['mL', 'a cupful or so', /Write for instance/],
    press: 'Add bottle or jar',
    address: '/api/containers',
    body: { name: 'Flask', nominalMl: 250, heightMm: 180, diameterMm: 66.675 },
  },
  {
    name: 'how a thing is sold',
    form: () => (
      <PackForm
        need={{ kind: 'ingredient', thing: 'sugar', name: 'Sugar, white' } as never}
        onClose={() => undefined}
      />
    ),
    typed: [
      ['Pack', 'bag'],
      ['Amount in a pack', '1,5 kg'],
      ['Price per pack, GBP', '2,49'],
    ],
    bad: ['Price per pack, GBP', '2,4,9', /not a price/],
    press: 'Save',
    address: '/api/packs',
    body: { said: 'bag', size: 1500, priceMinor: 249 },
  },
  {
    name: 'a scale checked',
    form: () => <Checks instrument={scale} />,
    typed: [['It reads, g', '499,8']],
    bad: ['It reads, g', 'about 500', /Write for instance/],
    press: 'Save check',
    address: `/api/instruments/${scale.id}/checks`,
    body: { kind: 'weight', read: 499.8, weightGrams: 500 },
  },
  {
    name: 'a measure of the kitchen’s own',
    form: () => <WeighMeasure entry={shippedCatalogue.get('sugar')} done={() => undefined} />,
    typed: [[/weighs, g/, '212,5']],
    bad: [/weighs, g/, 'some', /Write for instance/],
    press: 'Save',
    address: '/api/measures',
    body: { ingredientId: 'sugar', grams: 212.5 },
  },
  {
    name: 'figures of the kitchen’s own',
    form: () => <OwnFiguresForm entry={shippedCatalogue.get('damson')} done={() => undefined} />,
    reads: { '/api/ingredients/own': { entered: [], ingredients: [], measures: [], prices: [] } },
    typed: [
      ['Sugar, °Bx', '15,2'],
      ['What a kilogram costs, GBP', '3,49'],
    ],
    bad: ['What a kilogram costs, GBP', 'dear', /not a price/],
    press: 'Save',
    address: '/api/ingredients/own',
    body: { ingredientId: 'damson', pricePerKgMinor: 349 },
  },
  {
    name: 'a pH read',
    form: () => (
      <TakeReading open lot={lot} stepId={null} kind="ph" finished={false} onClose={() => undefined} />
    ),
    reads: { '/api/instruments': [meter] },
    typed: [['pH', '3,41']],
    bad: ['pH', 'sour', /not a number/],
    press: 'Save',
    address: `/api/lots/${lot.id}/readings`,
    body: { kind: 'ph', raw: 3.41, said: '3,41' },
  },
  {
    name: 'a temperature read in Fahrenheit',
    form: () => (
      <TakeReading
        open
        lot={lot}
        stepId={null}
        kind="temperature"
        finished={false}
        onClose={() => undefined}
      />
    ),
    typed: [['Temperature, °C (or write 176F)', '212 F']],
    bad: ['Temperature, °C (or write 176F)', 'hot', /Write for instance 88 or 190 F/],
    press: 'Save',
    address: `/api/lots/${lot.id}/readings`,
    body: { kind: 'temperature', raw: 100 },
  },
];

describeForms(CASES);

describe('a meter calibrated', () => {
  it('wants both buffers, reads commas, and sends their points', async () => {
    const { user } = show(<Calibrate meter={meter} />);
    const rows = screen.getAllByLabelText(/Millivolts|mV/i);
    await user.type(rows[0]!, '−1,5');
    await user.type(rows[1]!, '172.4');
    await press(user, 'Save calibration');
    await waitFor(() => expect(server.current.sent).toHaveLength(1));
    const points = server.current.sent[0]!.body.points as { buffer: number; mv: number }[];
    expect(points.map((p) => p.mv)).toEqual([-1.5, 172.4]);
  });
});

describe('a pack that is not sold any more', () => {
  it('is retired under what it was', async () => {
    const pack = {
      id: ID(9),
      kind: 'ingredient',
      thing: 'sugar',
      said: 'bag',
      size: 1000,
      priceMinor: 125,
      supplier: 'Shop',
    };
    server.current.reads.set('/api/packs', [pack]);
    const need = { kind: 'ingredient', thing: 'sugar', name: 'Sugar, white' } as never;
    const { user } = show(<PackForm need={need} onClose={() => undefined} />);
    await user.click(await screen.findByRole('button', { name: 'Retire bag' }));
    await waitFor(() => expect(server.current.sent).toHaveLength(1));
    const { id: _, ...said } = pack;
    expect(server.current.sent[0]!.body).toMatchObject({ ...said, retired: true });
  });
});

describe('what the server refuses', () => {
  it('is shown at its field, and what was typed stands', async () => {
    const { user } = show(<Containers mayWrite />);
    server.current.doing = [{ status: 422, path: 'name', message: 'There is a bottle of that name.' }];
    await type(user, 'Add a bottle or jar', 'Flask');
    for (const [label, text] of [
      ['mL', '250'],
      ['High, mm', '180'],
      ['Across, mm', '66'],
    ] as const)
      await type(user, label, text);
    await press(user, 'Add bottle or jar');
    expect(await screen.findByText('There is a bottle of that name.')).toBeTruthy();
    expect((screen.getByLabelText('mL') as HTMLInputElement).value).toBe('250');
  });
});

describe('what was written', () => {
  it('leaves no draft, and the next of its kind is another one', async () => {
    const weigh = async () => {
      const { user, unmount } = show(<Weighings lot={lot} open />);
      expect(screen.queryByText('What you typed before is still here.')).toBeNull();
      await type(user, 'Full bottle, g', '512');
      await type(user, 'Empty bottle, g', '201');
      const before = server.current.sent.length;
      await press(user, 'Record weight');
      await waitFor(() => expect(server.current.sent).toHaveLength(before + 1));
      await waitFor(() =>
        expect((screen.getByLabelText('Full bottle, g') as HTMLInputElement).value).toBe(''),
      );
      unmount();
      return server.current.sent.at(-1)!.body.id;
    };
    const ids = [await weigh(), await weigh(), await weigh()];
    expect(new Set(ids).size).toBe(3);
    expect(Object.keys(localStorage)).toEqual([]);
  });
});

describe('a form that is left', () => {
  it('has what was typed when it is opened again, says so, and can be cleared', async () => {
    const { user, unmount } = show(<Containers mayWrite />);
    await type(user, 'Add a bottle or jar', 'Flask');
    unmount();
    const again = show(<Containers mayWrite />);
    expect((screen.getByLabelText('Add a bottle or jar') as HTMLInputElement).value).toBe('Flask');
    await again.user.click(screen.getByRole('button', { name: 'Clear the form' }));
    expect((screen.getByLabelText('Add a bottle or jar') as HTMLInputElement).value).toBe('');
  });

  it('never keeps a password on the device', async () => {
    const { user } = show(<KitchenSettings />);
    await type(user, 'Name of the person', 'Tam');
    await type(user, 'First password', 'funnel-and-ladle');
    const keptHere = Object.keys(localStorage).map((key) => localStorage.getItem(key));
    expect(JSON.stringify(keptHere)).not.toContain('funnel');
  });
});

describe('a plan', () => {
  it('is begun under one name and a day', async () => {
    const { user } = show(<PlanList />);
    await screen.findByLabelText('Name');
    const form = screen.getByLabelText('Name').closest('form')!;
    await type(user, 'Name', 'Winter fair');
    await user.click(within(form).getByRole('button', { name: 'Begin a plan' }));
    await waitFor(() => expect(server.current.sent).toHaveLength(1));
    expect(server.current.sent[0]!.body).toMatchObject({ content: { name: 'Winter fair', due: null } });
  });
});
