import { exportRoutes } from '@inch/contract/kitchen/export';
import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import { useState } from 'react';
import { urlOf } from '../data/address.ts';
import { newId } from '../data/api.ts';
import { useProgress } from '../data/progress.ts';
import { Button } from '../ui/Button.tsx';
import { dayAndTime } from '../ui/dates.ts';
import { ProgressLine } from '../ui/ProgressLine.tsx';
import { Ruled } from '../ui/Sheet.tsx';
import { Caution } from '../ui/State.tsx';
import { fetchFile } from '../ui/sendOut.ts';

function HowFar({ id }: { id: string }) {
  const progress = useProgress(id);
  if (!progress)
    return (
      <p role="status" className="py-2">
        Exporting…
      </p>
    );
  if (progress.fault)
    return <Caution className="my-2">The export stopped: {progress.fault} Export again.</Caution>;
  if (progress.ended)
    return (
      <p role="status" className="py-2">
        Exported. The file is where this device keeps its downloads.
      </p>
    );
  return <ProgressLine {...progress} />;
}

/** Everything of the kitchen as one file, for whoever leaves, files it, or wants to read it elsewhere. */
export function WholeKitchen() {
  const [begun, setBegun] = useState<string | null>(null);
  const begin = () => {
    const id = newId();
    fetchFile(urlOf(exportRoutes.export.path, {}, { progress: id }));
    setBegun(id);
  };
  return (
    <Ruled title="Export" className="mt-8">
      <p className="max-w-prose py-3">
        The whole kitchen in one zip: every record as JSON and as CSV, photographs, labels and release sheets
        as PDF, and the journal. It holds no passwords.
      </p>
      {begun && <HowFar id={begun} />}
      <Button tone="plain" className="mb-3" onClick={begin}>
        Export the whole kitchen
      </Button>
      <p className="max-w-prose text-sm text-ink-2">
        To take it in elsewhere, choose the file on the first page of an installation that has no kitchen yet,
        or run <code>npm run import</code>.
      </p>
    </Ruled>
  );
}

/** Where this installation's kitchen came from, and how far its own journal reaches. */
export function BroughtIn({ broughtIn }: { broughtIn: NonNullable<Kitchen['broughtIn']> }) {
  return (
    <p className="mt-4 max-w-prose border-l-4 border-steel py-0.5 pl-3">
      Imported {dayAndTime(broughtIn.at)}, with the journal up to row{' '}
      <span className="figure">{broughtIn.sequence}</span>.{' '}
      {broughtIn.signedHere
        ? 'That journal was signed with the key of this installation.'
        : 'That journal was signed elsewhere: this installation has checked that it is whole, not who wrote it.'}
    </p>
  );
}
