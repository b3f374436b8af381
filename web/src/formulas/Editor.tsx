import { type Formula, formulaRoutes } from '@inch/contract/formula';
import {
  contributions,
  type Forecast,
  type ForecastSetting,
  type FormulaContent,
  forecast,
  withBand,
} from '@inch/core/formula';
import { useQuery } from '@tanstack/react-query';
import { type ReactNode, useEffect, useMemo, useReducer, useState } from 'react';
import { Link, useLocation, useNavigate, useParams } from 'react-router';
import { call, newId } from '../data/api.ts';
import { keys } from '../data/keys.ts';
import { useMayWrite } from '../data/session.tsx';
import { useSetting } from '../data/useSetting.ts';
import { useWrite } from '../data/useWrite.ts';
import { Away } from '../ui/Away.tsx';
import { Button, buttonLook } from '../ui/Button.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { Caution } from '../ui/State.tsx';
import { BringIn } from './BringIn.tsx';
import { changeDraft, type Draft, draftOf, emptyDraft, savedContent } from './draft.ts';
import { ForecastPanel } from './ForecastPanel.tsx';
import { Heading } from './Heading.tsx';
import { Lines } from './Lines.tsx';
import { MoreMenu } from './MoreMenu.tsx';
import { Particulars } from './Particulars.tsx';
import { Steps } from './Steps.tsx';
import { type Simulated, useSimulation } from './useSimulation.ts';
import { Versions } from './Versions.tsx';
import { type Wanted, WhatItTakes } from './WhatItTakes.tsx';

/** A formula by its id, or a new one. */
export function Editor() {
  const { id = 'new' } = useParams();
  const { data, error, refetch } = useQuery({
    queryKey: keys.one('formula', id),
    queryFn: () => call(formulaRoutes.read, { params: { id } }),
    enabled: id !== 'new',
  });
  const given = (useLocation().state as { draft?: Draft } | null)?.draft;
  if (id === 'new') return <Desk key="new" formula={null} given={given} />;
  if (error && !data) return <Away error={error} retry={() => void refetch()} />;
  return data ? <Saved key={data.id} formula={data} /> : null;
}

/** A saved formula at its newest version; once something is typed, the version it was typed into, whatever is saved elsewhere meanwhile. */
function Saved({ formula }: { formula: Formula }) {
  const [begun, begin] = useState<Formula | null>(null);
  const [seen, see] = useState<number | null>(null);
  const shown = begun ?? formula;
  const after = seen ?? shown.version;
  return (
    <Desk
      key={`begun from ${shown.version}`}
      formula={shown}
      after={after}
      touched={() => begin((before) => before ?? shown)}
      settled={() => {
        begin(null);
        see(null);
      }}
      meanwhile={
        formula.version > after && (
          <Caution className="mt-6">
            <strong>
              Version {formula.version} was saved meanwhile, after the version {after} you began from.
            </strong>{' '}
            It stands under Versions below. What you typed is still here.
            <span className="mt-3 flex flex-wrap gap-3">
              <Button tone="plain" size="small" onClick={() => see(formula.version)}>
                Save yours as a newer version
              </Button>
              <Button
                tone="quiet"
                size="small"
                onClick={() => {
                  begin(null);
                  see(null);
                }}
              >
                Discard yours, start from version {formula.version}
              </Button>
            </span>
          </Caution>
        )
      }
    />
  );
}

function useSave(formula: Formula | null, after: number, settled: () => void) {
  const navigate = useNavigate();
  const [ids] = useState(() => ({ id: newId() }));
  return useWrite(
    'formula',
    async ({ draft }: { draft: Draft }, idOf) => {
      const body = {
        versionId: idOf(),
        name: draft.name,
        kind: draft.kind,
        colour: draft.colour,
        note: draft.note,
        content: savedContent(draft.content),
      };
      if (!formula) return call(formulaRoutes.create, { body: { id: ids.id, ...body } });
      await call(formulaRoutes.save, {
        params: { id: formula.id },
        body: { ...body, after },
      });
      return { id: formula.id };
    },
    {
      tellsErrors: true,
      done: formula ? `Version ${after + 1} saved` : 'Saved as version 1',
      // A new one gets its own address; whoever has gone elsewhere meanwhile is not called back.
      after: ({ id }) => {
        settled();
        if (window.location.pathname === '/formulas/new') navigate(`/formulas/${id}`, { replace: true });
      },
    },
  );
}

