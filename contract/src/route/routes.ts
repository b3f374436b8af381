import { accountRoutes } from '../kitchen/account.ts';
import { backupRoutes } from '../kitchen/backup.ts';
import { calendarRoutes } from '../kitchen/calendar.ts';
import { contactRoutes } from '../kitchen/contact.ts';
import { exportRoutes } from '../kitchen/export.ts';
import { journalRoutes } from '../kitchen/journal.ts';
import { kitchenRoutes } from '../kitchen/kitchen.ts';
import { kitchenFileRoutes } from '../kitchen/kitchenFile.ts';
import { placeRoutes } from '../kitchen/place.ts';
import { planRoutes } from '../kitchen/plan.ts';
import { saleRoutes } from '../kitchen/sale.ts';
import { sourceHoldRoutes } from '../kitchen/sourceHold.ts';
import { spreadsheetRoutes } from '../kitchen/spreadsheet.ts';
import { stockRoutes } from '../kitchen/stock.ts';
import { todayRoutes } from '../kitchen/today.ts';
import { ageingRoutes } from '../making/ageing.ts';
import { containerRoutes } from '../making/container.ts';
import { formulaRoutes } from '../making/formula.ts';
import { formulaFileRoutes } from '../making/formulaFile.ts';
import { heatProcessRoutes } from '../making/heatProcess.ts';
import { ingredientRoutes } from '../making/ingredient.ts';
import { instrumentRoutes } from '../making/instrument.ts';
import { labelRoutes } from '../making/label.ts';
import { labelPictureRoutes } from '../making/labelPicture.ts';
import { labelSheetRoutes } from '../making/labelSheet.ts';
import { entryRoutes, lotRoutes } from '../making/lot.ts';
import { photographRoutes } from '../making/photograph.ts';
import { vesselRoutes } from '../making/vessel.ts';
import { liveRoutes } from './live.ts';
import { metaRoutes } from './meta.ts';
import type { AnyRoute } from './route.ts';
import { tagRoutes } from './tag.ts';

const routesByNoun = {
  account: accountRoutes,
  export: exportRoutes,
  kitchen: kitchenRoutes,
  'kitchen-file': kitchenFileRoutes,
  formula: formulaRoutes,
  'formula-file': formulaFileRoutes,
  ingredient: ingredientRoutes,
  lot: lotRoutes,
  entry: entryRoutes,
  label: labelRoutes,
  'label-sheet': labelSheetRoutes,
  'label-picture': labelPictureRoutes,
  tag: tagRoutes,
  ageing: ageingRoutes,
  place: placeRoutes,
  'source-hold': sourceHoldRoutes,
  instrument: instrumentRoutes,
  container: containerRoutes,
  'heat-process': heatProcessRoutes,
  today: todayRoutes,
  vessel: vesselRoutes,
  photograph: photographRoutes,
  live: liveRoutes,
  stock: stockRoutes,
  plan: planRoutes,
  calendar: calendarRoutes,
  journal: journalRoutes,
  backup: backupRoutes,
  spreadsheet: spreadsheetRoutes,
  sale: saleRoutes,
  contact: contactRoutes,
  meta: metaRoutes,
};

/** What each noun of the API is. */
export const tags: Readonly<Record<keyof typeof routesByNoun, string>> = {
  account: 'People of the kitchen, and their sessions',
  kitchen: 'The kitchen and its settings',
  'kitchen-file': 'A kitchen as one open file, to begin with',
  export: 'The whole kitchen as one zip, out and in',
  formula: 'Formulas and their versions',
  'formula-file': 'One formula as a file, out and in',
  ingredient: 'Ingredients and measures, of the catalogue and of the kitchen',
  lot: 'Lots: what was made at one time of one formula',
  entry: 'What is recorded of a lot',
  ageing: 'How bottles kept back age, why a lot has its date, and how warm it was where bottles stand',
  place: 'Places in which bottles stand: what they are, and their names',
  'source-hold': 'What lots are made with, held: stock lots, instruments, pans, heat processes',
  label: 'Labels: their words, how they are drawn, and their prints',
  'label-sheet': 'Sheets of blank labels by their measures',
  'label-picture': 'Pictures and marks for labels',
  tag: 'Tags for what stands without a label',
  instrument: 'Instruments with their checks and calibrations',
  container: 'Kinds of bottle and jar',
  'heat-process': 'Heat processes with their sources',
  today: 'What is to be done today',
  vessel: 'Pans and other vessels with their measures',
  photograph: 'Photographs of a lot',
  live: 'What changes meanwhile, as it changes',
  stock: 'Ingredients in stock, packs, the shopping basket and receipts',
  plan: 'Plans of what is made when',
  calendar: 'Calendars to subscribe to, each at a secret address',
  journal: 'Everything that was changed, in order',
  backup: 'Copies of the whole database',
  spreadsheet: 'Spreadsheets of what was kept elsewhere before, and the lots that came with them',
  sale: 'What was sold, when, to whom',
  contact: 'People and businesses that the kitchen buys from or sells to',
  meta: 'The API itself',
};

/** Every route of the API with the noun it belongs to. */
export const allRoutes: readonly (AnyRoute & { noun: string; name: string })[] = Object.entries(
  routesByNoun,
).flatMap(([noun, routes]) =>
  Object.entries(routes as Record<string, AnyRoute>).map(([name, r]) => ({ ...r, noun, name })),
);
