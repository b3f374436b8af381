import { isPiece } from '../ingredient/index.ts';
import type { FormulaContent, FormulaStep } from './content.ts';
import type { SaidLine } from './said.ts';
import { type Texture, textureOf } from './texture.ts';

/** The lines that go in at a step, in the order in which they go in. */
export interface Pour {
  /** Null where there are no steps: all goes in at once. */
  step: FormulaStep | null;
  /** Places of the lines, those that cover the rest or fill the bottle last. */
  wanted: readonly number[];
  /** Whether one of them goes by the liquid that is in the pan before. */
  byYield: boolean;
}

/** How a formula's lines go into the pan: what is the same however much of each it is, found once for many walks. */
export interface Course {
  content: FormulaContent;
  lines: readonly SaidLine[];
  /** Where each line goes: into what runs, or among the pieces of its texture. */
  places: readonly ('liquid' | Texture)[];
  /** Place of a line by its id. */
  index: ReadonlyMap<string, number>;
  pours: readonly Pour[];
  /** NaN for each line: none is weighed yet. */
  open: readonly number[];
  /** Whether a line is said per bottle. */
  perBottle: boolean;
  /** Whether a step goes by how warm the pan is: sugar that does not dissolve stays in the cloth. */
  goesByWarmth: boolean;
}

/** What covers the rest goes in when the rest is in, and what fills the bottle after that. */
const lateness = ({ basis }: SaidLine): number =>
  basis.per === 'cover' ? 1 : basis.per === 'bottle' && basis.fills ? 2 : 0;

/** Place of the step that each line goes in at, by the place of the line; the first where it names none that is there. */
export function stepPlaces(content: FormulaContent): number[] {
  const order = new Map(content.steps.map((step, i) => [step.id, i]));
  return content.lines.map((line) => order.get(line.stepId ?? '') ?? 0);
}

/**
 * How a formula's lines go into the pan, step by step.
 * @param content the formula; @param lines its lines as read, in their order
 */
export function courseOf(content: FormulaContent, lines: readonly SaidLine[]): Course {
  const at = stepPlaces(content);
  const pourOf = (step: FormulaStep | null, place: number): Pour => {
    const wanted = lines.flatMap((_, i) => (at[i] === place ? [i] : []));
    return {
      step,
      wanted: wanted.sort((a, b) => lateness(lines[a]!) - lateness(lines[b]!)),
      byYield: wanted.some((i) => lines[i]!.basis.per === 'yield'),
    };
  };
  return {
    content,
    lines,
    places: lines.map((line) =>
      line.ingredient && isPiece(line.ingredient) ? textureOf(line.ingredient!, line.cut) : 'liquid',
    ),
    open: lines.map(() => Number.NaN),
    index: new Map(lines.map((line, i) => [line.lineId, i])),
    pours: content.steps.length > 0 ? content.steps.map(pourOf) : [pourOf(null, 0)],
    perBottle: lines.some((line) => line.basis.per === 'bottle' && line.value !== null),
    goesByWarmth: content.steps.some((step) => step.sugarStays === true),
  };
}
