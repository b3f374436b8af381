/** Addresses of the pages, with the parts that stand for something in them: `:id`, and `:part?` where it may be left out. */
export const PAGES = [
  '/',
  '/formulas',
  '/formulas/compare',
  '/formulas/ingredients',
  '/formulas/:id',
  '/plan',
  '/plan/buy',
  '/plan/stock',
  '/plan/picking',
  '/plan/yields',
  '/plan/:id',
  '/plan/:id/:part',
  '/stove',
  '/stove/:code',
  '/stove/:code/cook',
  '/bottling',
  '/bottling/:code/:part?',
  '/labels',
  '/labels/sheets',
  '/labels/:code',
  '/shelf',
  '/shelf/scan',
  '/shelf/stores',
  '/shelf/:code/looks',
  '/shelf/:code/:bottle?',
  '/records',
  '/records/sales',
  '/records/earlier',
  '/records/contacts',
  '/records/import',
  '/records/:code',
  '/bench',
  '/bench/pans',
  '/bench/titration',
  '/bench/trial',
  '/bench/simulated',
  '/kitchen',
  '/kitchen/journal',
] as const;

export type Page = (typeof PAGES)[number];

const PATTERNS = PAGES.map(
  (page) => new RegExp(`^${page.replace(/\/:\w+\?/g, '(?:/[^/]+)?').replace(/:\w+/g, '[^/]+')}/?$`, 'i'),
);

/** Whether there is a page at an address. @example isPage('/stove/7F4H') // true */
export const isPage = (path: string): boolean => PATTERNS.some((pattern) => pattern.test(path));
