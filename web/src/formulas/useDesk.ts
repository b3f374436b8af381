import { type Formula, formulaRoutes } from '@inch/contract/making/formula';
import { useEffect, useReducer, useState } from 'react';
import { useNavigate } from 'react-router';
import { call, idWith, newId } from '../data/api.ts';
import { useCatalogue } from '../data/catalogue.ts';
import { useWrite } from '../data/useWrite.ts';
import { offerUndo } from '../ui/undo.ts';
import { type Change, changeDraft, type Draft, draftOf, emptyDraft, savedContent } from './draft.ts';
import type { KeptDraft } from './useKeptDraft.ts';

/** Saves a draft as the next version; both ids stay the same at every try of one draft. */
export function useSave(formula: Formula | null, after: number, id: string, settled: () => void) {
  const navigate = useNavigate();
  const [ownId, setOwnId] = useState(id);
  return useWrite(
    'formula',
    async ({ draft }: { draft: Draft }) => {
      const body = {
        versionId: idWith(ownId, 'version'),
        name: draft.name,
        kind: draft.kind,
        colour: draft.colour,
        note: draft.note,
        content: savedContent(draft.content),
      };
      if (!formula) return call(formulaRoutes.create, { body: { id: ownId, ...body } });
      await call(formulaRoutes.save, {
        params: { id: formula.id },
        body: { ...body, after },
      });
      return { id: formula.id };
    },
    {
      showsErrors: true,
      conflict: () => setOwnId(newId()),
      done: formula ? `Version ${after + 1} saved` : 'Saved as version 1',
      // A new one gets its own address; whoever has gone elsewhere meanwhile is not called back.
      after: ({ id }) => {
        settled();
        if (window.location.pathname.endsWith('/formulas/new'))
          navigate(`/formulas/${id}`, { replace: true });
      },
    },
  );
}

/** What a desk begins from. */
export interface Start {
  formula: Formula | null;
  /** The version it is saved on top of. */
  after?: number;
  given?: Draft | undefined;
  kept: KeptDraft;
  touched?: () => void;
  settled?: () => void;
}

function undoOf(
  removed: Change,
  { content }: Draft,
  nameOf: (id: string) => string,
): [string, Change] | null {
  if (removed.do === 'drop line') {
    const line = content.lines.find((l) => l.id === removed.id)!;
    const name = nameOf(line.ingredientId) || line.said || 'The line';
    return [`${name} removed`, { do: 'put line back', id: line.id, before: content.lines }];
  }
  if (removed.do === 'drop step') {
    const at = content.steps.findIndex((s) => s.id === removed.id);
    const step = content.steps[at]!;
    return [`${step.title} removed`, { do: 'put step back', step, at }];
  }
  return null;
}

/** The draft at a desk: every change is kept on the device until it is saved, and what is removed can be put back. */
export function useDesk({ formula, after = 0, given, kept, touched, settled }: Start) {
  const catalogue = useCatalogue();
  const [plain] = useState(() => given ?? (formula ? draftOf(formula) : emptyDraft()));
  const [first] = useState(() => (given ? given : (kept.draft ?? plain)));
  const [draft, dispatch] = useReducer(changeDraft, first);
  const { keep, forget } = kept;
  // biome-ignore lint/correctness/useExhaustiveDependencies: only a change of the draft is kept, under the version it was begun from
  useEffect(() => {
    if (draft === first) return;
    touched?.();
    if (JSON.stringify(draft) === JSON.stringify(plain)) forget();
    else keep(draft, after);
  }, [draft]);
  const change = (next: Change) => {
    const undo = undoOf(next, draft, (id) => catalogue.find(id)?.name ?? '');
    dispatch(next);
    if (undo) offerUndo(undo[0], () => dispatch(undo[1]));
  };
  const save = useSave(formula, after, kept.id, () => {
    kept.drop();
    settled?.();
  });
  return { draft, change, save, restored: !given && kept.draft !== null };
}
