import type { Formula } from '@inch/contract/making/formula';
import { differences, type FormulaContent } from '@inch/core/formula';
import { kitchenCatalogue } from '@inch/core/ingredient';
import { Link } from 'react-router';
import { useSetting } from '../data/useSetting.ts';
import { buttonLook } from '../ui/Button.tsx';
import { dayMonthYear } from '../ui/dates.ts';
import { Ruled } from '../ui/Sheet.tsx';
import { compareLink } from './compareLink.ts';

/** Every version with what it changed from the one before. */
export function Versions({ formula }: { formula: Formula }) {
  const { catalogue } = useSetting();
  const before = (number: number) => formula.versions.find((v) => v.number === number - 1);
  const changes = (version: Formula['versions'][number]) => {
    const old = before(version.number);
    if (!old) return [];
    const own = [old, version].flatMap((v) => (v.content as FormulaContent).own?.ingredients ?? []);
    const names = own.length > 0 ? kitchenCatalogue({ ingredients: own }) : catalogue;
    return differences(old.content as FormulaContent, version.content as FormulaContent, {
      catalogue: names,
    });
  };
  return (
    <Ruled title="Versions" className="mt-8">
      <ol>
        {formula.versions.map((v) => {
          const list = changes(v);
          return (
            <li key={v.id} className="border-b border-steel-line py-2 text-sm">
              <div className="flex items-baseline gap-4">
                <span className="figure w-6 font-bold">{v.number}</span>
                <span className="w-28 text-ink-2">{dayMonthYear(v.savedAt)}</span>
                <span className="flex-1">{v.note || (v.number === 1 ? 'the first' : '')}</span>
                <span className="text-ink-2">{v.savedBy}</span>
                {v.number > 1 && (
                  <Link
                    to={compareLink([
                      { id: formula.id, version: v.number - 1 },
                      { id: formula.id, version: v.number },
                    ])}
                    className={buttonLook({ tone: 'quiet', size: 'small' })}
                  >
                    Compare {v.number} with {v.number - 1}
                  </Link>
                )}
              </div>
              {list.length > 0 && (
                <p className="pl-10 text-ink-2">
                  {list
                    .slice(0, 4)
                    .map((d) => d.text)
                    .join(' · ')}
                  {list.length > 4 && ` · and ${list.length - 4} more`}
                </p>
              )}
            </li>
          );
        })}
      </ol>
    </Ruled>
  );
}
