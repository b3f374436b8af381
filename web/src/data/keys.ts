import { queryClient } from './api.ts';

/** What is read from the server, by noun: the first part of every query's key. */
const READ = [
  'session',
  'today',
  'lot',
  'label',
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
  entry: ['lot', 'today', 'label', 'journal', 'photograph', 'stock', 'past-lot', 'plan', 'vessel'],
  formula: ['formula', 'plan'],
  ingredient: ['ingredient', 'formula', 'stock'],
  'heat-process': ['heat-process', 'formula'],
  instrument: ['instrument', 'lot', 'today'],
  vessel: ['vessel', 'lot'],
  container: ['container', 'label', 'stock'],
  stock: ['stock', 'basket', 'lot', 'today', 'plan'],
  pack: ['pack'],
  basket: ['basket'],
  plan: ['plan', 'today', 'lot'],
  account: ['account'],
  kitchen: READ,
} as const satisfies Record<string, readonly ReadNoun[]>;
export type WrittenNoun = keyof typeof TOUCHES;

/** Reads again what a write of a noun touched. */
export async function readAgain(written: WrittenNoun): Promise<void> {
  await Promise.all(
    TOUCHES[written].map((noun) => queryClient.invalidateQueries({ queryKey: keys.all(noun) })),
  );
}
