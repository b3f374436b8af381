import { formulaRoutes } from '@inch/contract/making/formula';
import { differences } from '@inch/core/formula';
import { useQueries } from '@tanstack/react-query';
import { Link, useSearchParams } from 'react-router';
import { call } from '../data/api.ts';
import { useFormulas } from '../data/formulas.ts';
import { keys } from '../data/keys.ts';
import { useSession } from '../data/session.tsx';
import { useSetting } from '../data/useSetting.ts';
import { Button } from '../ui/Button.tsx';
import { Empty, Ruled, Sheet } from '../ui/Sheet.tsx';
import { Fruit } from '../ui/State.tsx';
import { Unread } from '../ui/Unread.tsx';
import { type Column, columnOf, FIGURES, lineRows } from './columns.ts';
import { signed } from './Lines.tsx';

const MOST = 4;

function Heads({ columns, drop }: { columns: Column[]; drop: (key: string) => void }) {
  return (
    <tr>
      <th className="w-44" aria-label="Figure" />
      {columns.map((c) => (
        <th key={c.key} className="border-b border-ink pr-4 pb-2 text-left align-bottom font-normal">
          <span className="flex items-center gap-2">
            <Fruit colour={c.formula.colour} size={16} />
            <Link to={`/formulas/${c.formula.id}`} className="font-bold hover:text-link">
              {c.formula.name}
            </Link>
            <Button
              size="small"
              tone="quiet"
              className="ml-auto px-1.5 text-lg"
              aria-label={`Take ${c.formula.name}, version ${c.number}, out`}
              onClick={() => drop(c.key)}
            >
              ×
            </Button>
          </span>
          <span className="text-sm text-ink-2">version {c.number}</span>
        </th>
      ))}
    </tr>
  );
}

function Section({ title, span }: { title: string; span: number }) {
  return (
    <tr>
      <th
        colSpan={span + 1}
        scope="colgroup"
        className="border-b border-ink pt-6 pb-1 text-left text-sm font-semibold text-ink-2"
      >
        {title}
      </th>
    </tr>
  );
}

const cell = 'figure border-b border-steel-line py-1.5 pr-4 align-top';
const head = 'border-b border-steel-line py-1.5 pr-3 text-left align-top font-normal text-ink-2';

/** Between versions of one formula, what differs from the first column stands out. */
const differs = (columns: readonly Column[], cells: readonly string[], i: number) =>
  columns.every((c) => c.formula.id === columns[0]!.formula.id) && cells[i] !== cells[0] ? 'font-bold' : '';

