import { bottleSize, grouped } from '@inch/core/quantity';
import { useState } from 'react';
import { useOwnProcesses } from '../data/heatProcesses.ts';
import { OwnProcessDialog } from '../parts/heatProcess/OwnProcessDialog.tsx';
import { HeldNotice, HoldButton } from '../parts/trace/HoldSource.tsx';
import { Button } from '../ui/Button.tsx';
import { Ruled } from '../ui/Sheet.tsx';

type OwnProcess = ReturnType<typeof useOwnProcesses>[number];

/** "syrup, jars up to 475 mL; 15 min to 6,000 ft": what a process was tested with, in one line. */
function tested(p: OwnProcess): string {
  const bands = p.bands.map((b) => `${b.minutes} min to ${grouped(b.toFeet)} ft`).join(', ');
  const inJar =
    p.state === null || p.pack === null ? 'how it was packed not said' : `${p.state}, packed ${p.pack}`;
  return `${p.products.join(' or ')}, ${inJar}, jars up to ${bottleSize(p.largestMl)}; ${bands}`;
}

/** Heat processes that the owner entered, each with its source. They are never changed: a newer one is entered beside them. */
export function HeatProcesses({ owner }: { owner: boolean }) {
  const processes = useOwnProcesses();
  const [entering, setEntering] = useState(false);
  return (
    <Ruled
      title="Heat processes of your own"
      className="mt-8"
      aside={
        owner && (
          <Button tone="quiet" size="small" onClick={() => setEntering(true)}>
            Enter a process…
          </Button>
        )
      }
    >
      {processes.length === 0 && (
        <p className="py-3 text-ink-2">
          None yet. A product that matches no shipped process needs one with its source, entered by the owner.
        </p>
      )}
      <ul>
        {processes.map((p) => (
          <li key={p.id} className="border-b border-steel-line py-2">
            <span className="font-semibold">{p.name}</span>
            <span className="block text-sm text-ink-2">{p.source}</span>
            <span className="block text-sm text-ink-2">{tested(p)}</span>
            <HeldNotice noun="process" subjectId={p.id} />
            <HoldButton noun="process" subjectId={p.id} name={p.name} />
          </li>
        ))}
      </ul>
      {entering && <OwnProcessDialog onClose={() => setEntering(false)} />}
    </Ruled>
  );
}
