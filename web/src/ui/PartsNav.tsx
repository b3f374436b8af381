import { NavLink } from 'react-router';

/** The parts of a place, along its top. */
export function PartsNav({
  label,
  parts,
}: {
  label: string;
  parts: readonly (readonly [path: string, name: string])[];
}) {
  return (
    <nav aria-label={label} className="no-print mb-5 flex flex-wrap gap-x-1 border-b border-ink">
      {parts.map(([path, name]) => (
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
