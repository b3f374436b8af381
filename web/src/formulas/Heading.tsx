import type { ReactNode } from 'react';
import { useMayWrite } from '../data/session.tsx';
import type { Change, Draft } from './draft.ts';

const FRUITS = [
  '#8E1230',
  '#B3263A',
  '#4A2860',
  '#2F3E7A',
  '#60730F',
  '#A06A10',
  '#B5541C',
  '#3A6455',
  '#6B4A2B',
];

function Colours({ colour, choose }: { colour: string; choose: (colour: string) => void }) {
  return (
    <fieldset className="flex items-center gap-1.5">
      <legend className="sr-only">Colour of the liquid</legend>
      {(FRUITS.includes(colour) ? FRUITS : [colour, ...FRUITS]).map((c) => (
        <label
          key={c}
          className="grid size-7 cursor-pointer place-items-center rounded-full has-checked:outline-2 has-checked:outline-offset-1 has-checked:outline-rim has-focus-visible:outline-3 has-focus-visible:outline-rim"
        >
          <input
            type="radio"
            name="colour"
            className="sr-only"
            value={c}
            checked={c === colour}
            onChange={() => choose(c)}
            aria-label={`Colour ${c}`}
          />
          <span className="size-5 rounded-full" style={{ background: c }} />
        </label>
      ))}
    </fieldset>
  );
}

/** Name, kind and colour of the product at the top of the sheet. */
export function Heading({
  draft,
  change,
  said,
  error,
  actions,
}: {
  draft: Draft;
  change: (change: Change) => void;
  said: string;
  error: string | undefined;
  actions?: ReactNode;
}) {
  const mayWrite = useMayWrite();
  return (
    <div className="mb-4">
      <h1 className="sr-only">{draft.name || 'A new formula'}</h1>
      <fieldset disabled={!mayWrite} className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <input
          aria-label="Name of the product"
          aria-invalid={error ? true : undefined}
          value={draft.name}
          onChange={(e) => change({ do: 'head', change: { name: e.target.value } })}
          placeholder="Name of the product"
          className={`min-w-40 flex-1 rounded-md border border-transparent bg-transparent ${draft.name.length > 22 ? 'text-xl' : 'text-[1.75rem]'} font-bold tracking-tight placeholder:text-steel hover:border-steel focus:border-steel aria-invalid:border-stop`}
        />
        <Colours colour={draft.colour} choose={(colour) => change({ do: 'head', change: { colour } })} />
      </fieldset>
      {error && (
        <p role="alert" className="font-semibold text-stop">
          {error}
        </p>
      )}
      <div className="flex items-center justify-between gap-3">
        <p className="text-ink-2">{said}</p>
        <div className="flex items-center gap-1">{actions}</div>
      </div>
    </div>
  );
}
