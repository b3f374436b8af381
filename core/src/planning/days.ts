import type { FormulaContent, FormulaStep } from '../formula/index.ts';
import { minutesOf } from './memory.ts';
import type { PastLot } from './past.ts';
import { HANDS, type PlannedLot, type PlannedStep } from './timetable.ts';

/** What the hours are shared over, besides hands. */
export const BURNER = 'burner';
export const CANNER = 'canner';
/**
 * Name of the resource that a pan is on a plan's hours.
 * @param panId id of the pan
 * @example panResource('wide') // 'pan wide'
 */
export const panResource = (panId: string): string => `pan ${panId}`;

/** A step as it is laid on the day: with its words, and from how many lots its time is learned. */
export interface DayStep extends PlannedStep {
  title: string;
  kind: FormulaStep['kind'] | 'label' | 'ready';
  /** From how many past lots its minutes are learned; 0 where they are the formula's own. */
  learned: number;
}

export interface DayLot extends PlannedLot {
  steps: readonly DayStep[];
}

export interface DayMaking {
  id: string;
  formulaId: string;
  content: FormulaContent;
  scale: number;
  /** kg of its main fruit. */
  kg: number;
  bottles: number;
  /** The pan it is cooked in; null where none is measured. */
  panId: string | null;
  /** Bottles the canner takes at a time. */
  cannerHolds: number;
}

const WAITING = 120;
/** Minutes a bottle: filled and closed; its seal looked at, washed and labelled. */
const [FILL_EACH, LABEL_EACH] = [1.5, 1];
/** Filled hot, a jar waits for the canner as long as a load takes to come out and the next to go in, and no longer. */
const LONGEST_WAIT = 30;
/** Bottles out of the canner stand undisturbed for twelve hours at least. */
const UNDISTURBED = 720;

const toFive = (minutes: number) => Math.max(5, Math.round(minutes / 5) * 5);

type Needs = Pick<DayStep, 'needs' | 'attended'>;

/** What a step of a formula needs while it lasts. A pot that simmers or reduces wants somebody at home, not both hands. */
function needsOf(step: FormulaStep, minutes: number, panId: string | null): Needs {
  const pan = panId === null ? {} : { [panResource(panId)]: 1 };
  const waits = { needs: {} };
  const hands = { needs: { [HANDS]: 1 } };
  switch (step.kind) {
    case 'draw':
      if (step.method === 'cooked') return { needs: { [BURNER]: 1, ...pan }, attended: true };
      return minutes >= WAITING || step.method === 'infused' ? waits : hands;
    case 'reduce':
      return { needs: { [BURNER]: 1, ...pan }, attended: true };
    case 'heat':
      return { needs: { [HANDS]: 1, [BURNER]: 1, ...pan } };
    case 'strain':
      return minutes >= WAITING || step.cloth === 'drip' ? waits : hands;
    case 'rest':
      return waits;
    case 'process':
      return { needs: { [CANNER]: 1, [BURNER]: 1 }, attended: true };
    default:
      return hands;
  }
}

const handsStep = (id: string, kind: DayStep['kind'], title: string, minutes: number): DayStep => ({
  id,
  kind,
  title,
  minutes: toFive(minutes),
  needs: { [HANDS]: 1 },
  learned: 0,
});

const FILLING = 'filling';

/** The filling that a formula leaves to the kitchen: before what is processed, else at the end. */
const fillingOf = (bottles: number, atOnce: boolean): DayStep => ({
  ...handsStep(FILLING, 'fill', 'Fill the bottles', bottles * FILL_EACH),
  atOnce,
});

/** One load of the canner after another, each as long as the formula says. */
function loadsOf(step: DayStep, bottles: number, holds: number): DayStep[] {
  const loads = Math.max(1, Math.ceil(bottles / Math.max(1, holds)));
  return Array.from({ length: loads }, (_, i) => ({
    ...step,
    id: i === 0 ? step.id : `${step.id} ${i + 1}`,
    title: loads === 1 ? step.title : `${step.title}, load ${i + 1} of ${loads}`,
    // The first load goes in hot from the filling; the jars of the next wait for the canner, and not for long.
    ...(i === 0 ? { atOnce: true } : { longestWait: LONGEST_WAIT }),
  }));
}

