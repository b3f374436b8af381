import type { ComponentType } from 'react';
import { createBrowserRouter } from 'react-router';
import { base } from '../data/base.ts';
import { lazyPart } from '../ui/lazyPart.ts';
import { Lost } from './Lost.tsx';
import { Shell } from './Shell.tsx';

/** A screen whose script is fetched when it is first opened, and asked for again while the line is away. */
const page = (load: () => Promise<ComponentType>) => lazyPart(load);

export const router = createBrowserRouter(
  [
    {
      element: <Shell />,
      errorElement: <Lost />,
      children: [
        { path: '/', Component: page(async () => (await import('../today/Today.tsx')).Today) },
        {
          path: '/formulas',
          Component: page(async () => (await import('../formulas/Library.tsx')).Library),
        },
        {
          path: '/formulas/compare',
          Component: page(async () => (await import('../formulas/Compare.tsx')).Compare),
        },
        {
          path: '/formulas/ingredients',
          Component: page(async () => (await import('../formulas/OwnCatalogue.tsx')).OwnCatalogue),
        },
        {
          path: '/formulas/:id',
          Component: page(async () => (await import('../formulas/Editor.tsx')).Editor),
        },
        { path: '/plan', Component: page(async () => (await import('../plan/PlanList.tsx')).PlanList) },
        { path: '/plan/buy', Component: page(async () => (await import('../plan/Buy.tsx')).Buy) },
        { path: '/plan/stock', Component: page(async () => (await import('../plan/Stock.tsx')).Stock) },
        {
          path: '/plan/picking',
          Component: page(async () => (await import('../plan/Picking.tsx')).Picking),
        },
        {
          path: '/plan/yields',
          Component: page(async () => (await import('../plan/Yields.tsx')).Yields),
        },
        {
          path: '/plan/:id',
          Component: page(async () => (await import('../plan/PlanPage.tsx')).PlanPage),
        },
        {
          path: '/plan/:id/:part',
          Component: page(async () => (await import('../plan/PlanPage.tsx')).PlanPage),
        },
        {
          path: '/stove',
          Component: page(async () => (await import('../stove/StoveList.tsx')).StoveList),
        },
        {
          path: '/stove/:code',
          Component: page(async () => (await import('../stove/RunSheet.tsx')).RunSheet),
        },
        {
          path: '/stove/:code/cook',
          Component: page(async () => (await import('../stove/CookView.tsx')).CookView),
        },
        {
          path: '/bottling',
          Component: page(async () => (await import('../bottling/BottlingList.tsx')).BottlingList),
        },
        {
          path: '/bottling/:code/:part?',
          Component: page(async () => (await import('../bottling/Bottling.tsx')).Bottling),
        },
        {
          path: '/labels',
          Component: page(async () => (await import('../labels/LabelList.tsx')).LabelList),
        },
        {
          path: '/labels/:code',
          Component: page(async () => (await import('../labels/Label.tsx')).Label),
        },
        { path: '/shelf', Component: page(async () => (await import('../shelf/Shelf.tsx')).Shelf) },
        {
          path: '/records',
          Component: page(async () => (await import('../records/RecordList.tsx')).RecordList),
        },
        {
          path: '/records/:code',
          Component: page(async () => (await import('../records/Record.tsx')).Record),
        },
        { path: '/bench', Component: page(async () => (await import('../bench/Bench.tsx')).Bench) },
        {
          path: '/bench/pans',
          Component: page(async () => (await import('../bench/Pans.tsx')).Pans),
        },
        {
          path: '/bench/titration',
          Component: page(async () => (await import('../bench/Titration.tsx')).Titration),
        },
        {
          path: '/bench/trial',
          Component: page(async () => (await import('../bench/Trial.tsx')).Trial),
        },
        {
          path: '/bench/simulated',
          Component: page(async () => (await import('../bench/SimulatedBench.tsx')).SimulatedBench),
        },
        {
          path: '/kitchen',
          Component: page(async () => (await import('../kitchen/KitchenSettings.tsx')).KitchenSettings),
        },
        {
          path: '/kitchen/journal',
          Component: page(async () => (await import('../kitchen/KitchenJournal.tsx')).KitchenJournal),
        },
        { path: '*', Component: Lost },
      ],
    },
  ],
  { basename: base || '/' },
);
