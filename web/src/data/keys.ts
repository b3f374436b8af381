import type { LiveChange } from '@inch/contract/route/live';
import { queryClient } from './api.ts';

/** What is read from the server, by noun: the first part of every query's key. */
const READ = [
  'session',
  'today',
  'lot',
  'label',
  'label-sheet',
  'label-picture',
  'ageing',
  'place-temperature',
  'place',
  'source-hold',
  'journal',
  'photograph',
  'formula',
  'ingredient',
  'heat-process',
  'instrument',
  'vessel',
  'container',
  'stock',
  'pack',
  'basket',
  'plan',
  'past-lot',
  'account',
  'backup',
  'calendar',
  'progress',
  'spreadsheet',
  'earlier-lot',
  'sale',
  'contact',
] as const;
export type ReadNoun = (typeof READ)[number];

/** Keys of queries, one factory for all: the noun, then which of it. */
export const keys = {
  all: (noun: ReadNoun) => [noun] as const,
  list: (noun: ReadNoun) => [noun, 'list'] as const,
  one: (noun: ReadNoun, id: string) => [noun, 'one', id] as const,
};

/** What a write of a noun changes of what is read: a lot's entries move stock and Today, a check of an instrument makes readings count. */
const TOUCHES = {
  entry: [
    'lot',
    'today',
    'ageing',
    'label',
    'journal',
    'photograph',
    'stock',
    'past-lot',
    'plan',
    'vessel',
    'sale',
  ],
  formula: ['formula', 'plan'],
  'label-design': ['label'],
  'label-sheet': ['label-sheet'],
  'label-picture': ['label-picture'],
  'place-temperature': ['place-temperature', 'ageing', 'lot', 'today'],
  place: ['place', 'lot', 'today', 'ageing'],
  'source-hold': ['source-hold', 'stock', 'lot', 'today', 'journal'],
  ingredient: ['ingredient', 'formula', 'stock'],
  'heat-process': ['heat-process', 'formula'],
  instrument: ['instrument', 'lot', 'today'],
  vessel: ['vessel', 'lot'],
  container: ['container', 'label', 'stock'],
  stock: ['stock', 'basket', 'lot', 'today', 'plan', 'source-hold'],
  pack: ['pack'],
  basket: ['basket'],
  plan: ['plan', 'today', 'lot'],
  account: ['account'],
  calendar: ['calendar'],
  contact: ['contact'],
  spreadsheet: ['spreadsheet', 'earlier-lot', 'sale', 'contact', 'stock', 'plan'],
  kitchen: READ,
} as const satisfies Record<string, readonly ReadNoun[]>;
export type WrittenNoun = keyof typeof TOUCHES;

/** Reads again what a write of a noun touched. */
export async function readAgain(written: WrittenNoun): Promise<void> {
  await Promise.all(
    TOUCHES[written].map((noun) => queryClient.invalidateQueries({ queryKey: keys.all(noun) })),
  );
}

/** Nouns of the journal that are written as a part of another. */
const PART_OF: Record<string, WrittenNoun> = {
  calibration: 'instrument',
  check: 'instrument',
  measure: 'ingredient',
  process: 'heat-process',
  receipt: 'stock',
};

/** What is taken down at the pan and in the canner moves nothing but its lot and what is due. */
const MEASURED = new Set([
  'mark',
  'reading',
  'photograph',
  'tick',
  'load',
  'load-mark',
  'curve',
  'cooling',
  'seal-check',
]);

const isWritten = (noun: string): noun is WrittenNoun => noun in TOUCHES;

/** Keys of the queries that show a change. */
function keysOf({ noun, lot }: LiveChange): (readonly string[])[] {
  if (lot === null) {
    const written = PART_OF[noun] ?? (isWritten(noun) ? noun : 'kitchen');
    return TOUCHES[written].map(keys.all);
  }
  const own: (readonly string[])[] = (['lot', 'label', 'journal'] as const).map((of) => keys.one(of, lot));
  if (noun === 'photograph') own.push(keys.all('photograph'));
  const lists = [keys.list('lot'), keys.all('today')];
  if (MEASURED.has(noun)) return [...own, ...lists];
  return [...own, ...lists, ...TOUCHES.entry.filter((of) => !OF_LOTS.has(of)).map(keys.all)];
}

/** What is read of one lot at a time. */
const OF_LOTS = new Set<ReadNoun>(['lot', 'label', 'journal', 'photograph', 'today']);

/** Reads again what shows something that was changed, and nothing else. */
export async function readChanged(changes: readonly LiveChange[]): Promise<void> {
  const touched = new Map(changes.flatMap(keysOf).map((key) => [JSON.stringify(key), key]));
  await Promise.all([...touched.values()].map((queryKey) => queryClient.invalidateQueries({ queryKey })));
}
