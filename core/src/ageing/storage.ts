import { invertedShare } from '../sugar/index.ts';

/** A temperature where bottles stand, at an instant. */
export interface PlaceSample {
  at: string;
  celsius: number;
}

/** A time that a place was warmer than it may be. */
export interface Excursion {
  from: string;
  to: string;
  hours: number;
  highest: number;
}

const HOUR = 3_600_000;
/** Readings farther apart than this say nothing of the time between them. */
const LONGEST_GAP = 6 * HOUR;

/**
 * Times over a limit: from the reading that is over it to the next that is not, the crossing by a straight line; over a gap of 6 h only the readings themselves count.
 * @param samples in any order; @param limit °C
 * @example excursionsOver([{ at: T(0), celsius: 4 }, { at: T(1), celsius: 8 }, { at: T(2), celsius: 8 }, { at: T(3), celsius: 4 }], 5)[0].hours > 2 // true
 */
export function excursionsOver(samples: readonly PlaceSample[], limit: number): Excursion[] {
  const inOrder = [...samples].sort((a, b) => a.at.localeCompare(b.at));
  const found: Excursion[] = [];
  let open: Excursion | null = null;
  const at = (ms: number) => new Date(ms).toISOString();
  for (const [i, sample] of inOrder.entries()) {
    const t = Date.parse(sample.at);
    const before = inOrder[i - 1];
    const near = before !== undefined && t - Date.parse(before.at) <= LONGEST_GAP;
    const crossing = () =>
      Date.parse(before!.at) +
      ((limit - before!.celsius) / (sample.celsius - before!.celsius)) * (t - Date.parse(before!.at));
    if (!near && open) {
      found.push(open);
      open = null;
    }
    if (sample.celsius > limit) {
      open ??= {
        from: at(near && before!.celsius <= limit ? crossing() : t),
        to: sample.at,
        hours: 0,
        highest: sample.celsius,
      };
      open = { ...open, to: sample.at, highest: Math.max(open.highest, sample.celsius) };
    } else if (open) {
      found.push({ ...open, to: near ? at(crossing()) : open.to });
      open = null;
    }
  }
  if (open) found.push(open);
  return found.map((e) => ({ ...e, hours: (Date.parse(e.to) - Date.parse(e.from)) / HOUR }));
}

/** What a store made of what stands in it: quality, never safety. */
export interface StoreQuality {
  days: number;
  mean: number;
  /** Days at 15 °C that browning and loss of aroma come to, by a Q10 of 2 and of 3. */
  asDaysAt15: { low: number; high: number };
  /** Share of the sucrose that inverted, 0–1; null where its pH is not known. */
  inverted: number | null;
}

const REFERENCE = 15;
/** Change for 10 °C: browning and loss of aroma of fruit syrups. Source: Labuza, Shelf-life Dating of Foods (1982), 2 to 3. */
const Q10: readonly [number, number] = [2, 3];

/**
 * Quality by temperature of what stood in a place: browning and aroma as days at 15 °C by Q10 2 to 3, inversion of sucrose by its own law. Each reading holds half of the way to its neighbours; gaps of over 6 h are left out.
 * @param samples °C at instants; @param ph of the product, null where it is not known
 * @example storeQuality([{ at: T(0), celsius: 25 }, { at: T(5), celsius: 25 }], 3).asDaysAt15.low > 0 // true
 */
export function storeQuality(samples: readonly PlaceSample[], ph: number | null): StoreQuality {
  const inOrder = [...samples].sort((a, b) => a.at.localeCompare(b.at));
  let hours = 0;
  let sum = 0;
  const at15: [number, number] = [0, 0];
  let left = 1;
  for (const [i, sample] of inOrder.entries()) {
    const next = inOrder[i + 1];
    if (!next) continue;
    const gap = Date.parse(next.at) - Date.parse(sample.at);
    if (gap > LONGEST_GAP || gap <= 0) continue;
    const celsius = (sample.celsius + next.celsius) / 2;
    const h = gap / HOUR;
    hours += h;
    sum += celsius * h;
    Q10.forEach((q, k) => {
      at15[k] = at15[k]! + (h / 24) * q ** ((celsius - REFERENCE) / 10);
    });
    if (ph !== null) left *= 1 - invertedShare(ph, celsius, h * 3600);
  }
  return {
    days: hours / 24,
    mean: hours > 0 ? sum / hours : 0,
    asDaysAt15: { low: Math.min(...at15), high: Math.max(...at15) },
    inverted: ph === null ? null : 1 - left,
  };
}
