import { type ArtworkOf, type LabelContent, type LabelDesign, usualDesign } from '@inch/core/label';

/** The words of a label of sour cherry syrup. */
export const labelWordsOf = (more: Partial<LabelContent> = {}): LabelContent => ({
  language: 'en',
  name: 'Sour cherry syrup',
  kind: 'syrup',
  colour: '#8E1230',
  statement: 'Ingredients: sour cherries (69 %), sugar.',
  allergens: '',
  allergensUnknown: [],
  nutsUnnamed: false,
  sulphitesPpm: 0,
  netContents: '237 mL',
  nominalMl: 237,
  dateLine: 'Best before 23 Nov 2027',
  keepLine: 'Keep cool and dark.',
  useLine: 'One part to six',
  lotLine: 'Lot 7F4H',
  whoLine: 'A kitchen, a place',
  warning: '',
  infantLine: '',
  localStatement: '',
  vignettes: [],
  fruitPercent: '',
  juiceLine: '',
  abv: 0,
  alcoholLine: '',
  cautions: [],
  ...more,
});

export const designOf = (more: Partial<LabelDesign> = {}): LabelDesign => ({
  ...usualDesign(null),
  widthMm: 96,
  heightMm: 62,
  ...more,
});

/** A label under the European pack on a half-pint jar. */
export const artworkFor = (more: Partial<ArtworkOf> = {}): ArtworkOf => ({
  label: labelWordsOf(),
  second: null,
  nutrition: null,
  design: designOf(),
  pack: 'eu',
  netHeightMm: 4,
  leastXMm: 1.2,
  allCm2: 230,
  principalCm2: 92,
  ...more,
});

/** About as wide as the typeface sets it. */
export const roughly = (text: string, sizeMm: number): number => text.length * sizeMm * 0.5;
