export { addDays, addMonths, type Day, daysBetween, spokenDay } from './day.ts';
export { dayOf, instantOf, startOfDay, wallOf } from './wall.ts';
