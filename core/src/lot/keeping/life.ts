import type { Warmth } from '../../place/index.ts';
import { cooledIn } from '../gate/cooled.ts';
import { type BottlingEntry, type LotRecord, type Movement, movesOf, standing } from '../record.ts';
import { LEAVES } from './bottles.ts';
import { countsFrom, ownStretches, pieces, placesOf, type Standing, stretchesIn } from './stand.ts';

const HOUR = 3_600_000;

/** An instant after everything that is written: what bottles come to where nothing changes. */
export const EVER = '2999-12-31T00:00:00.000Z';

/** Hours over 5 °C, in all, that discard a kind which keeps 3 or 7 days. */
export const WARM_HOURS = 2;

/** The life of the bottles of a filling that stand in one place: of several that were put together, of the one that fared worst. */
export interface BottleLife {
  bottlingId: string;
  /** Where they stand, as it was written first. */
  place: string;
  count: number;
  /** Of them kept back, or come back from somebody: neither is sold or given. */
  keptBack: number;
  cameBack: number;
  /** Hours since they were chilled, up to the instant that is asked for; and those since they were thawed, warm or cold. */
  hours: Record<Warmth | 'thawed', number>;
  /** When their hours over 5 °C came, or will come where nothing changes, to more than two; null while they do not. */
  tooWarmAt: string | null;
  /** When they went into the freezer first, and when they were thawed; null where they were not. */
  frozenAt: string | null;
  thawedAt: string | null;
}

interface Group {
  place: string;
  standing: Standing;
  count: number;
  keptBack: number;
  cameBack: number;
  /** Up to when its hours are counted, ms. */
  upTo: number;
  hours: Record<Warmth, number>;
  tooWarmAt: number | null;
  frozenAt: number | null;
  thawedAt: number | null;
  /** Since when what was frozen is not, ms; null while it is. */
  softSince: number | null;
  freezer: boolean;
  /** Whether its hours are counted: not of what stands on the shelf, where no hour tells. */
  counted: boolean;
}

const earlier = (a: number | null, b: number | null): number | null =>
  a === null ? b : b === null ? a : Math.min(a, b);
const later = (a: number | null, b: number | null): number | null =>
  a === null || b === null ? null : Math.max(a, b);

/** Adds hours of one warmth, and notes when those over 5 °C come to more than two. */
function add(group: Group, warmth: Warmth, from: number, to: number): void {
  const before = group.hours[warmth];
  const left = WARM_HOURS * HOUR - before * HOUR;
  if (warmth === 'warm' && group.tooWarmAt === null && to - from > left + 1)
    group.tooWarmAt = from + Math.max(0, left);
  group.hours[warmth] = before + (to - from) / HOUR;
}

/** Follows what was frozen: out of a freezer it is thawed at once, in one that is too warm after two hours. */
function soften(group: Group, warmth: Warmth, from: number, to: number): void {
  if (warmth === 'frozen') {
    group.frozenAt ??= from;
    group.softSince = null;
    return;
  }
  if (group.frozenAt === null || group.thawedAt !== null) return;
  group.softSince ??= from;
  if (!group.freezer || to - group.softSince > WARM_HOURS * HOUR) group.thawedAt = group.softSince;
}

/** Counts the hours of a group up to an instant. */
function live(group: Group, to: number): void {
  if (to <= group.upTo || !group.counted) return;
  for (const piece of pieces(group.standing, group.upTo, to)) {
    add(group, piece.warmth, piece.from, piece.to);
    soften(group, piece.warmth, piece.from, piece.to);
  }
  group.upTo = to;
}

/** Lays the life of some bottles over that of those they are put to: nobody can tell them apart, so that the worse of each counts. */
function join(into: Group, from: Group): void {
  for (const warmth of ['warm', 'cold', 'frozen'] as const)
    into.hours[warmth] = Math.max(into.hours[warmth], from.hours[warmth]);
  into.tooWarmAt = earlier(into.tooWarmAt, from.tooWarmAt);
  into.frozenAt = later(into.frozenAt, from.frozenAt);
  into.thawedAt = earlier(into.thawedAt, from.thawedAt);
  into.softSince = earlier(into.softSince, from.softSince);
}

