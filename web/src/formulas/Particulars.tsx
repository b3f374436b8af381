import { processFits } from '@inch/core/formula';
import { heatProcesses } from '@inch/core/heat';
import { limitOfHeat, volumeOfShown, volumeShown, volumeSign } from '@inch/core/quantity';
import { useState } from 'react';
import { useSetting } from '../data/useSetting.ts';
import { Choice, Field } from '../ui/Field.tsx';
import { Ruled } from '../ui/Sheet.tsx';
import { numberOf } from '../ui/StepFigures.tsx';
import { problemIn } from '../ui/typed.ts';
import type { Change, Draft } from './draft.ts';

interface Props {
  draft: Draft;
  change: (change: Change) => void;
}

const grid = 'mt-3 grid grid-cols-4 gap-4 max-md:grid-cols-2';

/** A figure of the formula's own; left empty it is not said. */
function Own({
  label,
  value,
  set,
  hint,
}: {
  label: string;
  value: number | undefined;
  set: (value: number | undefined) => void;
  hint?: string;
}) {
  const [problem, setProblem] = useState<string>();
  return (
    <Field
      label={label}
      hint={hint}
      error={problem}
      figure
      inputMode="decimal"
      defaultValue={value ?? ''}
      onChange={(e) => {
        const wrong = problemIn(e.target.value);
        setProblem(wrong);
        if (wrong === undefined) set(numberOf(e.target.value));
      }}
    />
  );
}

const whole = (value: number | undefined, least: number): number | undefined =>
  value === undefined ? undefined : Math.max(least, Math.round(value));

function Process({ draft, change }: Props) {
  const setting = useSetting();
  const { content } = draft;
  const set = (part: Partial<Draft['content']>) => change({ do: 'content', change: part });
  const fit = processFits(content, draft.kind, setting).find((p) => p.id === content.processId);
  return (
    <Choice
      className="col-span-2"
      label="Heat process"
      value={content.processId ?? ''}
      onChange={(e) => set({ processId: e.target.value || undefined })}
      hint="It counts only where the product matches all of it. The owner enters further ones under Kitchen."
      error={
        fit && fit.reasons.length > 0 ? `This product does not match: ${fit.reasons.join('; ')}.` : undefined
      }
      options={[
        ['', 'none'],
        ...[...(setting.processes ?? []), ...heatProcesses].map((p) => [p.id, p.name] as const),
      ]}
    />
  );
}

function Keeping({ draft, change }: Props) {
  const { content } = draft;
  const set = (part: Partial<Draft['content']>) => change({ do: 'content', change: part });
  const perBottle = content.lines.some((line) => line.basis?.per === 'bottle');
  return (
    <Ruled title="Storage, bottle and use" className="mt-8">
      <div className={grid}>
        <Choice
          label="Kind"
          value={draft.kind}
          onChange={(e) => change({ do: 'head', change: { kind: e.target.value as Draft['kind'] } })}
          options={[
            ['syrup', 'Syrup'],
            ['cordial', 'Cordial'],
            ['shrub', 'Shrub'],
            ['concentrate', 'Concentrate'],
          ]}
        />
        <Choice
          label="Kept"
          value={content.storage}
          onChange={(e) => set({ storage: e.target.value as Draft['content']['storage'] })}
          options={[
            ['shelf', 'on the shelf'],
            ['cold', `cold, at ${limitOfHeat(5)}`],
            ['frozen', 'frozen'],
          ]}
        />
        <Own
          label={`Bottle, ${volumeSign()}`}
          value={volumeShown(content.bottleMl)}
          set={(shown) => {
            const ml = shown === undefined ? 0 : volumeOfShown(shown);
            if (ml >= 10) set({ bottleMl: ml });
          }}
        />
        <Own
          label={`Headspace, ${volumeSign()}`}
          value={content.headspaceMl === undefined ? undefined : volumeShown(content.headspaceMl)}
          set={(shown) => set({ headspaceMl: shown === undefined ? undefined : volumeOfShown(shown) })}
        />
        <Process draft={draft} change={change} />
        <Own
          label="Pan across, mm"
          value={content.panMm}
          set={(panMm) =>
            set({ panMm: panMm !== undefined && panMm >= 60 && panMm <= 1000 ? panMm : undefined })
          }
          hint="Empty means one usual for its batch."
        />
        <Field
          className="col-span-2"
          label="How it is used, for the label"
          value={content.dilution ?? ''}
          placeholder="One part to six of water"
          onChange={(e) => set({ dilution: e.target.value || undefined })}
        />
        <Own
          label="Parts of water to one"
          value={content.waterParts}
          set={(waterParts) => set({ waterParts })}
        />
        <Own
          label="Ready after, days"
          value={content.readyDays}
          set={(days) => set({ readyDays: whole(days, 0) })}
        />
        {(perBottle || content.bottles !== undefined) && (
          <Own
            label="Bottles in the batch"
            value={content.bottles}
            hint={perBottle ? 'Empty: as many as it fills.' : ''}
            set={(bottles) => set({ bottles: whole(bottles, 1) })}
          />
        )}
      </div>
    </Ruled>
  );
}

function Wanted({ draft, change }: Props) {
  const targets = draft.content.targets ?? {};
  const set = (part: Partial<typeof targets>) => {
    const next = { ...targets, ...part };
    const some = Object.values(next).some((value) => value !== undefined);
    change({ do: 'content', change: { targets: some ? next : undefined } });
  };
  return (
    <Ruled title="Wanted: the forecast says how likely each is" className="mt-8">
      <div className={grid}>
        <Own label="pH at most" value={targets.ph} set={(ph) => set({ ph })} />
        <Own label="°Bx at least" value={targets.brix} set={(brix) => set({ brix })} />
        <Own
          label="Bottles at least"
          value={targets.bottles}
          set={(bottles) => set({ bottles: whole(bottles, 1) })}
        />
      </div>
    </Ruled>
  );
}

function Origin({ draft, change }: Props) {
  const { content } = draft;
  const set = (part: Partial<Draft['content']>) => change({ do: 'content', change: part });
  return (
    <Ruled title="Where it comes from" className="mt-8">
      <div className={grid}>
        <Field
          className="col-span-2"
          label="Title, or your own"
          value={content.source ?? ''}
          placeholder="A book, a card from an aunt, your own"
          onChange={(e) => set({ source: e.target.value || undefined })}
        />
        <Field
          className="col-span-2"
          label="Edition, page or date"
          value={content.edition ?? ''}
          onChange={(e) => set({ edition: e.target.value || undefined })}
        />
        <Field
          className="col-span-2"
          label="Changed from it"
          value={content.changed ?? ''}
          placeholder="Half the sugar; currants for cherries"
          onChange={(e) => set({ changed: e.target.value || undefined })}
        />
        <Field
          className="col-span-2"
          label="What this version changes"
          value={draft.note}
          placeholder="Note"
          onChange={(e) => change({ do: 'head', change: { note: e.target.value } })}
        />
      </div>
    </Ruled>
  );
}

/** How it is kept, bottled and used, what is wanted of it, and where it comes from. */
export function Particulars(props: Props) {
  return (
    <>
      <Keeping {...props} />
      <Wanted {...props} />
      <Origin {...props} />
    </>
  );
}
