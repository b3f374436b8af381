/** Addresses of the pages, with the parts that stand for something in them: `:id`, and `:part?` where it may be left out. */
export const PAGES = [
  ...(['/', '/formulas', '/formulas/compare', '/formulas/ingredients', '/formulas/:id'] as const),
  ...([
    '/plan',
    '/plan/buy',
    '/plan/stock',
    '/plan/picking',
    '/plan/yields',
    '/plan/:id',
    '/plan/:id/:part',
  ] as const),
  ...(['/stove', '/stove/:code', '/stove/:code/cook'] as const),
  ...(['/bottling', '/bottling/:code/:part?'] as const),
  ...(['/labels', '/labels/sheets', '/labels/:code'] as const),
  ...(['/shelf', '/shelf/scan', '/shelf/stores', '/shelf/:code/looks', '/shelf/:code/:bottle?'] as const),
  ...(['/records', '/records/sales', '/records/earlier', '/records/contacts', '/records/import'] as const),
  ...(['/records/:code'] as const),
  ...(['/bench', '/bench/pans', '/bench/titration', '/bench/trial', '/bench/simulated'] as const),
  ...(['/kitchen', '/kitchen/journal'] as const),
] as const;

export type Page = (typeof PAGES)[number];

const PATTERNS = PAGES.map(
  (page) => new RegExp(`^${page.replace(/\/:\w+\?/g, '(?:/[^/]+)?').replace(/:\w+/g, '[^/]+')}/?$`, 'i'),
);

/** Whether there is a page at an address. @example isPage('/stove/7F4H') // true */
export const isPage = (path: string): boolean => PATTERNS.some((pattern) => pattern.test(path));
