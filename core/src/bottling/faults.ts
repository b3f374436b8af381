/** What a bottle shows at the seal check, what it means and what to do. */
export interface Sign {
  id: string;
  shows: string;
  means: string;
  todo: string;
  /** Whether the lot is held until somebody has looked. */
  holds: boolean;
}

/** Signs of a finished bottle. Spoilage holds the lot; the others are of the making. */
export const signs: readonly Sign[] = [
  {
    id: 'liquid-lost',
    shows: 'Liquid lost',
    means: 'Air was left in, the headspace was small, or it was lifted before the rest was over.',
    todo: 'A sealed jar still at half its contents keeps; drink it first. Do not open it to top it up.',
    holds: false,
  },
  {
    id: 'layers',
    shows: 'Layers or stripes',
    means: 'Sugar was not dissolved through, or two pours of other strength stand on each other.',
    todo: 'Turn the bottle gently once it is cold, and measure °Bx from one bottle again.',
    holds: false,
  },
  {
    id: 'floating-fruit',
    shows: 'Floating fruit',
    means: 'Fruit lighter than the syrup: raw pack, air in its tissue, or a heavy syrup.',
    todo: 'Fruit above the liquid darkens first: drink early, and strain the next lot or heat the fruit through.',
    holds: false,
  },
  {
    id: 'sediment',
    shows: 'Sediment',
    means: 'Fine pulp, pectin or crystals of tartrate that went through the cloth.',
    todo: 'Shake well goes on the label; strain the next lot twice. If it was clear yesterday, take it for spoilage.',
    holds: false,
  },
  {
    id: 'set',
    shows: 'Set like a jelly',
    means: 'Pectin, acid and sugar met after a long boil.',
    todo: 'It does not pour: keep it for the kitchen, and boil the next lot shorter.',
    holds: false,
  },
  {
    id: 'spoilage',
    shows: 'Gas, bulging lid, film, mould or an off smell',
    means: 'Something grows in it.',
    todo: 'Do not taste, do not open. Destroy it unopened, look at every other bottle; the lot is held.',
    holds: true,
  },
];
