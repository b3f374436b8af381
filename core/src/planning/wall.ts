const DAY = 86_400_000;
const WALL = /^\d{4}-\d{2}-\d{2} \d{2}:\d{2}$/;

/**
 * The UTC instant of a wall-clock time in a zone. Around a change of the clocks the later reading stands.
 * @param wall "2026-11-03 09:10"; @param timeZone of the kitchen; @param shiftDays days to move it by
 */
export function instantOf(wall: string, timeZone: string, shiftDays = 0): string {
  const naive = Date.parse(`${wall.replace(' ', 'T')}:00Z`) + shiftDays * DAY;
  if (!WALL.test(wall) || Number.isNaN(naive))
    throw new RangeError(`"${wall}" is not a time such as 2026-11-03 09:10`);
  const offsetAt = (ms: number) => {
    const parts = new Intl.DateTimeFormat('en-GB', {
      timeZone,
      hourCycle: 'h23',
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      hour: '2-digit',
      minute: '2-digit',
    }).formatToParts(new Date(ms));
    const part = (type: string) => Number(parts.find((p) => p.type === type)!.value);
    return (
      Date.UTC(part('year'), part('month') - 1, part('day'), part('hour'), part('minute')) -
      Math.floor(ms / 60_000) * 60_000
    );
  };
  const guess = naive - offsetAt(naive);
  return new Date(naive - offsetAt(guess)).toISOString();
}
