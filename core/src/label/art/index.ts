export {
  type Art,
  bled,
  boxOf,
  CAPITAL,
  type Face,
  FIELDS,
  type FieldId,
  INK,
  type MeasureText,
  X_HEIGHT,
} from './art.ts';
export { contrast } from './colour.ts';
export { type Artwork, labelArtwork, sizeThatFits } from './compose.ts';
export {
  LABEL_SIDE,
  type LabelDesign,
  LOOKS,
  type Look,
  lookNames,
  type Moved,
  sizeOn,
  usualDesign,
} from './design.ts';
export { panelFormats } from './panel.ts';
export { servingsSaid } from './panelRows.ts';
export type { ArtworkOf } from './place.ts';
export {
  PAPERS,
  type Paper,
  type SheetMeasures,
  type SheetPlace,
  sheetPlaces,
  sheetsFor,
  whyNoSheet,
} from './sheet.ts';
export { codePath, type Drawing, faceSvg, svgOf } from './svg.ts';
