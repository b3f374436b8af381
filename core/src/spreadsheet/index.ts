export {
  SPREADSHEET_KINDS,
  type SpreadsheetColumn,
  type SpreadsheetKind,
  type SpreadsheetRow,
  spreadsheetKinds,
} from './kinds.ts';
export { type Matched, matchColumns } from './match.ts';
export {
  readSpreadsheet,
  type SpreadsheetFault,
  type SpreadsheetRead,
  type SpreadsheetSetting,
} from './read.ts';
