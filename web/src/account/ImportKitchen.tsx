import { exportRoutes } from '@inch/contract/kitchen/export';
import { useState } from 'react';
import { newId, sendFile } from '../data/api.ts';
import { useProgress } from '../data/progress.ts';
import { useWrite } from '../data/useWrite.ts';
import { FileButton } from '../ui/FileButton.tsx';
import { ProgressLine } from '../ui/ProgressLine.tsx';

/** Takes in a kitchen that was exported elsewhere, as the first thing that an installation does. */
export function ImportKitchen() {
  const [id, setId] = useState<string | null>(null);
  const write = useWrite(
    'kitchen',
    ({ file, progress }: { file: File; progress: string }) =>
      sendFile(exportRoutes.import, { progress }, file),
    { showsErrors: true },
  );
  const progress = useProgress(write.busy ? id : null);
  const send = (file: File) => {
    const next = newId();
    setId(next);
    write.run({ file, progress: next });
  };
  return (
    <section aria-label="Import" className="mt-8 border-t border-ink pt-4">
      <h2 className="text-base font-bold">Or import a kitchen</h2>
      <p className="mt-1 mb-3 text-ink-2">
        With everything in it: from the zip that “Export the whole kitchen” made in another installation.
      </p>
      <FileButton
        tone="plain"
        label="Exported kitchen, a zip"
        accept=".zip,application/zip"
        disabled={write.busy}
        onFile={send}
      >
        Choose the zip…
      </FileButton>
      {write.busy && !progress && <p role="status">Sending the file…</p>}
      {write.busy && progress && <ProgressLine {...progress} />}
      {write.error && (
        <p role="alert" className="mt-2 font-semibold text-stop">
          {write.error.message}
        </p>
      )}
    </section>
  );
}
