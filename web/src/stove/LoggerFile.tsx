import type { LotView } from '@inch/contract/making/lot';
import { type LoggedSample, type LoggerFile as Read, thinnedTo } from '@inch/core/instrument';
import { plural, temperature } from '@inch/core/quantity';
import { useState } from 'react';
import { newId } from '../data/api.ts';
import { recordEntry } from '../data/record.ts';
import { useWrite } from '../data/useWrite.ts';
import { LoggerPicker } from '../parts/instrument/LoggerPicker.tsx';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { clockTime, dayAndTime } from '../ui/dates.ts';

type Step = LotView['steps'][number];

/** As many of a file as a step keeps as readings of its own. */
const MOST = 600;

interface Opened extends Read {
  kept: (LoggedSample & { id: string })[];
  everySeconds: number;
}

/** What of a file is kept at a step; each with the id that it keeps through every retry. */
function opened(file: Read, begunAt: string): Opened {
  const { samples, everySeconds } = thinnedTo(
    file.samples.filter((s) => s.at >= begunAt),
    MOST,
  );
  return { ...file, kept: samples.map((s) => ({ ...s, id: newId() })), everySeconds };
}

/** Records the samples as readings of their own time, one after another. */
async function recordAll(
  lot: LotView,
  stepId: string,
  samples: Opened['kept'],
  onRecorded: (count: number) => void,
): Promise<void> {
  for (const [i, { id, at, celsius }] of samples.entries()) {
    await recordEntry('reading', lot, {
      id,
      stepId,
      kind: 'temperature',
      at,
      said: `logger ${temperature(celsius, 1)}`,
      raw: Math.round(celsius * 10) / 10,
    });
    onRecorded(i + 1);
  }
}

function Understood({ file, lot, step }: { file: Opened; lot: LotView; step: Step }) {
  const [first, last] = [file.kept[0], file.kept.at(-1)];
  const every = file.everySeconds === 60 ? 'minute' : `${file.everySeconds / 60} minutes`;
  return (
    <>
      <p className="text-lg">
        {file.understood}
        {file.skipped > 0 && `; ${plural(file.skipped, 'row')} without both left out`}.
      </p>
      {first && last ? (
        <p className="mt-2 text-ink-2">
          From {dayAndTime(first.at)} to {clockTime(last.at)}. One reading every {every} is saved at “
          {step.title}”, the hottest and the coldest among them: {plural(file.kept.length, 'reading')}.
        </p>
      ) : (
        <p className="mt-2 font-semibold text-stop">
          All of it is from before lot {lot.code} was begun. Was the logger’s clock right?
        </p>
      )}
    </>
  );
}

/** A temperature logger's file into the step: what was understood is shown before any of it is saved. */
export function LoggerFile({ lot, step }: { lot: LotView; step: Step }) {
  const [file, setFile] = useState<Opened | null>(null);
  const [count, setCount] = useState(0);
  const write = useWrite('entry', (samples: Opened['kept']) => recordAll(lot, step.id, samples, setCount), {
    done: 'The logger’s temperatures are saved',
    after: () => setFile(null),
  });
  return (
    <>
      <LoggerPicker
        label="A temperature logger’s file"
        tone="quiet"
        className="-ml-4 min-h-14 text-lg"
        onRead={(read) => setFile(opened(read, lot.begunAt))}
      />
      {file && (
        <Dialog open onClose={() => setFile(null)} title="A logger’s file">
          <Understood file={file} lot={lot} step={step} />
          <div className="mt-4 flex justify-end gap-3">
            <Button tone="plain" className="min-h-14" onClick={() => setFile(null)}>
              Cancel
            </Button>
            <Button
              className="min-h-14"
              disabled={file.kept.length === 0 || write.busy}
              onClick={() => write.run(file.kept)}
            >
              {write.busy
                ? `Saving, ${count} of ${file.kept.length}`
                : `Save ${plural(file.kept.length, 'reading')}`}
            </Button>
          </div>
        </Dialog>
      )}
    </>
  );
}
