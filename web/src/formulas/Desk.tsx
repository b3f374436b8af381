import type { Formula } from '@inch/contract/making/formula';
import type { Forecast, FormulaContent, Mend } from '@inch/core/formula';
import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import { useMayWrite } from '../data/session.tsx';
import { Button, buttonLook } from '../ui/Button.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { BringIn } from './bringIn/BringIn.tsx';
import type { Change, Draft, Method } from './draft.ts';
import type { Incoming } from './exchange/incoming.ts';
import { ForecastPanel } from './forecast/ForecastPanel.tsx';
import { SeveralAims } from './forecast/SeveralAims.tsx';
import { useForecast } from './forecast/useForecast.ts';
import { type Wanted, WhatItTakes } from './forecast/WhatItTakes.tsx';
import { Heading } from './Heading.tsx';
import { Lines } from './Lines.tsx';
import { MoreMenu } from './MoreMenu.tsx';
import { Particulars } from './Particulars.tsx';
import { Steps } from './Steps.tsx';
import { type Start, useDesk, type useSave } from './useDesk.ts';
import { Versions } from './Versions.tsx';

/** Lines that say something and are not understood yet. */
const openLines = (draft: Draft, forecast: Forecast): number =>
  forecast.lines.filter(
    (l, i) => l.asks && (draft.content.lines[i]!.said !== '' || draft.content.lines[i]!.ingredientId !== ''),
  ).length;

function SaveRow({
  formula,
  after,
  draft,
  save,
  open,
}: {
  formula: Formula | null;
  after: number;
  draft: Draft;
  save: ReturnType<typeof useSave>;
  open: number;
}) {
  const mayWrite = useMayWrite();
  return (
    <div className="mt-6 flex flex-wrap items-center gap-3">
      {mayWrite && (
        <Button onClick={() => save.run({ draft })} disabled={save.busy}>
          Save version {after + 1}
        </Button>
      )}
      {formula && mayWrite && !formula.archived && (
        <Link to={`/stove?formula=${formula.id}`} className={buttonLook({ tone: 'plain' })}>
          Start a lot of version {formula.version}
        </Link>
      )}
      {open > 0 && (
        <span className="text-sm font-semibold text-hold">
          {open === 1 ? 'One line is' : `${open} lines are`} still open.
        </span>
      )}
      {save.error && !save.fields.name && (
        <p role="alert" className="basis-full font-semibold text-stop">
          {save.error.message}
        </p>
      )}
    </div>
  );
}

interface Props extends Start {
  meanwhile?: ReactNode;
  discard: () => void;
}

/** The forecast beside the draft, with what it would take to move one of its figures. */
function ForecastAside({
  draft,
  change,
  seen,
}: {
  draft: Draft;
  change: (change: Change) => void;
  seen: ReturnType<typeof useForecast>;
}) {
  const [wanted, ask] = useState<Wanted | null>(null);
  const mayWrite = useMayWrite();
  return (
    <ForecastPanel
      forecast={seen.shown}
      simulated={seen.simulated}
      content={seen.content}
      contributions={seen.brings}
      colour={draft.colour}
      criticalPh={seen.setting.criticalPh}
      mends={seen.mends}
      pairs={seen.pairs}
      mend={mayWrite ? (mend) => change({ do: 'content', change: mendedBy(mend) }) : undefined}
      askFor={mayWrite ? (aim, value) => ask({ aim, value }) : undefined}
    >
      {mayWrite && (
        <WhatItTakes
          content={draft.content}
          wanted={wanted}
          ask={ask}
          take={(id, said) => change({ do: 'line', id, change: { said } })}
        />
      )}
      {mayWrite && (
        <SeveralAims
          content={draft.content}
          take={(changes) => {
            for (const { lineId, said } of changes) change({ do: 'line', id: lineId, change: { said } });
          }}
        />
      )}
    </ForecastPanel>
  );
}

function mendedBy(mend: Mend): Partial<FormulaContent> {
  if (mend.do === 'cold') return { storage: 'cold', processId: undefined };
  if (mend.do === 'acid' || mend.do === 'heat' || mend.do === 'change') return mend.content;
  return mend.do === 'process'
    ? { processId: mend.id }
    : { processId: mend.id, bottleMl: Math.round(mend.largestMl) };
}

/** A list or a recipe pasted or read from a file: into an empty draft with its steps, into one that has lines as more lines. */
function PasteRecipe({ draft, change }: { draft: Draft; change: (change: Change) => void }) {
  const [open, setOpen] = useState(false);
  const isEmpty = draft.content.lines.every((line) => line.said === '' && line.ingredientId === '');
  const take = ({ formulaLines, content, name, note }: Incoming, goes?: Method['goes']) => {
    if (isEmpty && content) {
      change({ do: 'content', change: { ...content, lines: formulaLines } });
      change({ do: 'head', change: { ...(draft.name || !name ? {} : { name }), ...(note ? { note } : {}) } });
    } else
      change({
        do: 'add lines',
        lines: formulaLines,
        ...(goes && content ? { method: { steps: content.steps, goes } } : {}),
      });
    setOpen(false);
  };
  return (
    <>
      <Button tone="quiet" size="small" onClick={() => setOpen(true)}>
        Paste a recipe…
      </Button>
      {open && (
        <BringIn
          title="Paste a list, a recipe or an account"
          hasSteps={!isEmpty}
          onClose={() => setOpen(false)}
          take={take}
        />
      )}
    </>
  );
}

/** The desk a formula is written at, with its forecast beside it. */
export function Desk(props: Props) {
  const { formula, after = 0, meanwhile, discard } = props;
  const { draft, change, save, restored } = useDesk(props);
  const seen = useForecast(draft, formula?.id);
  const mayWrite = useMayWrite();
  return (
    <Sheet asideLabel="Forecast" aside={<ForecastAside draft={draft} change={change} seen={seen} />}>
      <DraftNote form={{ restored, clear: discard }} />
      <Heading
        draft={draft}
        change={change}
        said={`${mayWrite ? `draft of version ${after + 1}` : `version ${after}`} · ${draft.kind}${formula?.archived ? ' · archived' : ''}`}
        error={save.fields.name}
        actions={
          <>
            {mayWrite && <PasteRecipe draft={draft} change={change} />}
            <MoreMenu formula={formula} draft={draft} forecast={seen.shown} />
          </>
        }
      />
      {/* Who only reads sees it as it stands. */}
      <fieldset disabled={!mayWrite} className="group contents">
        <Lines draft={draft} forecast={seen.shown} change={change} contributions={seen.brings.lines} />
        <Steps draft={draft} forecast={seen.shown} change={change} />
        <Particulars draft={draft} change={change} />
      </fieldset>
      {meanwhile}
      <SaveRow
        formula={formula}
        after={after}
        draft={draft}
        save={save}
        open={openLines(draft, seen.shown)}
      />
      {formula && <Versions formula={formula} />}
    </Sheet>
  );
}
