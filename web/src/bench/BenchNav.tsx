import { NavLink } from 'react-router';

const PARTS = [
  ['/bench', 'Instruments'],
  ['/bench/pans', 'Pans'],
  ['/bench/titration', 'Titration'],
  ['/bench/trial', 'Trial doses'],
  ['/bench/simulated', 'Simulated bench'],
] as const;

/** The parts of the bench, along its top. */
export function BenchNav() {
  return (
    <nav aria-label="Parts of the bench" className="mb-5 flex flex-wrap gap-x-1 border-b border-ink">
      {PARTS.map(([path, name]) => (
        <NavLink
          key={path}
          to={path}
          end
          className={({ isActive }) =>
            `-mb-px flex min-h-11 items-center border-b-4 px-3 ${isActive ? 'border-rim font-bold' : 'border-transparent text-link hover:bg-rim-pale'}`
          }
        >
          {name}
        </NavLink>
      ))}
    </nav>
  );
}
