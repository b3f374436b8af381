import { useState } from 'react';
import { minutesInWords } from './format.ts';
import { figureIn, problemIn } from './typed.ts';

const small =
  'figure w-14 rounded-md border border-steel-line bg-transparent px-1.5 py-0.5 text-right hover:border-steel';
export const numberOf = (text: string): number | undefined => figureIn(text) ?? undefined;

/** A small figure in a step's own words; what stands typical is shown as its placeholder. */
export function Figure({
  label,
  value,
  typical,
  unit,
  set,
}: {
  label: string;
  value: number | undefined;
  typical?: number | undefined;
  unit: string;
  set: (value: number | undefined) => void;
}) {
  const [problem, setProblem] = useState<string>();
  return (
    <label className="whitespace-nowrap">
      <input
        aria-label={label}
        aria-invalid={problem ? true : undefined}
        title={problem}
        className={`${small} aria-invalid:border-2 aria-invalid:border-stop`}
        inputMode="decimal"
        defaultValue={value ?? ''}
        placeholder={typical === undefined ? '' : String(typical)}
        onChange={(e) => {
          // What cannot be read never takes the place of what stood.
          const wrong = problemIn(e.target.value);
          setProblem(wrong);
          if (wrong === undefined) set(numberOf(e.target.value));
        }}
      />{' '}
      {unit}
    </label>
  );
}

/** "25 min", "3 h", "2 d", or a bare number of minutes. */
export function minutesFrom(text: string): number | undefined {
  const match = /^(\d+(?:[.,]\d+)?)\s*(min|minutes?|h|hours?|d|days?)?\.?(?:\s+(\d+)\s*min)?$/i.exec(
    text.trim(),
  );
  if (!match) return undefined;
  const size = /^d/i.test(match[2] ?? '') ? 1440 : /^h/i.test(match[2] ?? '') ? 60 : 1;
  return Number(match[1]!.replace(',', '.')) * size + Number(match[3] ?? 0);
}

/** How long a step takes, as one says it. */
export function Time({
  label,
  minutes,
  set,
}: {
  label: string;
  minutes: number | undefined;
  set: (minutes: number | undefined) => void;
}) {
  return (
    <input
      aria-label={label}
      className={`${small} w-28`}
      defaultValue={minutes === undefined ? '' : minutesInWords(minutes)}
      placeholder="25 min, 2 d"
      onChange={(e) => set(minutesFrom(e.target.value))}
    />
  );
}

/** A share in percent, kept between 1 and 100. */
export function Share({
  label,
  value,
  typical,
  words,
  set,
}: {
  label: string;
  value: number | undefined;
  typical?: number | undefined;
  words: string;
  set: (share: number | undefined) => void;
}) {
  const percent = (share: number | undefined) => (share === undefined ? undefined : Math.round(share * 100));
  return (
    <Figure
      label={label}
      value={percent(value)}
      typical={percent(typical)}
      unit={words}
      set={(p) => set(p === undefined ? undefined : Math.min(100, Math.max(1, p)) / 100)}
    />
  );
}

export function Tick({
  label,
  checked,
  set,
}: {
  label: string;
  checked: boolean;
  set: (on: boolean) => void;
}) {
  return (
    <label className="flex items-center gap-1.5 whitespace-nowrap">
      <input
        type="checkbox"
        className="size-4.5 accent-[var(--rim)]"
        checked={checked}
        onChange={(e) => set(e.target.checked)}
      />{' '}
      {label}
    </label>
  );
}