/**
 * The steps of a making as they are laid on the days, each with its learned minutes and what it needs. Filling, the canner's loads,
 * the cooling day and the labelling are put in where the formula leaves them to the kitchen.
 * @param making a formula at its size; @param past the kitchen's past lots
 * @example dayLot({ id: 'lot', formulaId: 'f', content: cherry, scale: 1, kg: 4, bottles: 12, panId: null, cannerHolds: 7 }, []).steps.length // 4
 */
export function dayLot(making: DayMaking, past: readonly PastLot[]): DayLot {
  const { content, bottles } = making;
  const steps: DayStep[] = [];
  const hasFill = content.steps.some((s) => s.kind === 'fill');
  for (const step of content.steps) {
    const { minutes, lots } = minutesOf(step, making, past, making.formulaId);
    const long = toFive(minutes);
    const laid: DayStep = {
      id: step.id,
      title: step.title,
      kind: step.kind,
      minutes: long,
      learned: lots,
      ...needsOf(step, long, making.panId),
    };
    if (step.kind === 'process') {
      if (!hasFill && !steps.some((s) => s.id === FILLING)) steps.push(fillingOf(bottles, steps.length > 0));
      steps.push(...loadsOf(laid, bottles, making.cannerHolds));
    } else steps.push(step.kind === 'fill' ? { ...laid, atOnce: steps.length > 0 } : laid);
  }
  if (!hasFill && content.steps.length > 0 && !steps.some((s) => s.id === FILLING))
    steps.push(fillingOf(bottles, true));
  if (content.steps.some((s) => s.kind === 'process'))
    steps.push({
      id: 'undisturbed',
      kind: 'rest',
      title: 'Cool undisturbed',
      minutes: UNDISTURBED,
      needs: {},
      learned: 0,
    });
  steps.push(handsStep('labelling', 'label', 'Check, wash and label', bottles * LABEL_EACH));
  if (content.readyDays)
    steps.push({
      id: 'ready',
      kind: 'ready',
      title: 'Until it is any good',
      minutes: content.readyDays * 1440,
      needs: {},
      learned: 0,
    });
  return { id: making.id, steps };
}

/** A quarter of the time that somebody only has to be there for is counted as work. */
const MINDING = 1 / 4;

/** Minutes of hands that a step asks for. */
const handsOf = (step: DayStep): number =>
  (step.needs[HANDS] ?? 0) > 0 ? step.minutes : step.attended ? step.minutes * MINDING : 0;

/**
 * Minutes of hands that some steps ask for.
 * @example handsMinutesOf([{ id: 'stone', minutes: 40, needs: { hands: 1 } }]) // 40
 */
export const handsMinutesOf = (steps: readonly DayStep[]): number =>
  steps.reduce((sum, s) => sum + handsOf(s), 0);

/**
 * The steps that take most of the hands, the longest first: by their words, of several lots together. @param most how many
 * @example hardestOf([{ title: 'Stone', minutes: 40, needs: { hands: 1 } }, { title: 'Drip', minutes: 120, needs: {} }], 1) // [{ title: 'Stone', minutes: 40 }]
 */
export function hardestOf(steps: readonly DayStep[], most: number): { title: string; minutes: number }[] {
  const minutes = new Map<string, number>();
  for (const s of steps) minutes.set(s.title, (minutes.get(s.title) ?? 0) + handsOf(s));
  return [...minutes]
    .map(([title, m]) => ({ title, minutes: m }))
    .filter((s) => s.minutes > 0)
    .sort((a, b) => b.minutes - a.minutes)
    .slice(0, most);
}
