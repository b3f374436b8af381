import { PAGES, type Page } from '@inch/contract/route/pages';
import type { ComponentType } from 'react';
import { createBrowserRouter, matchRoutes } from 'react-router';
import { base } from '../data/base.ts';
import { lazyPart } from '../ui/lazyPart.ts';
import { Lost } from './Lost.tsx';
import { Shell } from './Shell.tsx';

/** Each screen and where its script comes from; it is fetched when the screen is first opened. */
const screens: Record<Page, () => Promise<ComponentType>> = {
  '/': async () => (await import('../today/Today.tsx')).Today,
  '/formulas': async () => (await import('../formulas/Library.tsx')).Library,
  '/formulas/compare': async () => (await import('../formulas/Compare.tsx')).Compare,
  '/formulas/ingredients': async () => (await import('../formulas/line/OwnCatalogue.tsx')).OwnCatalogue,
  '/formulas/:id': async () => (await import('../formulas/Editor.tsx')).Editor,
  '/plan': async () => (await import('../plan/PlanList.tsx')).PlanList,
  '/plan/buy': async () => (await import('../plan/Buy.tsx')).Buy,
  '/plan/stock': async () => (await import('../plan/Stock.tsx')).Stock,
  '/plan/picking': async () => (await import('../plan/Picking.tsx')).Picking,
  '/plan/yields': async () => (await import('../plan/Yields.tsx')).Yields,
  '/plan/:id': async () => (await import('../plan/PlanPage.tsx')).PlanPage,
  '/plan/:id/:part': async () => (await import('../plan/PlanPage.tsx')).PlanPage,
  '/stove': async () => (await import('../stove/StoveList.tsx')).StoveList,
  '/stove/:code': async () => (await import('../stove/RunSheet.tsx')).RunSheet,
  '/stove/:code/cook': async () => (await import('../stove/CookView.tsx')).CookView,
  '/bottling': async () => (await import('../bottling/BottlingList.tsx')).BottlingList,
  '/bottling/:code/:part?': async () => (await import('../bottling/Bottling.tsx')).Bottling,
  '/labels': async () => (await import('../labels/LabelList.tsx')).LabelList,
  '/labels/sheets': async () => (await import('../labels/Sheets.tsx')).Sheets,
  '/labels/:code': async () => (await import('../labels/Label.tsx')).Label,
  '/shelf': async () => (await import('../shelf/Shelf.tsx')).Shelf,
  '/shelf/scan': async () => (await import('../shelf/Scan.tsx')).Scan,
  '/shelf/stores': async () => (await import('../shelf/Stores.tsx')).Stores,
  '/shelf/:code/looks': async () => (await import('../shelf/Looks.tsx')).Looks,
  '/shelf/:code/:bottle?': async () => (await import('../shelf/Bottle.tsx')).Bottle,
  '/records': async () => (await import('../records/RecordList.tsx')).RecordList,
  '/records/sales': async () => (await import('../records/SaleList.tsx')).SaleList,
  '/records/earlier': async () => (await import('../records/EarlierLots.tsx')).EarlierLots,
  '/records/contacts': async () => (await import('../records/ContactList.tsx')).ContactList,
  '/records/import': async () => (await import('../records/Import.tsx')).Import,
  '/records/:code': async () => (await import('../records/Record.tsx')).Record,
  '/bench': async () => (await import('../bench/Bench.tsx')).Bench,
  '/bench/pans': async () => (await import('../bench/Pans.tsx')).Pans,
  '/bench/titration': async () => (await import('../bench/Titration.tsx')).Titration,
  '/bench/trial': async () => (await import('../bench/Trial.tsx')).Trial,
  '/bench/simulated': async () => (await import('../bench/SimulatedBench.tsx')).SimulatedBench,
  '/kitchen': async () => (await import('../kitchen/KitchenSettings.tsx')).KitchenSettings,
  '/kitchen/journal': async () => (await import('../kitchen/KitchenJournal.tsx')).KitchenJournal,
};

// The script of the screen that is asked for comes beside what says who is signed in, not after it.
const asked = matchRoutes(
  PAGES.map((path) => ({ path })),
  window.location,
  base || '/',
)?.[0];
if (asked) void screens[asked.route.path]().catch(() => undefined);

export const router = createBrowserRouter(
  [
    {
      element: <Shell />,
      errorElement: <Lost />,
      children: [
        ...PAGES.map((path) => ({ path, Component: lazyPart(screens[path]) })),
        { path: '*', Component: Lost },
      ],
    },
  ],
  { basename: base || '/' },
);
