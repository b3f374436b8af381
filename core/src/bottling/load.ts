import type { LOAD_MARKS } from '../record/index.ts';

/** What happened to a load of the canner, in the order it did. */
export type LoadMarkKind = (typeof LOAD_MARKS)[number];
export interface LoadMark {
  kind: LoadMarkKind;
  /** ISO instant. */
  at: string;
}

/** Jars that stand in the canner together, with what their process asks. */
export interface CannerRun {
  /** ISO instant they went in. */
  at: string;
  requiredMinutes: number;
  restMinutes: number;
  marks: readonly LoadMark[];
}

export interface LoadClock {
  phase: 'coming to the boil' | 'at the boil' | 'boil stopped' | 'resting' | 'lifted';
  /** Seconds at a full boil without a break: counted from the last return to it. */
  boiledSeconds: number;
  /** Seconds of boil still to come; 0 when there are enough. */
  leftSeconds: number;
  /** How often the clock began anew because the boil stopped. */
  restarts: number;
  /** Seconds since the fire went off, and those the rest still asks; null before. */
  restedSeconds: number | null;
  restLeftSeconds: number | null;
}

const PHASES = {
  boil: 'at the boil',
  stopped: 'boil stopped',
  off: 'resting',
  lifted: 'lifted',
} as const;
const seconds = (from: string, to: string): number => Math.max(0, (Date.parse(to) - Date.parse(from)) / 1000);

/** What may happen to a load in each phase. */
const NEXT: Record<LoadClock['phase'], readonly LoadMarkKind[]> = {
  'coming to the boil': ['boil'],
  'at the boil': ['stopped', 'off'],
  'boil stopped': ['boil'],
  resting: ['lifted'],
  lifted: [],
};

/**
 * The clock of a load at an instant: it starts at the full boil, begins anew when the boil stops, and ends with the rest before lifting.
 * @param run with its marks in order; @param now ISO instant
 * @example loadClock({ at: T(0), requiredMinutes: 15, restMinutes: 5, marks: [{ kind: 'boil', at: T(0.5) }] }, T(0.6)) // { phase: 'at the boil', boiledSeconds: 360, leftSeconds: 540, restarts: 0 }
 */
export function loadClock(run: CannerRun, now: string): LoadClock {
  let phase: LoadClock['phase'] = 'coming to the boil';
  let since: string | null = null;
  let boiled = 0;
  let restarts = 0;
  let off: string | null = null;
  let lifted: string | null = null;
  for (const { kind, at } of [...run.marks].sort((a, b) => a.at.localeCompare(b.at))) {
    if (kind === 'boil') {
      if (phase === 'boil stopped') restarts += 1;
      since = at;
      boiled = 0;
    } else if (since) {
      boiled = seconds(since, at);
      since = null;
    }
    if (kind === 'stopped') boiled = 0;
    if (kind === 'off') off = at;
    if (kind === 'lifted') lifted = at;
    phase = PHASES[kind];
  }
  if (since) boiled = seconds(since, now);
  const rested = off === null ? null : seconds(off, lifted ?? now);
  return {
    phase,
    boiledSeconds: boiled,
    leftSeconds: Math.max(0, run.requiredMinutes * 60 - boiled),
    restarts,
    restedSeconds: rested,
    restLeftSeconds: rested === null ? null : Math.max(0, run.restMinutes * 60 - rested),
  };
}

/**
 * Why a mark is not taken of a load at an instant, with what to do instead; null where it is.
 * The fire stays on until the boil has lasted its time: else it is the boil that stopped.
 * @example whyNotMarked({ at: T(0), requiredMinutes: 15, restMinutes: 5, marks: [{ kind: 'boil', at: T(0.5) }] }, 'off', T(0.6)) // '9 min are still to come. If the boil stopped, say so, and the clock starts again.'
 */
export function whyNotMarked(run: CannerRun, kind: LoadMarkKind, at: string): string | null {
  const clock = loadClock(run, at);
  const last = run.marks.at(-1)?.at ?? run.at;
  if (at < last) return 'That is before what was marked of this load last. Check the hour.';
  if (!NEXT[clock.phase].includes(kind))
    return `This load is ${clock.phase}: ${kind === 'boil' ? 'a full boil' : kind} cannot be marked now.`;
  if (kind === 'off' && clock.leftSeconds > 0.5)
    return `${Math.ceil(clock.leftSeconds / 60)} min are still to come. If the boil stopped, say so, and the clock starts again.`;
  return null;
}
