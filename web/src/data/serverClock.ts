/** How far the server's clock is ahead of this device's, ms: every clock on every device is counted by the server's. */
let ahead = 0;

/**
 * Learns from what the server just said the time is. Its answer was made between the asking and the hearing, so the two clocks differ
 * by no less and no more than that leaves open: what was thought is moved only where it cannot be true, however slow the answer was.
 * @param saidNow the server's time, ISO 8601; @param askedAt ms of this device when it was asked, absent where the server spoke by itself
 */
export function learnServerClock(saidNow: string, askedAt?: number, heardAt = Date.now()): void {
  const said = Date.parse(saidNow);
  if (!Number.isFinite(said)) return;
  const [least, most] = [said - heardAt, askedAt === undefined ? Number.POSITIVE_INFINITY : said - askedAt];
  ahead = Math.min(Math.max(ahead, least), most);
}

/** The time now by the server's clock, ISO 8601. */
export const serverNow = (): string => new Date(Date.now() + ahead).toISOString();
