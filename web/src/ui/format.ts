/** 18:42 or 1:26:10 */
export function duration(seconds: number): string {
  const s = Math.abs(Math.round(seconds));
  const two = (n: number) => String(n).padStart(2, '0');
  const [h, m] = [Math.floor(s / 3600), Math.floor((s % 3600) / 60)];
  return `${seconds < -0.5 ? '−' : ''}${h > 0 ? `${h}:${two(m)}` : m}:${two(s % 60)}`;
}

/** Minutes between which something ends, in small: 14–19 min, 2.1–2.6 h, from 40 min on. */
export function between(low: number, high: number | null): string {
  const [least, most] = [Math.max(0, low), high === null ? null : Math.max(0, high)];
  const inHours = (most ?? least) > 5400;
  const said = (s: number) => (inHours ? (s / 3600).toFixed(1) : String(Math.round(s / 60)));
  const unit = inHours ? 'h' : 'min';
  if (most === null || most > 6 * 3600) return `from ${said(least)} ${unit} on`;
  return said(least) === said(most) ? `${said(most)} ${unit}` : `${said(least)}–${said(most)} ${unit}`;
}

/** 45 min, 3 h, 1 h 20 min, 2 d */
export function minutesInWords(minutes: number): string {
  if (minutes >= 2880) return `${Math.round(minutes / 1440)} d`;
  const whole = Math.round(minutes);
  if (whole < 90) return `${whole} min`;
  const [h, m] = [Math.floor(whole / 60), whole % 60];
  return m === 0 ? `${h} h` : `${h} h ${m} min`;
}
