export { kindByName, PLACE_KINDS, type PlaceKind, PlaceSaid, placeKey, placeNames } from './place.ts';
export {
  COLD,
  LONGEST_GAP,
  type StoreReading,
  type Stretch,
  stretchesOf,
  type Warmth,
} from './warmth.ts';
