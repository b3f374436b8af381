/** How far the server's clock is ahead of this device's, ms: every clock on every device is counted by the server's. */
let ahead = 0;

/** Learns from what the server just said the time is; a slow answer moves it little. */
export function learnServerClock(saidNow: string): void {
  const off = Date.parse(saidNow) - Date.now();
  if (Number.isFinite(off)) ahead = Math.abs(off) < 400 ? 0 : off;
}

/** The time now by the server's clock, ISO 8601. */
export const serverNow = (): string => new Date(Date.now() + ahead).toISOString();