/** When a filling was chilled: its hours to the cold are judged by the cooling, and those after it are its life. */
function chilledAt(lot: LotRecord, bottling: BottlingEntry): number {
  const filled = Date.parse(bottling.at);
  if (lot.storage === 'shelf') return filled;
  const { to5, stood } = cooledIn(lot, bottling);
  return to5 === null ? filled : filled + (to5 - stood) * HOUR;
}

class Replay {
  readonly groups = new Map<string, Group>();
  private readonly of: (name: string) => string;
  private readonly lot: LotRecord;
  private readonly bottling: BottlingEntry;
  private readonly from: number;
  private readonly stretches = new Map<string, ReturnType<typeof stretchesIn>>();

  constructor(lot: LotRecord, bottling: BottlingEntry) {
    this.lot = lot;
    this.bottling = bottling;
    this.of = placesOf(lot);
    this.from = chilledAt(lot, bottling);
  }

  private fresh(place: string, at: number): Group {
    const own = ownStretches(this.lot, this.bottling, this.from);
    const key = this.of(place);
    const there = this.stretches.get(key) ?? stretchesIn(this.lot, this.bottling.id, place);
    this.stretches.set(key, there);
    return {
      place,
      standing: { place: there, own },
      count: 0,
      keptBack: 0,
      cameBack: 0,
      upTo: Math.max(at, this.from),
      hours: { warm: 0, cold: 0, frozen: 0 },
      tooWarmAt: null,
      frozenAt: null,
      thawedAt: null,
      softSince: null,
      freezer: there.some((s) => s.warmth === 'frozen'),
      counted: this.lot.storage !== 'shelf',
    };
  }

  /** Bottles that leave a group, with what of them is kept back or came back: those go last. */
  private take(group: Group, m: Movement): { keptBack: number; cameBack: number } {
    const plain = Math.max(0, group.count - group.keptBack - group.cameBack);
    const own = m.kind === 'opened' || m.kind === 'tasted' ? Math.min(group.keptBack, m.count) : 0;
    const over = Math.max(0, m.count - own - plain);
    const keptBack = own + Math.min(group.keptBack - own, over);
    const cameBack = Math.min(group.cameBack, m.count - keptBack - Math.min(plain, m.count - own));
    group.count -= m.count;
    group.keptBack -= keptBack;
    group.cameBack -= Math.max(0, cameBack);
    return { keptBack, cameBack: Math.max(0, cameBack) };
  }

  /** Hours that bottles may have stood warmer than where they are said to have stood meanwhile: a move that is written down late wins nothing. */
  private meanwhile(moved: Group, into: Group, said: number, credited: number): void {
    if (this.lot.storage === 'shelf' || credited <= said) return;
    const from = Math.max(said, this.from);
    if (credited <= from) return;
    for (const piece of pieces(into.standing, from, credited)) {
      if (piece.warmth !== 'warm') continue;
      for (const there of pieces(moved.standing, piece.from, piece.to))
        if (there.warmth !== 'warm') add(moved, 'warm', there.from, there.to);
    }
    if (moved.frozenAt !== null && !into.freezer) moved.thawedAt = earlier(moved.thawedAt, from);
  }

  /** Whether the bottles of a move stand where it takes them from. */
  private isThere(m: Movement): boolean {
    return m.from === null || (this.groups.get(this.of(m.from))?.count ?? 0) >= m.count;
  }

  /** Every move in its order; one that is dated before its bottles came waits until they are there. */
  all(moves: readonly { m: Movement; credited: number }[]): void {
    let waiting: { m: Movement; credited: number }[] = [];
    for (const next of moves) {
      waiting.push(next);
      for (
        let ready = waiting.find((w) => this.isThere(w.m));
        ready;
        ready = waiting.find((w) => this.isThere(w.m))
      ) {
        const { m, credited } = ready;
        waiting = waiting.filter((w) => w.m !== m);
        this.move(m, Math.max(credited, next.credited));
      }
    }
    const last = moves.at(-1)?.credited ?? 0;
    for (const { m } of waiting) this.move(m, last);
  }

