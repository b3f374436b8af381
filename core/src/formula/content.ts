import type { Ingredient } from '../ingredient/index.ts';
import type { Storage } from '../keeping/index.ts';
import type { Fire } from '../pan/index.ts';
import type { OwnMeasure } from '../quantity/index.ts';
import type { Thickness } from '../sugar/index.ts';
import type { ExtractionMethod, StrainMethod } from './methods.ts';

export type FormulaKind = 'syrup' | 'cordial' | 'shrub' | 'concentrate';

export type StepKind =
  | 'prepare'
  | 'draw'
  | 'strain'
  | 'add'
  | 'reduce'
  | 'heat'
  | 'measure'
  | 'fill'
  | 'process'
  | 'rest';

/** What a line's amount is told by: an amount that is no share is for `each` of what it follows, as it was said ("1 pint"; a kg or a litre where absent). The batch, another line, the liquid in the pan when it goes in, or each bottle. */
export type Basis =
  | { per: 'batch' }
  | { per: 'line'; lineId: string; by: 'weight' | 'volume'; each?: string | undefined }
  | { per: 'yield'; by: 'weight' | 'volume'; each?: string | undefined }
  /** In each bottle of so many mL; of the formula's own size where it is not said. */
  | {
      per: 'bottle';
      ml?: number | undefined;
      /** As much as fills it, with all else in it, to its headspace. */
      fills?: true | undefined;
    }
  /** As much as covers what is in the pan when it goes in. */
  | { per: 'cover' };

/** A line as the cook says it. It goes into the pan at its step; without one, at the first. */
export interface FormulaLine {
  id: string;
  said: string;
  ingredientId: string;
  stepId?: string | undefined;
  /** Absent: per batch. */
  basis?: Basis | undefined;
  /** What else would do in its place, by its own words. */
  or?: { said: string; ingredientId: string }[] | undefined;
  /** It may be left out. */
  optional?: boolean | undefined;
  /** Part of the recipe it stands under, "for the syrup". */
  heading?: string | undefined;
}

export interface FormulaStep {
  id: string;
  kind: StepKind;
  title: string;
  minutes?: number | undefined;
  /** Prepare: share left after trimming. Strain: share of the liquid that comes through. 0–1. */
  keeps?: number | undefined;
  /** Draw: how the flavour is drawn. */
  method?: ExtractionMethod | undefined;
  /** Draw: share of what is in the fruit that comes out, 0–1; the method's typical one where absent. */
  draws?: number | undefined;
  /** Strain: pressed for yield, left to drip, or filtered clear. */
  cloth?: StrainMethod | undefined;
  /** Strain: the liquid is thrown away, and what was soaked in it goes on. */
  liquidAway?: boolean | undefined;
  /** Strain: sugar that did not dissolve stays in the cloth; it is stirred in where absent. */
  sugarStays?: boolean | undefined;
  /** Draw, heat: temperature held, °C; the method's own where absent. */
  celsius?: number | undefined;
  /** Draw, heat: whether water boils off. */
  lidOff?: boolean | undefined;
  /** The lid half on. */
  lidHalf?: boolean | undefined;
  /** How high the fire is; medium where absent. */
  fire?: Fire | undefined;
  /** Water boiled off, g a minute; by pan, fire and lid where absent. */
  evaporates?: number | undefined;
  /** Reduce: °Bx to stop at. Without any mark to stop at it goes by its minutes. */
  toBrix?: number | undefined;
  /** Reduce: part of the volume to stop at, 0–1. */
  toFraction?: number | undefined;
  /** Reduce: temperature of the boil to stop at, °C. */
  toCelsius?: number | undefined;
  /** Reduce: how thick it looks when it is done. */
  toThickness?: Thickness | undefined;
  /** The whole liquid reaches 90 °C or boils for a minute here. */
  killStep?: boolean | undefined;
  /** Minutes by which it may end early or late before that is marked; a fifth of its time where absent. */
  toleranceMinutes?: number | undefined;
  /** What to do again and again while its clock runs, and every how many minutes: "stir", every 5. */
  prompt?: string | undefined;
  promptEvery?: number | undefined;
  /** It is kept under the boil: the thermometer is watched. */
  neverBoil?: boolean | undefined;
}

/** What the maker wants it to come out at; the forecast says how likely that is. */
export interface Targets {
  ph?: number | undefined;
  brix?: number | undefined;
  bottles?: number | undefined;
}

/** How a product is made: what a formula version holds, never changed once saved. */
export interface FormulaContent {
  lines: FormulaLine[];
  steps: FormulaStep[];
  storage: Storage;
  /** Net contents of the bottle it is meant for, mL at 20 °C. */
  bottleMl: number;
  /** Headspace left in it, mL, as it is filled. */
  headspaceMl?: number | undefined;
  /** Width of the pan it is cooked in, mm; one usual for its batch where absent. */
  panMm?: number | undefined;
  /** Bottles the batch is for, where its lines are said per bottle. */
  bottles?: number | undefined;
  /** Heat process meant for it, by id; empty for none. */
  processId?: string | undefined;
  /** Source of the kitchen's own heat process, where none of the shipped ones is meant. */
  processSource?: string | undefined;
  /** How it is used, for the label: "1 part to 5 of water". */
  dilution?: string | undefined;
  /** Parts of water to one of it in the drink. */
  waterParts?: number | undefined;
  /** Days from filling until it is any good. */
  readyDays?: number | undefined;
  /** Where it comes from: title, edition, and what was changed from it. */
  source?: string | undefined;
  edition?: string | undefined;
  changed?: string | undefined;
  targets?: Targets | undefined;
  /** The kitchen's own entries and measures that its lines use, as they stood when it was saved. */
  own?: { ingredients: Ingredient[]; measures: OwnMeasure[] } | undefined;
}
