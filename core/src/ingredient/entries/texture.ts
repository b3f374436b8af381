import type { Ingredient } from '../types.ts';

/** Hard flesh, tough skins and roots: what is in them comes out slowly unless they are cut or cooked soft. */
const FIRM: ReadonlySet<string> = new Set(
  [
    'apple crab-apple pear asian-pear quince cranberry lingonberry rowan rosehip sloe hawthorn barberry green-mango kumquat citron',
    'lemon meyer-lemon lime orange blood-orange seville-orange grapefruit pomelo mandarin calamansi yuzu bergamot',
    'pumpkin carrot beet celery chilli fennel ginger garlic turmeric galangal horseradish burdock angelica lemongrass sugar-cane plantain avocado',
  ].flatMap((ids) => ids.split(' ')),
);

/** An entry with whether its flesh is firm. */
export const withTexture = (entry: Ingredient): Ingredient =>
  FIRM.has(entry.id) || (entry.formOf && FIRM.has(entry.formOf) && entry.family === 'fruit')
    ? { ...entry, firm: true }
    : entry;
