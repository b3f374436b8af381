/**
 * An amount written as a ruler or a measuring cup shows it: whole and nearest fraction ("2 1/4").
 * @param amount ≥ 0; @param denominator the finest division, a power of two (16 on a ruler, 8 for headspace)
 * @example asFraction(3.625) // '3 5/8'
 */
export function asFraction(amount: number, denominator = 16): string {
  if (!Number.isFinite(amount) || amount < 0) throw new RangeError(`${amount} has no ruler fraction`);
  let parts = Math.round(amount * denominator);
  const whole = Math.floor(parts / denominator);
  parts -= whole * denominator;
  if (parts === 0) return String(whole);
  let bottom = denominator;
  while (parts % 2 === 0) {
    parts /= 2;
    bottom /= 2;
  }
  return whole === 0 ? `${parts}/${bottom}` : `${whole} ${parts}/${bottom}`;
}
