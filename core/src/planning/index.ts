export {
  type LeftOverHome,
  type Need,
  needsTogether,
  shoppingList,
  type ThingPack,
  type ToBuy,
  whereItGoes,
} from './buy.ts';
export { type Clash, clashesOf } from './clashes.ts';
export {
  type CostBefore,
  type CostSetting,
  costBefore,
  drunkLitre,
  energyOf,
  type PricedNeed,
} from './cost.ts';
export { DayBar, type DaySegment, dayBar } from './dayBars.ts';
export {
  BURNER,
  CANNER,
  type DayLot,
  type DayMaking,
  type DayStep,
  dayLot,
  handsMinutesOf,
  hardestOf,
  panResource,
} from './days.ts';
export { DueItem, type DueWhen, LotTag, type LotToday } from './due.ts';
export { type DayHours, hoursFrom, type WeekHours } from './hours.ts';
export {
  afterNeeds,
  dayLotsOf,
  itemMaking,
  type Making,
  makingOf,
  type PlanKitchen,
  type PlannedContainer,
  type PlannedFormula,
  type PlannedItem,
  partsFor,
  usualContainer,
} from './making.ts';
export { type MemoryOf, minutesOf, type YieldMemory, yieldMemory } from './memory.ts';
export { type Pack, type PackCover, packsToBuy } from './packs.ts';
export { boiledOffBefore, mainLine, methodOf, PastLot, type PastStep, pastLot } from './past.ts';
export { type Divided, dividePicking, type PickingUse, type Ripeness, type Share } from './picking.ts';
export { costOf, costsOf } from './prices.ts';
export {
  type Pan,
  type Parting,
  partingOf,
  type Scaled,
  type ScaledLine,
  type ScaleSetting,
  scaled,
  TYPICAL_OF_PROMISED,
  Want,
} from './scale.ts';
export { type Schedule, type ScheduleBack, schedule, scheduleBack } from './schedule.ts';
export { type PastSpread, spreadOf } from './spread.ts';
export { HANDS, type LaidStep, type PlannedLot, type PlannedStep, type PlanSetting } from './timetable.ts';
export {
  dueItems,
  type MeterToday,
  Obstacle,
  obstacles,
} from './today.ts';
export { backupDue } from './todayBackup.ts';
export { clockDue } from './todayClock.ts';
export { type PlannedStart, plannedStarts, stockThatWillNotWait } from './todayPlans.ts';