/** The forecast with the drawn band: while a new one is drawn, the last one's width goes along with the new middle. */
function drawn(
  plain: Forecast,
  content: FormulaContent,
  setting: ForecastSetting,
  { result, middle }: Simulated,
): Forecast {
  if (!plain.ph || !result?.ph) return plain;
  const shift = middle === null ? 0 : plain.ph.middle - middle;
  return withBand(plain, content, setting, { low: result.ph.low + shift, high: result.ph.high + shift });
}

/** The forecast of a draft: figures at once with every key, the drawing in a worker behind them. */
function useForecast(draft: Draft) {
  const setting = useSetting();
  const { content } = draft;
  const plain = useMemo(() => forecast(content, setting), [content, setting]);
  const brings = useMemo(() => contributions(content, setting), [content, setting]);
  const simulated = useSimulation(content, setting);
  const shown = useMemo(
    () => drawn(plain, content, setting, simulated),
    [plain, content, setting, simulated],
  );
  return { setting, content, shown, brings, simulated };
}

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

const nothing = () => undefined;

/** Lines and steps on the left, the forecast on the right, moving as you type. */
function Desk({
  formula,
  after = 0,
  given,
  meanwhile,
  touched = nothing,
  settled = nothing,
}: {
  formula: Formula | null;
  /** The version it is saved on top of. */
  after?: number;
  given?: Draft | undefined;
  meanwhile?: ReactNode;
  touched?: () => void;
  settled?: () => void;
}) {
  const [draft, change] = useReducer(changeDraft, formula, (f) => (f ? draftOf(f) : (given ?? emptyDraft())));
  const [first] = useState(draft);
  useEffect(() => {
    if (draft !== first) touched();
  }, [draft, first, touched]);
  const { setting, content, shown, brings, simulated } = useForecast(draft);
  const [pasting, setPasting] = useState(false);
  const [wanted, ask] = useState<Wanted | null>(null);
  const mayWrite = useMayWrite();
  const save = useSave(formula, after, settled);
  const open = shown.lines.filter(
    (l, i) => l.asks && (draft.content.lines[i]!.said !== '' || draft.content.lines[i]!.ingredientId !== ''),
  ).length;
  return (
    <Sheet
      asideLabel="Forecast"
      aside={
        <ForecastPanel
          forecast={shown}
          simulated={simulated}
          content={content}
          contributions={brings}
          colour={draft.colour}
          criticalPh={setting.criticalPh}
          askFor={mayWrite ? (aim, value) => ask({ aim, value }) : undefined}
        >
          {mayWrite && (
            <WhatItTakes
              content={draft.content}
              wanted={wanted}
              ask={ask}
              take={(id, said) => change({ do: 'line', id, change: { said, basis: undefined } })}
            />
          )}
        </ForecastPanel>
      }
    >
      <Heading
        draft={draft}
        change={change}
        said={`draft of version ${after + 1} · ${draft.kind}${formula?.archived ? ' · archived' : ''}`}
        error={save.fields.name}
        actions={
          <>
            {mayWrite && (
              <Button tone="quiet" size="small" onClick={() => setPasting(true)}>
                Paste a list…
              </Button>
            )}
            <MoreMenu formula={formula} draft={draft} forecast={shown} />
          </>
        }
      />
      <Lines draft={draft} forecast={shown} change={change} contributions={brings.lines} />
      <Steps draft={draft} forecast={shown} change={change} />
      <Particulars draft={draft} change={change} />
      {meanwhile}
      <SaveRow formula={formula} after={after} draft={draft} save={save} open={open} />
      {formula && <Versions formula={formula} />}
      {pasting && (
        <BringIn
          title="Paste a list"
          onClose={() => setPasting(false)}
          take={(incoming) => {
            change({ do: 'add lines', lines: incoming.formulaLines });
            setPasting(false);
          }}
        />
      )}
    </Sheet>
  );
}
