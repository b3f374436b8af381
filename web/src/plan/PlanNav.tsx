import { PartsNav } from '../ui/PartsNav.tsx';

const PARTS = [
  ['/plan', 'Plans'],
  ['/plan/buy', 'Buy'],
  ['/plan/stock', 'Stock'],
  ['/plan/picking', 'Divide a picking'],
  ['/plan/yields', 'Past yields'],
] as const;

/** The parts of planning, along its top. */
export const PlanNav = () => <PartsNav label="Parts of planning" parts={PARTS} />;
