import type { Allergen } from '../ingredient/index.ts';
import type { RulePackId } from '../lot/index.ts';

export type { RulePackId } from '../lot/index.ts';

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

/**
 * Smallest height in mm of the net contents. US by the panel (40 % of height × circumference); EU by the volume.
 * @example netContentsHeight('eu', { nominalMl: 250, heightMm: 180, diameterMm: 60 }) // 4
 */
export function netContentsHeight(
  pack: RulePackId,
  bottle: { nominalMl: number; heightMm: number; diameterMm: number },
): number {
  if (pack === 'eu')
    return bottle.nominalMl <= 50 ? 2 : bottle.nominalMl <= 200 ? 3 : bottle.nominalMl <= 1000 ? 4 : 6;
  const squareInches = (0.4 * bottle.heightMm * Math.PI * bottle.diameterMm) / 645.16;
  const inches =
    squareInches <= 5
      ? 1 / 16
      : squareInches <= 25
        ? 1 / 8
        : squareInches <= 100
          ? 3 / 16
          : squareInches <= 400
            ? 1 / 4
            : 1 / 2;
  return inches * 25.4;
}
