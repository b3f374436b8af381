/**
 * Words of a code as they are read.
 * @example inWords('two-piece-lid') // 'two-piece lid'
 */
export const inWords = (code: string): string => code.replace(/-/g, ' ').replace(/^two piece/, 'two-piece');
