import { ageingEvidence } from '@inch/core/ageing';
import { type FormulaContent, forecast, lineAmounts, massOf, nothing } from '@inch/core/formula';
import type { ProcessedProduct } from '@inch/core/heat';
import { shippedCatalogue } from '@inch/core/ingredient';
import type { HurdleFacts } from '@inch/core/keeping';
import { labelArtwork, labelCheck, labelContent, labelWords } from '@inch/core/label';
import { lotKeeping } from '@inch/core/lot';
import type { VesselShape } from '@inch/core/pan';
import { makingOf } from '@inch/core/planning';
import { parseQuantity, tokensOf } from '@inch/core/quantity';
import { entries } from '@inch/core/record';
import { emptySimulatedPan, pouredIn, simulatedBench } from '@inch/core/simulated';
import { artworkFor, roughly } from './label.ts';
import { letter, releasable, T } from './lot.ts';

/** A lot with all its evidence, and the formula it was made of: 4 kg of sour cherries, 2 kg of sugar. */
const lot = releasable();
const cherry: FormulaContent = lot.product.content;
const setting = { cup: 'us', catalogue: shippedCatalogue, elevationMetres: 0, criticalPh: 4.2 } as const;

/** A straight pan, 300 mm across and 150 mm high. */
const pan: VesselShape = {
  kind: 'frusta',
  frusta: [{ heightMm: 150, lowerDiameterMm: 300, upperDiameterMm: 300 }],
};

const jarred: ProcessedProduct = {
  kind: 'syrup',
  fruits: ['sour-cherry'],
  acids: [],
  thickeners: [],
  pieces: false,
  brix: 50,
  ph: 3.4,
  pack: 'hot',
  closure: 'two-piece-lid',
  nominalMl: 237,
  headspaceInches: 0.5,
  rated: ['boiling-water'],
};

/** Cooked, acid, closed hot and kept cold. */
const kept: HurdleFacts = {
  storage: 'cold',
  ph: 3.4,
  killStep: true,
  heatProcess: false,
  closedHot: true,
  sealChecked: false,
  cooledInTime: true,
  freshPieces: false,
  brix: 50,
  aceticPercent: 0,
  abv: 0,
  waterActivity: null,
  measuredWaterActivity: null,
} as HurdleFacts;

const label = labelContent(lot, lotKeeping(lot, { timeZone: 'UTC' }), {
  name: 'Low Bridge',
  place: 'Upland',
  rulePack: 'us',
  localStatement: '',
});

/** A sack of 1 kg of sugar, bought for 1.50. */
const sack = {
  id: 's1',
  code: 'S1',
  kind: 'ingredient',
  thing: 'sugar',
  quantity: 1000,
  costMinor: 150,
  gotOn: '2026-11-01',
  bestBy: null,
  leftBy: null,
  takings: [],
} as const;

/** A kitchen that makes the cherry syrup in half-pint jars. */
const kitchen = {
  formulas: [{ id: 'f', name: 'Sour cherry syrup', colour: '#8E1230', content: cherry }],
  containers: [{ id: 'jar', name: 'Half-pint jar', nominalMl: 237, closure: 'two-piece-lid' }],
  stock: [],
  packs: [],
  past: [],
  pans: [],
  setting,
  today: '2026-11-27',
  workshop: { cannerHolds: 7, cannerLoads: 2, kwhMinor: 28, handsHourMinor: 1200 },
};

/** A simulated bench at sea level with a litre of water in its pan, the burner off. */
const bench = pouredIn(simulatedBench(emptySimulatedPan(pan, 0)), shippedCatalogue.get('water'), 1000);

/** Names that the examples of the core may use besides what their own file exports. */
export const inExamples = {
  catalogue: shippedCatalogue,
  lot,
  cherry,
  setting,
  pan,
  letter,
  jarred,
  kept,
  label,
  T,
  sack,
  kitchen,
  bench,
  entries,
  forecast,
  lineAmounts,
  massOf,
  labelCheck,
  lotKeeping,
  makingOf,
  parseQuantity,
  tokensOf,
  emptySimulatedPan,
  nothing,
  ageingEvidence,
  labelArtwork,
  labelWords,
  artwork: artworkFor(),
  measure: roughly,
};
