import { useState } from 'react';
import { dropDraft, keepDraft, openDraft } from '../data/draft.ts';
import { useSession } from '../data/session.tsx';
import type { Draft } from './draft.ts';

/** What is kept of a formula while it is written: what was typed, and the version it was typed into. */
interface Kept {
  draft: Draft | null;
  after: number | null;
}
const NOTHING: Kept = { draft: null, after: null };

/** The unsaved draft of a formula on this device: it outlives leaving, reload and sign-out. @param formulaId null of a new one */
export function useKeptDraft(formulaId: string | null) {
  const accountId = useSession().account.id;
  const key = `formula ${formulaId ?? 'new'}`;
  const [round, setRound] = useState(0);
  const [opened, setOpened] = useState(() => openDraft<Kept>(accountId, key, NOTHING));
  return {
    /** Id of what is written by saving it. */
    id: opened.id,
    ...opened.values,
    /** How often it was thrown away: each time the form begins anew. */
    round,
    keep: (draft: Draft, after: number) =>
      keepDraft<Kept>(accountId, key, { id: opened.id, values: { draft, after } }),
    forget: () => dropDraft(accountId, key),
    drop: () => {
      dropDraft(accountId, key);
      setOpened(openDraft<Kept>(accountId, key, NOTHING));
      setRound((before) => before + 1);
    },
  };
}
export type KeptDraft = ReturnType<typeof useKeptDraft>;