function Table({ columns, drop }: { columns: Column[]; drop: (key: string) => void }) {
  const { kitchen } = useSession();
  const longest = Math.max(...columns.map((c) => c.content.steps.length));
  return (
    <div className="overflow-x-auto">
      <table className="w-full min-w-160 border-separate border-spacing-0">
        <thead>
          <Heads columns={columns} drop={drop} />
        </thead>
        <tbody>
          {FIGURES.map(({ name, of }) => {
            const cells = columns.map((c) => of(c, kitchen.currency));
            return (
              <tr key={name}>
                <th scope="row" className={head}>
                  {name}
                </th>
                {columns.map((c, i) => (
                  <td key={c.key} className={`${cell} ${differs(columns, cells, i)}`}>
                    {cells[i]}
                  </td>
                ))}
              </tr>
            );
          })}
          <Section title="What goes in" span={columns.length} />
          {lineRows(columns).map((row) => (
            <tr key={row.id}>
              <th scope="row" className={head}>
                {row.name}
              </th>
              {columns.map((c, i) => (
                <td key={c.key} className={`${cell} ${differs(columns, row.cells, i)}`}>
                  {row.cells[i]}
                </td>
              ))}
            </tr>
          ))}
          <Section title="Steps" span={columns.length} />
          {Array.from({ length: longest }, (_, i) => (
            <tr key={i}>
              <th scope="row" className={head}>
                {i + 1}
              </th>
              {columns.map((c) => (
                <td key={c.key} className="border-b border-steel-line py-1.5 pr-4 align-top">
                  {c.content.steps[i]?.title ?? ''}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Changed({ a, b }: { a: Column; b: Column }) {
  const list = differences(a.content, b.content, { catalogue: b.catalogue });
  const moved = [
    [signed(b.forecast.brix - a.forecast.brix, 1), '°Bx'],
    [a.forecast.ph && b.forecast.ph ? signed(b.forecast.ph.middle - a.forecast.ph.middle, 2) : '–', 'pH'],
    [signed((b.forecast.millilitres - a.forecast.millilitres) / 1000, 2), 'L'],
  ] as const;
  return (
    <Ruled title={`From version ${a.number} to version ${b.number}`} className="mt-5">
      <div className="mt-3 flex flex-wrap gap-x-10 gap-y-3">
        <ul className="min-w-72 flex-1 list-disc pl-5">
          {list.length === 0 && <li>Nothing changed.</li>}
          {list.map((d) => (
            <li key={d.text}>{d.text}</li>
          ))}
        </ul>
        <dl className="flex gap-8">
          {moved.map(([value, unit]) => (
            <div key={unit} className="flex flex-col-reverse">
              <dt className="text-sm text-ink-2">{unit}</dt>
              <dd className="figure text-xl font-bold">{value}</dd>
            </div>
          ))}
        </dl>
      </div>
    </Ruled>
  );
}

function Add({ add, taken }: { add: (pick: string) => void; taken: readonly string[] }) {
  const { data } = useFormulas();
  return (
    <select
      aria-label="Add another"
      value=""
      onChange={(e) => add(e.target.value)}
      className="min-h-10 rounded-lg border border-steel bg-enamel px-3"
    >
      <option value="">Add another…</option>
      {(data ?? []).flatMap((f) =>
        Array.from({ length: f.version }, (_, i) => `${f.id}.${f.version - i}`)
          .filter((pick) => !taken.includes(pick))
          .map((pick) => (
            <option key={pick} value={pick}>
              {f.name}, version {pick.split('.')[1]}
            </option>
          )),
      )}
    </select>
  );
}

/** Up to four formulas or versions side by side. */
export function Compare() {
  const setting = useSetting();
  const [search, setSearch] = useSearchParams();
  const picks = [...new Set(search.getAll('with'))].slice(0, MOST);
  const ids = [...new Set(picks.map((pick) => pick.split('.')[0]!))];
  const read = useQueries({
    queries: ids.map((id) => ({
      queryKey: keys.one('formula', id),
      queryFn: () => call(formulaRoutes.read, { params: { id } }),
    })),
  });
  const failed = read.find((r) => r.error && !r.data);
  const formulas = read.map((r) => r.data);
  const columns = picks.flatMap((pick) => {
    const [id, number] = pick.split('.') as [string, string];
    const formula = formulas[ids.indexOf(id)];
    const column = formula && columnOf(pick, formula, Number(number), setting);
    return column ? [column] : [];
  });
  if (failed || read.some((r) => r.isPending))
    return <Unread title="Side by side" error={failed?.error ?? null} retry={() => failed?.refetch()} />;
  const show = (next: readonly string[]) =>
    setSearch(new URLSearchParams(next.map((pick) => ['with', pick])), { replace: true });
  const [a, b] = columns;
  return (
    <Sheet>
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1>Side by side</h1>
        {picks.length < MOST && <Add taken={picks} add={(pick) => pick && show([...picks, pick])} />}
      </div>
      {columns.length === 0 ? (
        <Empty title="Nothing to compare yet">Put up to four formulas or versions beside one another.</Empty>
      ) : (
        <>
          {a && b && columns.length === 2 && a.formula.id === b.formula.id && (
            <Changed a={a.number < b.number ? a : b} b={a.number < b.number ? b : a} />
          )}
          <div className="mt-6">
            <Table columns={columns} drop={(key) => show(picks.filter((pick) => pick !== key))} />
          </div>
        </>
      )}
    </Sheet>
  );
}
