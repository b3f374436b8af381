/**
 * An English word of several as one of them, in lower case.
 * @example singular('cherries') // 'cherry'
 */
export function singular(word: string): string {
  const lower = word.toLowerCase().replace(/\.$/, '');
  if (/^(lea|loa|hal)ves$/.test(lower)) return `${lower.slice(0, -3)}f`;
  if (/(ss|us|is)$/.test(lower)) return lower;
  if (/ies$/.test(lower) && lower.length > 4) return `${lower.slice(0, -3)}y`;
  if (/(ches|shes|xes|oes)$/.test(lower)) return lower.slice(0, -2);
  return lower.replace(/s$/, '');
}
