/** A step of a plan: how long, what it needs while it lasts, and whether it follows at once. */
export interface PlannedStep {
  id: string;
  /** What it is called, where that is not its id. */
  title?: string;
  minutes: number;
  /** How much of which resource: a burner, a pan, the canner, hands. A step without hands needs nobody, through the night too. */
  needs: Readonly<Record<string, number>>;
  /** It cannot wait for the step before it: it begins the minute that ends. */
  atOnce?: boolean;
  /** The most minutes it may wait for the step before it: hot jars do not stand until the next day. */
  longestWait?: number;
  /** Somebody is in the kitchen while it lasts, though not with both hands at it: it is held to the hours as well. */
  attended?: boolean;
}

export interface PlannedLot {
  id: string;
  steps: readonly PlannedStep[];
  /** Not begun before this minute. */
  earliest?: number;
}

export interface PlanSetting {
  lots: readonly PlannedLot[];
  /** How much there is of each resource. */
  resources: Readonly<Record<string, number>>;
  /** When somebody is there, in minutes from the start of the plan, one after another. Steps that need hands lie wholly within one. */
  hours: readonly { from: number; to: number }[];
}

/** A step laid on the minutes. */
export interface LaidStep {
  lotId: string;
  stepId: string;
  from: number;
  to: number;
}

/** The resource whose steps are held to the hours. */
export const HANDS = 'hands';

/** Whether a step is done only while somebody is there. */
export const inHours = (step: PlannedStep): boolean => (step.needs[HANDS] ?? 0) > 0 || step.attended === true;

/** Whether a step is laid without a gap behind the one before it: so is what may wait for a while only. */
export const followsAtOnce = (step: PlannedStep): boolean =>
  step.atOnce === true || step.longestWait !== undefined;

/** Steps that go together without a gap. */
export interface Block {
  lot: number;
  place: number;
  steps: readonly PlannedStep[];
  minutes: number;
  /** Minutes that are still to come in its lot when it begins. */
  tail: number;
}

/** The blocks of a plan, each lot's in order. */
export function blocksOf(setting: PlanSetting): Block[][] {
  return setting.lots.map((lot, l) => {
    const groups: PlannedStep[][] = [];
    for (const step of lot.steps) {
      if (followsAtOnce(step) && groups.length > 0) groups.at(-1)!.push(step);
      else groups.push([step]);
    }
    const minutes = groups.map((g) => g.reduce((sum, s) => sum + s.minutes, 0));
    return groups.map((steps, place) => ({
      lot: l,
      place,
      steps,
      minutes: minutes[place]!,
      tail: minutes.slice(place).reduce((a, b) => a + b, 0),
    }));
  });
}

const hoursSaid = (minutes: number): string => `${(minutes / 60).toFixed(1).replace(/\.0$/, '')} h`;

/**
 * Refuses a chain of steps that follow at once and need somebody for longer than any day has hours: no plan holds it.
 * @throws RangeError naming the chain, how long it takes and how long the longest day is
 */
export function refuseLongChains(setting: PlanSetting, blocks: readonly Block[][]): void {
  const longest = setting.hours.reduce((most, h) => Math.max(most, h.to - h.from), 0);
  for (const { lot, steps } of blocks.flat()) {
    let chain: PlannedStep[] = [];
    for (const step of [...steps, null]) {
      if (step && inHours(step)) {
        chain.push(step);
        continue;
      }
      const minutes = chain.reduce((sum, s) => sum + s.minutes, 0);
      if (chain.length > 1 && minutes > longest)
        throw new RangeError(
          `${chain.map((s) => s.title ?? s.id).join(', then ')} follow each other at once in ${setting.lots[lot]!.id} and take ${hoursSaid(minutes)} together; the longest day in the kitchen has ${hoursSaid(longest)}. Make the lot smaller, or the hours longer`,
        );
      chain = [];
    }
  }
}

/** What is taken of each resource, as it is laid. */
export class Timetable {
  readonly laid: LaidStep[] = [];
  private readonly taken = new Map<string, { from: number; to: number; amount: number }[]>();
  private readonly setting: PlanSetting;

  constructor(setting: PlanSetting) {
    this.setting = setting;
  }

  /** The earliest minute from which on a block fits, its steps one upon another. */
  earliest(block: Block, from: number): number {
    let at = from;
    for (let guard = 0; guard < 100_000; guard++) {
      const next = this.blocked(block, at);
      if (next === null) return at;
      at = next;
    }
    throw new RangeError('No time was found: are the hours long enough for every step that needs hands?');
  }

  lay(block: Block, at: number): number {
    let from = at;
    const lot = this.setting.lots[block.lot]!;
    for (const step of block.steps) {
      const to = from + step.minutes;
      this.laid.push({ lotId: lot.id, stepId: step.id, from, to });
      for (const [name, amount] of Object.entries(step.needs)) {
        const list = this.taken.get(name) ?? [];
        list.push({ from, to, amount });
        this.taken.set(name, list);
      }
      from = to;
    }
    return from;
  }

  /** Null where the block fits at a minute; else the next minute worth trying. */
  private blocked(block: Block, at: number): number | null {
    let from = at;
    for (const step of block.steps) {
      const to = from + step.minutes;
      const moved = this.outOfHours(step, from, to) ?? this.overtaken(step, from, to);
      if (moved !== null) return at + (moved - from);
      from = to;
    }
    return null;
  }

  /** The start of the next hours that hold a step, where these do not. */
  private outOfHours(step: PlannedStep, from: number, to: number): number | null {
    if (!inHours(step)) return null;
    const { hours } = this.setting;
    if (hours.some((h) => h.from <= from && to <= h.to)) return null;
    const next = hours.find((h) => h.from > from && h.to - h.from >= step.minutes);
    if (!next) throw new RangeError(`There are no hours left for ${step.id}, ${step.minutes} minutes long`);
    return next.from;
  }

  /** When the first of what stands in the way ends, where a resource is over what there is. */
  private overtaken(step: PlannedStep, from: number, to: number): number | null {
    for (const [name, amount] of Object.entries(step.needs)) {
      const there = this.setting.resources[name] ?? 0;
      if (amount > there)
        throw new RangeError(`${step.id} needs ${amount} of ${name}, and there is ${there}`);
      const over = (this.taken.get(name) ?? []).filter((t) => t.from < to && t.to > from);
      const most = peak(over, from, to);
      if (most + amount > there) return Math.min(...over.map((t) => t.to));
    }
    return null;
  }
}

function peak(
  list: readonly { from: number; to: number; amount: number }[],
  from: number,
  to: number,
): number {
  let most = 0;
  for (const start of [from, ...list.map((t) => t.from).filter((f) => f > from && f < to)]) {
    const now = list.reduce((sum, t) => (t.from <= start && t.to > start ? sum + t.amount : sum), 0);
    most = Math.max(most, now);
  }
  return most;
}
