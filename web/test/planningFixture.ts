import type { Container } from '@inch/contract/container';
import type { FormulaHead } from '@inch/contract/formula';
import { shippedCatalogue } from '@inch/core/ingredient';
import type { Planning } from '../src/data/planning.ts';

export const jar: Container = {
  id: '01930000-0000-7000-8000-000000000001',
  name: 'Half-pint jar',
  nominalMl: 237,
  heightMm: 98,
  diameterMm: 75,
  closure: 'two-piece-lid',
  ...{ brimfulMl: null, tareGrams: null, headspaceInches: null, retired: false },
  rated: ['boiling-water'],
};
export const swing: Container = {
  ...jar,
  id: '01930000-0000-7000-8000-000000000002',
  name: 'Swing top',
  nominalMl: 250,
  closure: 'swing-top',
};
export const formula: FormulaHead = {
  id: '01930000-0000-7000-8000-0000000000f1',
  name: 'Damson shrub',
  kind: 'shrub' as const,
  colour: '#4A2A5E',
  version: 1,
  versionId: 'v',
  savedAt: '2026-01-01T00:00:00.000Z',
  savedBy: 'Wren',
  lots: 0,
  archived: false,
  content: {
    lines: [
      { id: 'fruit', said: '3 kg', ingredientId: 'damson', stepId: 'wash' },
      { id: 'sugar', said: '1.8 kg', ingredientId: 'sugar', stepId: 'heat' },
    ],
    steps: [
      { id: 'wash', kind: 'prepare' as const, title: 'Wash', minutes: 40 },
      { id: 'heat', kind: 'heat' as const, title: 'Heat', minutes: 20 },
    ],
    storage: 'cold' as const,
    bottleMl: 250,
  },
};
const stockLot = (thing: string, quantity: number) => ({
  id: thing,
  code: 'S1',
  kind: 'ingredient' as const,
  thing,
  name: thing,
  quantity,
  left: quantity,
  said: '',
  words: '',
  supplier: '',
  costMinor: null,
  gotOn: '2026-11-01',
  bestBy: null,
  measured: null,
  allergens: [],
  leftBy: null,
  dividedFrom: null,
  by: 'Wren',
  takings: [],
  whyUnfit: null,
  broughtIn: null,
});
/** A kitchen with one formula, a little sugar in stock and one pack. */
export const planning: Planning = {
  workshop: { cannerHolds: 7, cannerLoads: 2, kwhMinor: 28, handsHourMinor: 1200 },
  kitchen: {
    id: 'k',
    name: 'Test',
    place: '',
    elevationMetres: 0,
    cupSchool: 'us',
    rulePack: 'eu',
    localStatement: '',
    criticalPh: 4.2,
    fillTolerancePercent: 3,
    secondPerson: false,
    broughtIn: null,
    idleMinutes: null,
    currency: 'GBP',
    timeZone: 'UTC',
    revision: 1,
    workshop: {
      burners: 2,
      hands: 1,
      cannerHolds: 7,
      cannerLoads: 2,
      hours: [],
      kwhMinor: 28,
      handsHourMinor: 1200,
      freezerGrams: 0,
    },
  },
  formulas: [formula],
  stock: [stockLot('sugar', 1000)],
  packs: [
    {
      id: 'bag',
      kind: 'ingredient',
      thing: 'sugar',
      said: 'bag of 1 kg',
      size: 1000,
      priceMinor: 125,
      supplier: 'Shop',
    },
  ],
  pans: [],
  containers: [jar, swing],
  past: [],
  catalogue: shippedCatalogue,
  setting: { cup: 'us', catalogue: shippedCatalogue, elevationMetres: 0, criticalPh: 4.2 },
  today: '2026-11-25',
};
