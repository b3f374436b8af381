/** Digits and letters no one mistakes for another, written or spoken through steam: no 0 O, 1 I, Q, 2 Z, 5 S, 6 G, 8 B, U V. */
const DIGITS = '23456789';
const LETTERS = 'ACDEFHJKLMPRTVWXY';

const alphabetAt = (position: number) => (position % 2 === 0 ? DIGITS : LETTERS);

function checkLetter(body: string): string {
  let sum = 0;
  for (let i = 0; i < body.length; i++) sum += (i + 2) * (alphabetAt(i).indexOf(body[i]!) + 1);
  return LETTERS[sum % LETTERS.length]!;
}

/**
 * Lot code of a kitchen's nth lot: digit, letter, digit … and a check letter, such as 7K4M; every single wrong character shows.
 * @param serial whole number from 0; three characters and the check to 1,087, then five
 * @example readLotCode(lotCode(7)) === lotCode(7) // true
 */
export function lotCode(serial: number): string {
  if (!Number.isInteger(serial) || serial < 0) throw new RangeError(`${serial} is not a lot's number`);
  let length = 3;
  let rest = serial;
  const capacity = (n: number) =>
    Array.from({ length: n }, (_, i) => alphabetAt(i).length).reduce((a, b) => a * b, 1);
  while (rest >= capacity(length)) {
    rest -= capacity(length);
    length += 2;
  }
  let body = '';
  for (let i = length - 1; i >= 0; i--) {
    const alphabet = alphabetAt(i);
    body = alphabet[rest % alphabet.length]! + body;
    rest = Math.floor(rest / alphabet.length);
  }
  return body + checkLetter(body);
}

/**
 * A lot code as typed or said, tidied to capitals; null where it is not one or its check letter is wrong.
 * @example readLotCode('not a code') // null
 */
export function readLotCode(text: string): string | null {
  const code = text.trim().toUpperCase().replace(/[\s-]/g, '');
  const body = code.slice(0, -1);
  if (body.length < 3 || body.length % 2 === 0) return null;
  for (let i = 0; i < body.length; i++) if (!alphabetAt(i).includes(body[i]!)) return null;
  return code.at(-1) === checkLetter(body) ? code : null;
}
