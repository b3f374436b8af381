/** How a bottle or jar closes. */
export const CLOSURES = ['two-piece-lid', 'screw-cap', 'swing-top', 'crown-cap', 'cork'] as const;
export type Closure = (typeof CLOSURES)[number];

/** How a closure is looked at, in its own words. */
export interface ClosureFacts {
  /** What is checked of it, in the plural: "lids". */
  parts: string;
  /** What was done to it: "pressed". */
  done: string;
  /** How one is checked. */
  check: string;
  /** What it shows when it failed. */
  failed: string;
  /** What it may be used for. */
  use: string;
  /** What is looked at of it before it is filled. */
  before: string;
}

/** Each closure with its own check: nobody is asked to press what does not give. */
export const closures: Record<Closure, ClosureFacts> = {
  'two-piece-lid': {
    parts: 'lids',
    done: 'pressed',
    check:
      'Press each lid in its middle: it does not give, and does not click. Then lift it by its rim, ring off.',
    failed: 'gives or clicks',
    use: 'For a boiling-water bath or steam, with a new flat lid each time.',
    before: 'Lids new: a flat lid is used once.',
  },
  'screw-cap': {
    parts: 'caps',
    done: 'turned',
    check:
      'Turn each cap: it is tight. Where it has a button, that is down. Stand the bottle on its head: no drop.',
    failed: 'turns, drips, or its button is up',
    use: 'For hot filling where its maker says so, and for the cold; not for a boiling-water bath.',
    before: 'Liners whole and clean; a cap that was heated once is not used for hot filling again.',
  },
  'swing-top': {
    parts: 'stoppers',
    done: 'pulled',
    check:
      'Pull each stopper by hand, the wire open: it holds by itself. Stand the bottle on its head: no drop.',
    failed: 'lifts by hand, or drips',
    use: 'For the cold. No tested process is for it: it vouches for no shelf lot.',
    before: 'Rubber rings soft, without cracks; wires straight and without rust.',
  },
  'crown-cap': {
    parts: 'crowns',
    done: 'turned',
    check: 'Try to turn each crown by hand: it does not. Stand the bottle on its head: no drop.',
    failed: 'turns, or drips',
    use: 'For hot filling where a letter says so, and for the cold.',
    before: 'Crowns new, without rust; the capper set to the neck.',
  },
  cork: {
    parts: 'corks',
    done: 'looked at',
    check: 'Look at each cork: flush with the rim, dry, not risen. Lay the bottle down: it does not seep.',
    failed: 'has risen, or seeps',
    use: 'For the cold, for weeks. Air goes through it: it vouches for no shelf lot.',
    before: 'Corks new and clean, soaked as their maker says.',
  },
};

/**
 * What a closure's check is called of some bottles, one closure or several: "lids pressed".
 * @example checkSaid(['two-piece-lid']) // 'lids pressed'
 */
export function checkSaid(of: readonly string[]): string {
  const known = [...new Set(of)].flatMap((id) => closures[id as Closure] ?? []);
  const [one] = known;
  return known.length === 1 && one ? `${one.parts} ${one.done}` : 'closures checked';
}
