/**
 * What a table has under a word that somebody typed: "constructor" and the like are in no table.
 * @example ownOf({ half: 2 }, 'constructor') // undefined
 */
export const ownOf = <T>(
  table: Readonly<Record<string, T>> | undefined,
  word: string | undefined,
): T | undefined =>
  table !== undefined && word !== undefined && Object.hasOwn(table, word) ? table[word] : undefined;
