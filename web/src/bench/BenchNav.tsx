import { PartsNav } from '../ui/PartsNav.tsx';

const PARTS = [
  ['/bench', 'Instruments'],
  ['/bench/pans', 'Pans'],
  ['/bench/titration', 'Titration'],
  ['/bench/trial', 'Trial doses'],
  ['/bench/simulated', 'Simulated bench'],
] as const;

/** The parts of the bench, along its top. */
export const BenchNav = () => <PartsNav label="Parts of the bench" parts={PARTS} />;
