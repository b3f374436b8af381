export { type DayBar, type DaySegment, dayBar } from './dayBars.ts';
export {
  type DueItem,
  type DueWhen,
  dueItems,
  type LotToday,
  type MeterToday,
  type Obstacle,
  obstacles,
} from './today.ts';
