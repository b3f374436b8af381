import { accountRoutes } from './account.ts';
import { ageingRoutes } from './ageing.ts';
import { backupRoutes } from './backup.ts';
import { calendarRoutes } from './calendar.ts';
import { contactRoutes } from './contact.ts';
import { containerRoutes } from './container.ts';
import { exportRoutes } from './export.ts';
import { formulaRoutes } from './formula.ts';
import { formulaFileRoutes } from './formulaFile.ts';
import { heatProcessRoutes } from './heatProcess.ts';
import { ingredientRoutes } from './ingredient.ts';
import { instrumentRoutes } from './instrument.ts';
import { journalRoutes } from './journal.ts';
import { kitchenRoutes } from './kitchen.ts';
import { kitchenFileRoutes } from './kitchenFile.ts';
import { labelRoutes } from './label.ts';
import { labelPictureRoutes } from './labelPicture.ts';
import { labelSheetRoutes } from './labelSheet.ts';
import { liveRoutes } from './live.ts';
import { entryRoutes, lotRoutes } from './lot.ts';
import { metaRoutes } from './meta.ts';
import { photographRoutes } from './photograph.ts';
import { placeRoutes } from './place.ts';
import { planRoutes } from './plan.ts';
import type { AnyRoute } from './route.ts';
import { saleRoutes } from './sale.ts';
import { sourceHoldRoutes } from './sourceHold.ts';
import { spreadsheetRoutes } from './spreadsheet.ts';
import { stockRoutes } from './stock.ts';
import { tagRoutes } from './tag.ts';
import { todayRoutes } from './today.ts';
import { vesselRoutes } from './vessel.ts';

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
