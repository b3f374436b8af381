export { addDays, addMonths, type Day, daysBetween, spokenDay } from './day.ts';
export { type DayOrder, dayOrderOf, type ReadTime, readClock, readDay, readMoment } from './typed.ts';
export { dayOf, instantOf, startOfDay, wallOf } from './wall.ts';
