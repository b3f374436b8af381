import { createBrowserRouter } from 'react-router';
import { base } from '../data/base.ts';
import { Lost } from './Lost.tsx';
import { Shell } from './Shell.tsx';

export const router = createBrowserRouter(
  [
    {
      element: <Shell />,
      errorElement: <Lost />,
      HydrateFallback: () => null,
      children: [
        { path: '/', lazy: async () => ({ Component: (await import('../today/Today.tsx')).Today }) },
        {
          path: '/formulas',
          lazy: async () => ({ Component: (await import('../formulas/Library.tsx')).Library }),
        },
        {
          path: '/formulas/compare',
          lazy: async () => ({ Component: (await import('../formulas/Compare.tsx')).Compare }),
        },
        {
          path: '/formulas/ingredients',
          lazy: async () => ({ Component: (await import('../formulas/OwnCatalogue.tsx')).OwnCatalogue }),
        },
        {
          path: '/formulas/:id',
          lazy: async () => ({ Component: (await import('../formulas/Editor.tsx')).Editor }),
        },
        { path: '/plan', lazy: async () => ({ Component: (await import('../plan/PlanList.tsx')).PlanList }) },
        { path: '/plan/buy', lazy: async () => ({ Component: (await import('../plan/Buy.tsx')).Buy }) },
        { path: '/plan/stock', lazy: async () => ({ Component: (await import('../plan/Stock.tsx')).Stock }) },
        {
          path: '/plan/picking',
          lazy: async () => ({ Component: (await import('../plan/Picking.tsx')).Picking }),
        },
        {
          path: '/plan/yields',
          lazy: async () => ({ Component: (await import('../plan/Yields.tsx')).Yields }),
        },
        {
          path: '/plan/:id',
          lazy: async () => ({ Component: (await import('../plan/PlanPage.tsx')).PlanPage }),
        },
        {
          path: '/plan/:id/:part',
          lazy: async () => ({ Component: (await import('../plan/PlanPage.tsx')).PlanPage }),
        },
        {
          path: '/stove',
          lazy: async () => ({ Component: (await import('../stove/StoveList.tsx')).StoveList }),
        },
        {
          path: '/stove/:code',
          lazy: async () => ({ Component: (await import('../stove/RunSheet.tsx')).RunSheet }),
        },
        {
          path: '/stove/:code/cook',
          lazy: async () => ({ Component: (await import('../stove/CookView.tsx')).CookView }),
        },
        {
          path: '/bottling',
          lazy: async () => ({ Component: (await import('../bottling/BottlingList.tsx')).BottlingList }),
        },
        {
          path: '/bottling/:code/:part?',
          lazy: async () => ({ Component: (await import('../bottling/Bottling.tsx')).Bottling }),
        },
        {
          path: '/labels',
          lazy: async () => ({ Component: (await import('../labels/LabelList.tsx')).LabelList }),
        },
        {
          path: '/labels/:code',
          lazy: async () => ({ Component: (await import('../labels/Label.tsx')).Label }),
        },
        { path: '/shelf', lazy: async () => ({ Component: (await import('../shelf/Shelf.tsx')).Shelf }) },
        {
          path: '/records',
          lazy: async () => ({ Component: (await import('../records/RecordList.tsx')).RecordList }),
        },
        {
          path: '/records/:code',
          lazy: async () => ({ Component: (await import('../records/Record.tsx')).Record }),
        },
        { path: '/bench', lazy: async () => ({ Component: (await import('../bench/Bench.tsx')).Bench }) },
        {
          path: '/bench/pans',
          lazy: async () => ({ Component: (await import('../bench/Pans.tsx')).Pans }),
        },
        {
          path: '/bench/titration',
          lazy: async () => ({ Component: (await import('../bench/Titration.tsx')).Titration }),
        },
        {
          path: '/bench/trial',
          lazy: async () => ({ Component: (await import('../bench/Trial.tsx')).Trial }),
        },
        {
          path: '/bench/simulated',
          lazy: async () => ({ Component: (await import('../bench/SimulatedBench.tsx')).SimulatedBench }),
        },
        {
          path: '/kitchen',
          lazy: async () => ({ Component: (await import('../kitchen/KitchenSettings.tsx')).KitchenSettings }),
        },
        { path: '*', Component: Lost },
      ],
    },
  ],
  { basename: base || '/' },
);
