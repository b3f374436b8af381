import type { LoggerAnswers, LoggerAsks, LoggerFile } from '@inch/core/instrument';
import { useState } from 'react';
import { toast } from 'sonner';
import { useSession } from '../../data/session.tsx';
import { textOf } from '../../data/textOf.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { FileButton } from '../../ui/FileButton.tsx';
import { WhenField } from '../../ui/WhenField.tsx';
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

const TITLES: Record<LoggerAsks['asks'], string> = {
  unit: 'Celsius or Fahrenheit?',
  column: 'Which column is the temperature?',
  order: 'Which comes first in its dates?',
  start: 'When was it?',
};
const ORDERS: Record<DayOrder, string> = {
  'day-first': 'Day, month, year',
  'month-first': 'Month, day, year',
  'year-first': 'Year, month, day',
};
type DayOrder = NonNullable<LoggerAnswers['order']>;

/** What may be answered with a press. */
function choicesOf(asked: LoggerAsks): { says: string; part: LoggerAnswers }[] {
  if (asked.asks === 'unit')
    return [
      { says: `${asked.first} °F`, part: { unit: 'F' } },
      { says: `${asked.first} °C`, part: { unit: 'C' } },
    ];
  if (asked.asks === 'column')
    return asked.columns.map(({ column, name, first }) => ({
      says: `${name || `Column ${column + 1}`}, first ${first}`,
      part: { column },
    }));
  if (asked.asks === 'order') return asked.orders.map((order) => ({ says: ORDERS[order], part: { order } }));
  return [];
}

function Start({ by, onSay }: { by: 'elapsed' | 'clock'; onSay: (part: LoggerAnswers) => void }) {
  const [start, setStart] = useState('');
  return (
    <form
      className="mt-4 flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        onSay({ start: start.replace('T', ' ') });
      }}
    >
      <WhenField
        kind={by === 'elapsed' ? 'moment' : 'day'}
        label={by === 'elapsed' ? 'It was started' : 'The day of its first row'}
        value={start}
        onChange={setStart}
      />
      <Button type="submit" disabled={!/^\d{4}-\d{2}-\d{2}/.test(start)}>
        Read it so
      </Button>
    </form>
  );
}

/** Asks what a logger's file leaves open, one thing at a time. */
function Ask({
  asked,
  onSay,
  onClose,
}: {
  asked: LoggerAsks;
  onSay: (part: LoggerAnswers) => void;
  onClose: () => void;
}) {
  return (
    <Dialog open onClose={onClose} title={TITLES[asked.asks]}>
      <p className="text-lg">{asked.says}</p>
      {asked.asks === 'start' && <Start by={asked.by} onSay={onSay} />}
      <div className="mt-4 flex flex-wrap justify-end gap-3">
        <Button tone="quiet" className="min-h-14" onClick={onClose}>
          Cancel
        </Button>
        {choicesOf(asked).map(({ says, part }) => (
          <Button key={says} tone="plain" className="min-h-14" onClick={() => onSay(part)}>
            {says}
          </Button>
        ))}
      </div>
    </Dialog>
  );
}

/** Opens a temperature logger's file; asks what the file does not say: its column, its unit, the order of its dates. */
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
  const [asks, setAsks] = useState<{ text: string; answers: LoggerAnswers; asked: LoggerAsks } | null>(null);
  const open = async (text: string, answers: LoggerAnswers = {}) => {
    setBusy(true);
    const answer = await read({ text, timeZone, answers });
    setBusy(false);
    if ('error' in answer) toast.error(`${answer.error}.`);
    else if (answer.reading.asks) setAsks({ text, answers, asked: answer.reading });
    else onRead(answer.reading);
  };
  return (
    <>
      <FileButton
        label={label}
        accept=".csv,.txt,.tsv,text/csv"
        onFile={(file) => void file.arrayBuffer().then((bytes) => open(textOf(bytes)))}
        tone={tone}
        className={className}
        disabled={disabled || busy}
      >
        {busy ? 'Reading the file…' : 'Read a logger’s file'}
      </FileButton>
      {asks && (
        <Ask
          asked={asks.asked}
          onClose={() => setAsks(null)}
          onSay={(part) => {
            setAsks(null);
            void open(asks.text, { ...asks.answers, ...part });
          }}
        />
      )}
    </>
  );
}
