import { useNavigate } from 'react-router';
import { emptyDraft } from '../draft.ts';
import type { Incoming } from '../exchange/incoming.ts';
import { BringIn } from './BringIn.tsx';

function draftFrom(incoming: Incoming) {
  const empty = emptyDraft();
  return {
    ...empty,
    name: incoming.name ?? '',
    kind: incoming.kind ?? empty.kind,
    colour: incoming.colour ?? empty.colour,
    note: incoming.note?.slice(0, 500) ?? '',
    content: { ...(incoming.content ?? empty.content), lines: incoming.formulaLines },
  };
}

/** Brings a formula in from a file or pasted words, as a draft to look at before it is saved. */
export function ImportFormula({ onClose }: { onClose: () => void }) {
  const navigate = useNavigate();
  return (
    <BringIn
      title="Import a formula"
      onClose={onClose}
      take={(incoming) => navigate('/formulas/new', { state: { draft: draftFrom(incoming) } })}
    />
  );
}
