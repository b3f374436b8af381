import type { FormulaContent, FormulaStep, ReadListLine } from '../formula/index.ts';
import type { WordRead } from '../line/index.ts';
import type { Keeps } from './ending.ts';
import type { Joined, SaidField } from './joined.ts';
import type { Open } from './open.ts';

/** A line of a recipe: what was read of it, the step it goes in at, and the part it stands under. */
export interface RecipeLine extends ReadListLine {
  stepId?: string;
  /** The method does not name it: it goes in at the first step that anything goes in at. */
  unplaced?: true;
  heading?: string;
  /** What was said or asked for first, where another amount or thing was used. */
  before?: string;
}

/** A step of a recipe beside the text it came from. */
export interface RecipeStep {
  step: FormulaStep;
  /** The words it was read from. */
  text: string;
  /** Line of the pasted text. */
  number: number;
  /** Its words say no kind of step that is known: it keeps them. */
  unread?: true;
  /** What its words leave open, where the answer changes the product: the questions, one after another. */
  ask?: string;
  /** The same, each with what may answer it. */
  open: Open[];
  /** Minutes that were told first, where it took others. */
  before?: number;
  /** Its words joined to the fields they were read as; the others are kept as words. */
  joined: Joined[];
}

/** A recipe read: nothing is invented, and what was not understood keeps its words. */
export interface RecipeRead {
  name?: string;
  lines: RecipeLine[];
  steps: RecipeStep[];
  storage: FormulaContent['storage'];
  /** What is neither line nor step: yields, times, notes. */
  others: string[];
  /** Every word of the pasted text, each in one place. */
  words: PlacedWord[];
  /** How long the recipe says that it keeps: shown beside what the program finds, and decides nothing. */
  keeps?: Keeps;
}

/** Where a word of a pasted text stands: in one place and no other. */
export type WordPlace =
  | { of: 'name' }
  /** A heading, a bullet, the number of a step. */
  | { of: 'layout' }
  /** Used by a line, as its amount, its thing or another part of it. */
  | { of: 'line'; id: string; as: WordRead['as'] }
  /** In the words of a step; used for a field of it, or kept as its own words. */
  | { of: 'step'; id: string; field?: SaidField }
  /** Beside it: yields, keeping times, notes. */
  | { of: 'note' }
  /** Neither a thing nor done: set aside. */
  | { of: 'talk' };

/** A word or figure of a pasted text, with its place in the text and where it stands. */
export interface PlacedWord {
  text: string;
  start: number;
  end: number;
  in: WordPlace;
}
