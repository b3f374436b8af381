export { type DayBar, type DaySegment, dayBar } from './dayBars.ts';
export { type Pack, type PackCover, packsToBuy } from './packs.ts';
export { type Clash, clashesOf, type Schedule, schedule } from './schedule.ts';
export { HANDS, type LaidStep, type PlannedLot, type PlannedStep, type PlanSetting } from './timetable.ts';
export {
  type DueItem,
  type DueWhen,
  dueItems,
  type LotToday,
  type MeterToday,
  type Obstacle,
  obstacles,
} from './today.ts';
