import { type FormulaLine, type FormulaStep, readLine, type StepKind } from '@inch/core/formula';
import type { Open, RecipeLine } from '@inch/core/recipe';
import { useState } from 'react';
import { useCatalogue } from '../../data/catalogue.ts';
import { useSetting } from '../../data/useSetting.ts';
import { type Incoming, incomingDocument } from '../exchange/incoming.ts';

/** A line in review: what was read, what was chosen since, and what it still asks. */
export interface ReviewedLine {
  read: RecipeLine;
  line: FormulaLine;
  out: boolean;
  open: string | null;
  /** Its question can be answered by saying that it was read rightly. */
  mayStand: boolean;
}

/** Fields of a step whose change answers what is asked of it. */
const FIELDS: Record<Open['of'], readonly (keyof FormulaStep)[]> = {
  minutes: ['minutes'],
  celsius: ['celsius'],
  cloth: ['cloth'],
  mark: ['toFraction', 'toBrix', 'toCelsius', 'toThickness', 'minutes'],
  kind: ['kind'],
};

const EMPTY: ReadonlySet<string> = new Set();

const toggled = (set: ReadonlySet<string>, key: string): ReadonlySet<string> =>
  set.has(key) ? new Set([...set].filter((other) => other !== key)) : new Set([...set, key]);

const without = <T>(map: ReadonlyMap<string, T>, key: string): ReadonlyMap<string, T> =>
  new Map([...map].filter(([other]) => other !== key));

/** What was read put right before it is taken: words changed and read again, things chosen, lines and steps left out. */
export function useReview(first: Incoming) {
  const catalogue = useCatalogue();
  const setting = useSetting();
  const [incoming, setIncoming] = useState(first);
  const [chosen, setChosen] = useState<ReadonlyMap<string, string>>(new Map());
  const [settled, setSettled] = useState(EMPTY);
  const [out, setOut] = useState(EMPTY);
  const [kinds, setKinds] = useState<ReadonlyMap<string, StepKind>>(new Map());
  const [edits, setEdits] = useState<ReadonlyMap<string, Partial<FormulaStep>>>(new Map());
  const [moved, setMoved] = useState<ReadonlyMap<string, string>>(new Map());

  const lines = incoming.formulaLines.map((asRead, i): ReviewedLine => {
    const stepId = moved.get(asRead.id);
    const line = stepId ? { ...asRead, stepId } : asRead;
    const read = incoming.lines[i]!;
    const own = chosen.get(line.id);
    const known = own !== undefined || (line.ingredientId !== '' && settled.has(line.id));
    const open =
      known || (read.query === undefined && line.ingredientId !== '') ? null : (read.query ?? 'Which is it?');
    return {
      read,
      open,
      out: out.has(line.id),
      line: own === undefined ? line : { ...line, ingredientId: own },
      mayStand: open !== null && line.ingredientId !== '' && readLine(line, setting).value !== null,
    };
  });
  const steps = (incoming.steps ?? []).map((read) => {
    const { id } = read.step;
    const [kind, edit] = [kinds.get(id), edits.get(id)];
    const settledAll = kind !== undefined || settled.has(id);
    return {
      read,
      out: out.has(id),
      /** What its words leave open and nobody answered yet, by a press, a figure or another kind of step. */
      open: settledAll
        ? []
        : read.open.filter(({ of }) => !FIELDS[of].some((field) => edit && field in edit)),
      leftAsWords: settled.has(id),
      step: { ...read.step, ...(kind ? { kind } : {}), ...edit } as FormulaStep,
      /** Fields that were put right here: no word of the text is theirs any more. */
      own: new Set(Object.keys(edit ?? {})),
    };
  });

  /** A line whose question stands is taken without its ingredient: the formula asks for it again. */
  const takenLine = ({ line, open, mayStand }: ReviewedLine): FormulaLine =>
    open !== null && mayStand ? { ...line, ingredientId: '' } : line;
  const taken = (): Incoming => {
    const kept: FormulaStep[] = steps.filter((step) => !step.out).map(({ step }) => step);
    return {
      ...incoming,
      formulaLines: lines.filter((line) => !line.out).map(takenLine),
      ...(incoming.content
        ? { content: { ...incoming.content, steps: incoming.steps ? kept : incoming.content.steps } }
        : {}),
    };
  };

  return {
    incoming,
    lines,
    steps,
    taken,
    choose: (id: string, ingredientId: string) => setChosen(new Map([...chosen, [id, ingredientId]])),
    settle: (id: string) => setSettled(toggled(settled, id)),
    leaveOut: (id: string) => setOut(toggled(out, id)),
    setKind: (id: string, kind: StepKind) => setKinds(new Map([...kinds, [id, kind]])),
    /** Puts a field of a step right, or clears it. */
    edit: (id: string, part: Partial<FormulaStep>) => {
      // Under a minute nothing is killed, whatever was read before.
      const short = part.minutes !== undefined && part.minutes < 1 ? { killStep: false } : {};
      setEdits(new Map([...edits, [id, { ...edits.get(id), ...part, ...short }]]));
    },
    /** A line goes in at another step. */
    moveLine: (id: string, stepId: string) => setMoved(new Map([...moved, [id, stepId]])),
    /** The words of a line of the text changed: all of it is read again, choices for other lines are kept. */
    reword(number: number, text: string) {
      const { document } = incoming;
      if (!document) return;
      const ingredients = document.ingredients.map((line) =>
        line.number === number ? { ...line, text } : line,
      );
      const rows = incoming.pasted?.text.split('\n');
      if (rows) rows[number - 1] = text;
      const next = incomingDocument({ ...document, ingredients }, catalogue, rows?.join('\n'));
      setIncoming({ ...incoming, ...next });
      for (const line of incoming.lines)
        if (line.number === number) setChosen(without(chosen, `line${number}`));
    },
  };
}

export type Review = ReturnType<typeof useReview>;
