import type { LotView } from '@inch/contract/lot';
import { type LoggedSample, type LoggerFile as Read, thinned } from '@inch/core/instrument';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { recordEntry } from '../data/record.ts';
import { useWrite } from '../data/useWrite.ts';
import { readLoggerText } from '../parts/instrument/loggerText.ts';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { clockTime, dayAndTime } from '../ui/dates.ts';
import { plural } from '../ui/format.ts';

type Step = LotView['steps'][number];

/** Sends the samples worth keeping as readings of their own time, one after another. */
async function keepAll(lot: LotView, stepId: string, samples: readonly LoggedSample[]): Promise<void> {
  for (const { at, celsius } of samples)
    await recordEntry('reading', lot, {
      stepId,
      kind: 'temperature',
      said: `logger ${celsius.toFixed(1)} °C`,
      raw: Math.round(celsius * 10) / 10,
      at,
    });
}

/** A temperature logger's file into the step: what was understood is shown before any of it is kept. */
export function LoggerFile({ lot, step }: { lot: LotView; step: Step }) {
  const input = useRef<HTMLInputElement>(null);
  const [file, setFile] = useState<Read | null>(null);
  const kept = file
    ? thinned(
        file.samples.filter((s) => s.at >= lot.begunAt),
        60,
      )
    : [];
  const write = useWrite('entry', () => keepAll(lot, step.id, kept), {
    done: 'The logger’s temperatures are kept',
    after: () => setFile(null),
  });
  const open = async (chosen: File) => {
    try {
      setFile(readLoggerText(await chosen.text()));
    } catch (error) {
      toast.error((error as Error).message);
    }
  };
  return (
    <>
      <input
        ref={input}
        type="file"
        accept=".csv,.txt,text/csv"
        aria-label="A temperature logger’s file"
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const chosen = event.target.files?.[0];
          if (chosen) void open(chosen);
          event.target.value = '';
        }}
      />
      <Button tone="quiet" className="-ml-4 min-h-14 text-lg" onClick={() => input.current?.click()}>
        Read a logger’s file
      </Button>
      {file && (
        <Dialog open onClose={() => setFile(null)} title="A logger’s file">
          <p className="text-lg">
            {file.understood}
            {file.skipped > 0 && `; ${plural(file.skipped, 'row')} without both are left`}.
          </p>
          {kept.length > 0 ? (
            <p className="mt-2 text-ink-2">
              From {dayAndTime(kept[0]!.at)} to {clockTime(kept.at(-1)!.at)}: one a minute is kept, the
              hottest and the coldest among them, {plural(kept.length, 'reading')} at “{step.title}”.
            </p>
          ) : (
            <p className="mt-2 font-semibold text-stop">
              All of it is from before lot {lot.code} was begun. Was the logger’s clock right?
            </p>
          )}
          <div className="mt-4 flex justify-end gap-3">
            <Button tone="plain" className="min-h-14" onClick={() => setFile(null)}>
              Not now
            </Button>
            <Button
              className="min-h-14"
              disabled={kept.length === 0 || kept.length > 600 || write.busy}
              onClick={() => write.run(undefined)}
            >
              {write.busy ? 'Keeping…' : `Keep ${kept.length}`}
            </Button>
          </div>
        </Dialog>
      )}
    </>
  );
}