  move(m: Movement, credited: number): void {
    const from = m.from === null ? undefined : this.groups.get(this.of(m.from));
    if (from) live(from, credited);
    const taken = from ? this.take(from, m) : { keptBack: 0, cameBack: 0 };
    if (m.to === null || LEAVES.has(m.kind)) {
      if (from && from.count <= 0) this.groups.delete(this.of(m.from!));
      return;
    }
    const key = this.of(m.to);
    const into = this.groups.get(key);
    const arriving = this.fresh(into?.place ?? m.to, credited);
    if (from) {
      const moved = { ...from, hours: { ...from.hours } };
      this.meanwhile(moved, arriving, Date.parse(m.at), credited);
      join(arriving, { ...moved, frozenAt: moved.frozenAt });
      arriving.frozenAt = moved.frozenAt;
      arriving.softSince = moved.softSince;
    }
    if (m.kind === 'thawed')
      arriving.thawedAt = earlier(arriving.thawedAt, Math.max(Date.parse(m.at), this.from));
    if (from && from.count <= 0 && from !== into) this.groups.delete(this.of(m.from!));
    this.settle(key, arriving, m, taken, credited);
  }

  /** Puts what arrives to what stands there. */
  private settle(
    key: string,
    arriving: Group,
    m: Movement,
    taken: { keptBack: number; cameBack: number },
    credited: number,
  ): void {
    const into = this.groups.get(key);
    if (into && into.count > 0) {
      live(into, credited);
      // What came back is told apart: it is neither sold nor given, and the others are as they were.
      if (m.kind !== 'returned') join(into, arriving);
    } else this.groups.set(key, arriving);
    const group = this.groups.get(key)!;
    group.count += m.count;
    group.keptBack += m.kind === 'retained' ? m.count - taken.cameBack : taken.keptBack;
    group.cameBack += m.kind === 'returned' ? m.count : taken.cameBack;
  }
}

const iso = (ms: number | null): string | null => (ms === null ? null : new Date(ms).toISOString());

/** Movements of a filling in the order in which they count. */
function inOrder(lot: LotRecord, bottlingId: string): { m: Movement; credited: number }[] {
  return movesOf(lot)
    .filter((m) => m.bottlingId === bottlingId)
    .map((m) => ({ m, credited: Date.parse(countsFrom(m, lot)) }))
    .sort((a, b) => a.credited - b.credited || a.m.recordedAt.localeCompare(b.m.recordedAt));
}

/** Time that is looked ahead for bottles that stand warm, ms. */
const AHEAD = 400 * 24 * HOUR;

function livesOf(lot: LotRecord, bottling: BottlingEntry, asOf: string): BottleLife[] {
  const replay = new Replay(lot, bottling);
  const now = Date.parse(asOf);
  replay.all(inOrder(lot, bottling.id));
  return [...replay.groups.values()].map((group) => {
    live(group, now);
    const { place, count, keptBack, cameBack, hours, frozenAt, thawedAt } = group;
    const ahead = { ...group, hours: { ...hours } };
    live(ahead, now + AHEAD);
    return {
      bottlingId: bottling.id,
      place,
      count,
      keptBack,
      cameBack,
      hours: { ...hours, thawed: thawedAt === null ? 0 : Math.max(0, now - thawedAt) / HOUR },
      tooWarmAt: iso(ahead.tooWarmAt),
      frozenAt: iso(frozenAt),
      thawedAt: iso(thawedAt),
    };
  });
}

/**
 * The life of a lot's bottles, by place: how long they stood warm, cold and frozen, through every move, from all readings and movements as they stand, whichever
 * was written first. What nobody can tell apart has the worse of both; a move written down late wins nothing for the time before.
 * @param lot its record, with the readings of the places its bottles stood in; @param asOf ISO instant up to which hours are counted
 * @returns a group for each filling and place with bottles in it
 * @example bottleLives(lot, T(100))[0].count // 12
 */
export const bottleLives = (lot: LotRecord, asOf: string): BottleLife[] =>
  standing(lot.bottlings)
    .flatMap((b) => livesOf(lot, b, asOf))
    .filter((life) => life.count !== 0);
