// It is a property of a sugar solution, and asked for as a hurdle: known by this name here too.
export { waterActivity } from '../sugar/index.ts';
export { alcoholByVolume, alcoholLeft } from './alcohol.ts';
export { bestBy, dateWord } from './bestBy.ts';
export { carriedBy, type Hurdle, type HurdleFacts, hurdles } from './hurdles.ts';
export { type KeepingProduct, type KeepingTime, keepingLimit, type Storage } from './limit.ts';
export { acidInSalt, undissociated } from './preservative.ts';
