import { type Formula, formulaRoutes } from '@inch/contract/making/formula';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Navigate, useLocation, useParams } from 'react-router';
import { call } from '../data/api.ts';
import { keys } from '../data/keys.ts';
import { useMayWrite } from '../data/session.tsx';
import { Button } from '../ui/Button.tsx';
import { Caution } from '../ui/State.tsx';
import { Unread } from '../ui/Unread.tsx';
import { Desk } from './Desk.tsx';
import type { Draft } from './draft.ts';
import { useKeptDraft } from './useKeptDraft.ts';

/** A formula by its id, or a new one. */
export function Editor() {
  const { id = 'new' } = useParams();
  const { data, error, refetch } = useQuery({
    queryKey: keys.one('formula', id),
    queryFn: () => call(formulaRoutes.read, { params: { id } }),
    enabled: id !== 'new',
  });
  const given = (useLocation().state as { draft?: Draft } | null)?.draft;
  if (id === 'new') return <NewFormula given={given} />;
  return data ? <Saved key={data.id} formula={data} /> : <Unread error={error} retry={refetch} />;
}

/** A formula that is not saved yet: what was brought in, what was left here, or an empty one. */
function NewFormula({ given }: { given: Draft | undefined }) {
  const kept = useKeptDraft(null);
  if (!useMayWrite()) return <Navigate to="/formulas" replace />;
  return (
    <Desk
      key={kept.round}
      formula={null}
      kept={kept}
      given={kept.round === 0 ? given : undefined}
      discard={kept.drop}
    />
  );
}

/** Says that a newer version was saved by somebody else, and asks what is to become of what was typed. */
function SavedMeanwhile({
  newest,
  after,
  goOn,
  discard,
}: {
  newest: number;
  after: number;
  goOn: () => void;
  discard: () => void;
}) {
  return (
    <Caution className="mt-6">
      <strong>
        Version {newest} was saved meanwhile, after the version {after} you began from.
      </strong>{' '}
      It stands under Versions below. What you typed is still here.
      <span className="mt-3 flex flex-wrap gap-3">
        <Button tone="plain" size="small" onClick={goOn}>
          Save yours as a newer version
        </Button>
        <Button tone="quiet" size="small" onClick={discard}>
          Discard yours, start from version {newest}
        </Button>
      </span>
    </Caution>
  );
}

/** A saved formula at its newest version; once something is typed, the version it was typed into, whatever is saved elsewhere meanwhile. */
function Saved({ formula }: { formula: Formula }) {
  const kept = useKeptDraft(formula.id);
  const [begun, begin] = useState<Formula | null>(kept.draft ? formula : null);
  const [seen, see] = useState<number | null>(kept.after);
  const shown = begun ?? formula;
  const after = seen ?? shown.version;
  const settle = () => {
    begin(null);
    see(null);
  };
  const discard = () => {
    kept.drop();
    settle();
  };
  return (
    <Desk
      key={`begun from ${shown.version}, ${kept.round}`}
      formula={shown}
      after={after}
      kept={kept}
      touched={() => begin((before) => before ?? shown)}
      settled={settle}
      discard={discard}
      meanwhile={
        formula.version > after && (
          <SavedMeanwhile
            newest={formula.version}
            after={after}
            goOn={() => see(formula.version)}
            discard={discard}
          />
        )
      }
    />
  );
}
