import type { LoggerFile, LoggerUnit } from '@inch/core/instrument';
import { temperature } from '@inch/core/quantity';
import { useState } from 'react';
import { toast } from 'sonner';
import { useSession } from '../../data/session.tsx';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { FileButton } from '../../ui/FileButton.tsx';
import type { LoggerAnswer, LoggerQuestion } from '../../workers/logger.worker.ts';

/** Reads a file beside the page, which a million rows would hold up. */
function read(question: LoggerQuestion): Promise<LoggerAnswer> {
  const worker = new Worker(new URL('../../workers/logger.worker.ts', import.meta.url), { type: 'module' });
  return new Promise<LoggerAnswer>((resolve) => {
    worker.onmessage = ({ data }: MessageEvent<LoggerAnswer>) => resolve(data);
    worker.onerror = (event) => resolve({ error: event.message });
    worker.postMessage(question);
  }).finally(() => worker.terminate());
}

function AskUnit({
  first,
  onSay,
  onClose,
}: {
  first: number;
  onSay: (unit: LoggerUnit) => void;
  onClose: () => void;
}) {
  return (
    <Dialog open onClose={onClose} title="Celsius or Fahrenheit?">
      <p className="text-lg">The file does not name its unit. Its first temperature is {first}.</p>
      <div className="mt-4 flex flex-wrap justify-end gap-3">
        <Button tone="quiet" className="min-h-14" onClick={onClose}>
          Cancel
        </Button>
        <Button tone="plain" className="min-h-14" onClick={() => onSay('F')}>
          {first} °F
        </Button>
        <Button tone="plain" className="min-h-14" onClick={() => onSay('C')}>
          {temperature(first)}
        </Button>
      </div>
    </Dialog>
  );
}

/** Opens a temperature logger's file; asks for its unit where the file does not name one. */
export function LoggerPicker({
  label,
  disabled = false,
  className = '',
  tone = 'plain',
  onRead,
}: {
  label: string;
  disabled?: boolean;
  className?: string;
  tone?: 'plain' | 'quiet';
  onRead: (file: LoggerFile) => void;
}) {
  const timeZone = useSession().kitchen.timeZone;
  const [busy, setBusy] = useState(false);
  const [asks, setAsks] = useState<{ text: string; first: number } | null>(null);
  const open = async (text: string, unit?: LoggerUnit) => {
    setBusy(true);
    const answer = await read({ text, timeZone, ...(unit ? { unit } : {}) });
    setBusy(false);
    if ('error' in answer) toast.error(`${answer.error}.`);
    else if (answer.reading.asks) setAsks({ text, first: answer.reading.first });
    else onRead(answer.reading);
  };
  return (
    <>
      <FileButton
        label={label}
        accept=".csv,.txt,.tsv,text/csv"
        onFile={(file) => void file.text().then((text) => open(text))}
        tone={tone}
        className={className}
        disabled={disabled || busy}
      >
        {busy ? 'Reading the file…' : 'Read a logger’s file'}
      </FileButton>
      {asks && (
        <AskUnit
          first={asks.first}
          onClose={() => setAsks(null)}
          onSay={(unit) => {
            setAsks(null);
            void open(asks.text, unit);
          }}
        />
      )}
    </>
  );
}
