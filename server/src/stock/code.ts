/** What is written on the bag of the nth stock lot. */
export const stockCode = (number: number): string => `S${number}`;
