import type { Allergen } from '../ingredient/index.ts';
import { RulePackId } from '../lot/index.ts';
import { type FacedContainer, facesOf } from './faces.ts';

export { RulePackId };

/** What a rule pack asks of a label; each kitchen adds its own local statement. */
export interface RulePack {
  id: RulePackId;
  name: string;
  date: string;
  source: string;
  readOn: string | null;
  allergens: readonly Allergen[];
  allergenRule: string;
  netRule: string;
  nutrition: string;
}

const nine: readonly Allergen[] = [
  'milk',
  'egg',
  'fish',
  'shellfish',
  'tree-nuts',
  'peanuts',
  'wheat',
  'soy',
  'sesame',
];

export const rulePacks: Record<RulePackId, RulePack> = {
  us: {
    id: 'us',
    name: 'United States',
    date: '2024-01-01',
    source: '21 CFR 101',
    readOn: null,
    allergens: [...nine, 'sulphites'],
    allergenRule: 'FALCPA and FASTER Act; sulphites from 10 ppm, 21 CFR 101.100(a)(4)',
    netRule: '21 CFR 101.7',
    nutrition: 'when a claim is made or the small-business exemption does not hold, 21 CFR 101.9(j)',
  },
  eu: {
    id: 'eu',
    name: 'European Union',
    date: '2018-01-01',
    source: 'Regulation (EU) 1169/2011',
    readOn: null,
    allergens: [...nine, 'sulphites', 'celery', 'mustard', 'lupin', 'molluscs', 'barley'],
    allergenRule: 'Reg. 1169/2011, Article 21 and Annex II',
    netRule: 'Reg. 1169/2011, Article 23; Directive 76/211/EEC',
    nutrition: 'required unless exempt: a small producer selling direct, Annex V point 19',
  },
};

const INCH = 25.4;
const CM2_PER_SQUARE_INCH = 6.4516;

/** Least height of the net contents by the principal panel, in². Source: 21 CFR 101.7(i). */
const BY_PANEL: readonly [upTo: number, inches: number][] = [
  [5, 1 / 16],
  [25, 1 / 8],
  [100, 3 / 16],
  [400, 1 / 4],
  [Number.POSITIVE_INFINITY, 1 / 2],
];
/** Least height of the digits by the volume, mL, in mm. Source: Directive 76/211/EEC Annex I 3.1. */
const BY_VOLUME: readonly [upTo: number, mm: number][] = [
  [50, 2],
  [200, 3],
  [1000, 4],
  [Number.POSITIVE_INFINITY, 6],
];
const band = (bands: readonly [number, number][], value: number): number =>
  bands.find(([upTo]) => value <= upTo)![1];

/**
 * Smallest height in mm of the net contents. US by the principal panel of the container's true faces; EU by the volume.
 * @example netContentsHeight('eu', { nominalMl: 250, heightMm: 180, diameterMm: 60 }) // 4
 */
export const netContentsHeight = (pack: RulePackId, container: FacedContainer): number =>
  pack === 'eu'
    ? band(BY_VOLUME, container.nominalMl)
    : INCH * band(BY_PANEL, facesOf(container).principalCm2 / CM2_PER_SQUARE_INCH);

/** Type of all that is mandatory: what is measured, and how high it is at the least. */
export interface LeastText {
  /** Lower-case letters without ascender, mm. */
  xHeightMm: number;
  rule: string;
}

/**
 * Smallest x-height in mm of what a label has to say. US 1/16 in; EU 1.2 mm, 0.9 where the largest face is under 80 cm².
 * Source: 21 CFR 101.2(c); Reg. 1169/2011 Article 13(2, 3).
 * @example leastText('eu', { nominalMl: 250, heightMm: 180, diameterMm: 60 }).xHeightMm // 1.2
 */
export function leastText(pack: RulePackId, container: FacedContainer): LeastText {
  if (pack === 'us') return { xHeightMm: INCH / 16, rule: '21 CFR 101.2(c)' };
  const small = facesOf(container).largestCm2 < 80;
  return { xHeightMm: small ? 0.9 : 1.2, rule: `Reg. 1169/2011, Article 13(${small ? 3 : 2})` };
}
