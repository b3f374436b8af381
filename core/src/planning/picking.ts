/** A part of a picking that will not wait longer than a day. */
export interface Ripeness {
  id: string;
  grams: number;
  /** Last day it can be worked, as in 2026-11-27. */
  until: string;
}

/** Something a picking may be made into. */
export interface PickingUse {
  id: string;
  /** Day it would be worked. */
  on: string;
  /** What a kilo of the fruit earns there, in minor units. */
  marginPerKgMinor: number;
  /** Less is not worth the making; more is not wanted. g. */
  least: number;
  most: number;
}

export interface Share {
  useId: string;
  ripenessId: string;
  grams: number;
}

export interface Divided {
  shares: Share[];
  /** g of each ripeness that no use takes and the freezer does. */
  frozen: { ripenessId: string; grams: number }[];
  /** g that neither takes: it has to be given away, or it is lost. */
  over: number;
  marginMinor: number;
}

const MOST_USES = 12;

/** Puts grams of the fruit into uses in the order given, the soonest-going fruit that still does first; null where one's least is not reached. */
function filled(
  parts: readonly Ripeness[],
  uses: readonly (PickingUse & { grams: number })[],
): Share[] | null {
  const left = new Map(parts.map((p) => [p.id, p.grams]));
  const soonest = [...parts].sort((a, b) => a.until.localeCompare(b.until));
  const shares: Share[] = [];
  for (const use of [...uses].sort((a, b) => a.on.localeCompare(b.on))) {
    let wanted = use.grams;
    for (const part of soonest) {
      if (part.until < use.on || wanted <= 1e-9) continue;
      const grams = Math.min(left.get(part.id)!, wanted);
      if (grams <= 1e-9) continue;
      left.set(part.id, left.get(part.id)! - grams);
      shares.push({ useId: use.id, ripenessId: part.id, grams });
      wanted -= grams;
    }
    if (wanted > 1e-6) return null;
  }
  return shares;
}

/** The most a use can still be given beside what the others have. */
function mostMore(
  parts: readonly Ripeness[],
  given: readonly (PickingUse & { grams: number })[],
  use: PickingUse,
): number {
  const own = given.find((g) => g.id === use.id)!;
  // By each day, what is worked from then on may not be more than the fruit that lasts until then.
  const days = [...new Set(given.map((g) => g.on))].filter((d) => d <= use.on);
  const room = days.map((day) => {
    const lasts = parts.filter((p) => p.until >= day).reduce((sum, p) => sum + p.grams, 0);
    const worked = given.filter((g) => g.on >= day).reduce((sum, g) => sum + g.grams, 0);
    return lasts - worked;
  });
  return Math.max(0, Math.min(use.most - own.grams, ...room));
}

interface Freezer {
  /** g it has room for. */
  room: number;
  /** What a kilo frozen is worth, in minor units. */
  marginPerKgMinor: number;
}

/** The best that the chosen uses give, each between its least and its most, the dearest first; null where their least cannot all be had. */
function bestOf(parts: readonly Ripeness[], chosen: readonly PickingUse[], freezer: Freezer): Share[] | null {
  const whole = parts.reduce((sum, p) => sum + p.grams, 0);
  let given = chosen.map((use) => ({ ...use, grams: use.least }));
  if (filled(parts, given) === null) return null;
  for (const use of [...chosen].sort((a, b) => b.marginPerKgMinor - a.marginPerKgMinor)) {
    const left = whole - given.reduce((sum, g) => sum + g.grams, 0);
    // What earns less than the freezer takes only what the freezer has no room for.
    const worth = use.marginPerKgMinor > freezer.marginPerKgMinor ? left : Math.max(0, left - freezer.room);
    if (use.marginPerKgMinor <= 0) continue;
    const more = Math.min(worth, mostMore(parts, given, use));
    given = given.map((g) => (g.id === use.id ? { ...g, grams: g.grams + more } : g));
  }
  return filled(parts, given);
}

/**
 * Divides a picking over what may be made of it and the freezer, so that it earns most: each use between its least and its most, or
 * not at all, from fruit that lasts until its day; the freezer takes the rest up to its room. Exact over at most 12 uses.
 * @param picking the fruit by how long it will wait, g; the uses; what the freezer has room for in g and earns a kilo in minor units
 * @throws RangeError on over 12 uses, or a most under a least
 * @example dividePicking({ parts: [{ id: 'ripe', grams: 1000, until: '2026-11-30' }], uses: [{ id: 'shrub', on: '2026-11-28', marginPerKgMinor: 300, least: 0, most: 5000 }], freezer: { room: 0, marginPerKgMinor: 0 } }).marginMinor // 300
 */
export function dividePicking(picking: {
  parts: readonly Ripeness[];
  uses: readonly PickingUse[];
  freezer: Freezer;
}): Divided {
  const { parts, uses, freezer } = picking;
  if (uses.length > MOST_USES)
    throw new RangeError(`At most ${MOST_USES} uses are weighed against each other`);
  for (const use of uses)
    if (!(use.least >= 0 && use.most >= use.least))
      throw new RangeError(
        `Of ${use.id} at least ${use.least} g and at most ${use.most} g: the most is the smaller`,
      );
  let best: Divided | null = null;
  for (let set = 0; set < 1 << uses.length; set++) {
    const shares = bestOf(
      parts,
      uses.filter((_, i) => set & (1 << i)),
      freezer,
    );
    if (!shares) continue;
    const divided = withFreezer(parts, uses, shares, freezer);
    if (!best || divided.marginMinor > best.marginMinor + 1e-6) best = divided;
  }
  return best!;
}

function withFreezer(
  parts: readonly Ripeness[],
  uses: readonly PickingUse[],
  shares: Share[],
  freezer: Freezer,
): Divided {
  const whole = parts.reduce((sum, p) => sum + p.grams, 0);
  let room = freezer.room;
  const frozen = parts.flatMap((part) => {
    const used = shares.filter((s) => s.ripenessId === part.id).reduce((sum, s) => sum + s.grams, 0);
    const grams = Math.min(room, part.grams - used);
    room -= Math.max(0, grams);
    return grams > 1e-6 ? [{ ripenessId: part.id, grams }] : [];
  });
  const cold = frozen.reduce((sum, f) => sum + f.grams, 0);
  const worked = shares.reduce((sum, s) => sum + s.grams, 0);
  const earned = shares.reduce(
    (sum, s) => sum + (s.grams / 1000) * uses.find((u) => u.id === s.useId)!.marginPerKgMinor,
    0,
  );
  return {
    shares,
    frozen,
    over: Math.max(0, whole - worked - cold),
    marginMinor: earned + (cold / 1000) * freezer.marginPerKgMinor,
  };
}
