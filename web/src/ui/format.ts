/** 18:42 or 1:26:10 */
export function duration(seconds: number): string {
  const s = Math.abs(Math.round(seconds));
  const two = (n: number) => String(n).padStart(2, '0');
  const [h, m] = [Math.floor(s / 3600), Math.floor((s % 3600) / 60)];
  return `${seconds < -0.5 ? '−' : ''}${h > 0 ? `${h}:${two(m)}` : m}:${two(s % 60)}`;
}

/** 45 min, 3 h, 1 h 20 min, 2 d */
export function minutesInWords(minutes: number): string {
  if (minutes >= 2880) return `${Math.round(minutes / 1440)} d`;
  const whole = Math.round(minutes);
  if (whole < 90) return `${whole} min`;
  const [h, m] = [Math.floor(whole / 60), whole % 60];
  return m === 0 ? `${h} h` : `${h} h ${m} min`;
}
