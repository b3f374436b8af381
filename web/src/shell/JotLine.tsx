import { type LotView, lotRoutes } from '@inch/contract/lot';
import type { TodayView } from '@inch/contract/today';
import { type Jotting, parseJot, weighedAddition } from '@inch/core/jot';
import { presentStep } from '@inch/core/lot';
import { useRef, useState } from 'react';
import { useLocation } from 'react-router';
import { toast } from 'sonner';
import { call, newId, queryClient } from '../data/api.ts';
import { useCatalogue } from '../data/catalogue.ts';
import { keys, readAgain } from '../data/keys.ts';
import { useInstruments } from '../data/queries.ts';
import { recordEntry } from '../data/record.ts';
import { serverNow } from '../data/serverClock.ts';
import { useMayWrite, useSession } from '../data/session.tsx';
import { useWrite } from '../data/useWrite.ts';
import { weight } from '../ui/format.ts';
import { useKey } from '../ui/keys.tsx';
import { lotFor } from './jotLot.ts';

const MEASURES: Record<string, string> = {
  brix: 'refractometer',
  ph: 'ph-meter',
  temperature: 'thermometer',
  mass: 'scale',
};

/** What was jotted can be taken back at once: it is struck, and stays in the record. */
function offerToStrike(lotId: string, noun: 'reading' | 'addition', entryId: string, words: string): void {
  toast(words, {
    action: {
      label: 'Strike',
      onClick: () =>
        void call(lotRoutes.strike, {
          params: { id: lotId },
          body: { noun, entryId, why: 'a slip in jotting' },
        }).then(() => readAgain('entry')),
    },
  });
}

/** The lot as it was last read, so that a line can be jotted while the server is away. */
async function lotOf(code: string): Promise<LotView> {
  const query = {
    queryKey: keys.one('lot', code),
    queryFn: () => call(lotRoutes.read, { params: { id: code } }),
  };
  const kept = queryClient.getQueryData<LotView>(query.queryKey);
  return kept ?? queryClient.fetchQuery(query);
}

/** Keeps something that went in: on the formula's line that it belongs to and that is still open, else as an extra. */
async function keepAddition(code: string, { ingredientId, grams }: { ingredientId: string; grams: number }) {
  const lot = await lotOf(code);
  const recorded = new Set(lot.additions.filter((a) => a.struck === null).map((a) => a.lineId));
  const line = lot.lines.find((l) => l.ingredientId === ingredientId && !recorded.has(l.lineId));
  const step = lot.steps.find((s) => s.formulaStepId === line?.formulaStepId);
  const id = newId();
  const said = {
    id,
    stepId: step?.id ?? null,
    lineId: line?.lineId ?? null,
    ingredientId,
    grams,
    why: line ? null : 'jotted',
  };
  const outcome = await recordEntry('addition', lot, said, `${weight(grams)} of ${ingredientId}`);
  if (outcome.sent) offerToStrike(lot.id, 'addition', id, `${code}: ${weight(grams)} in`);
  return outcome;
}

async function keepReading(code: string, jot: Jotting, instrumentId: string | null) {
  if (jot.kind === 'add') return undefined;
  const said = jot.note ?? jot.text;
  const lot = await lotOf(code);
  const stepId = presentStep(lot.steps, serverNow())?.id ?? null;
  const id = newId();
  const { kind, raw, celsius, heldMinutes = null, diluted = false } = jot;
  const reading = { id, stepId, kind, said, raw, celsius, heldMinutes, diluted, instrumentId };
  const outcome = await recordEntry('reading', lot, reading, jot.understood);
  if (outcome.sent) offerToStrike(lot.id, 'reading', id, `${code}: ${jot.understood}`);
  return outcome;
}

/** The line across the top: type as on a scrap, see it understood, keep it with Enter. */
export function JotLine({ open }: { open: TodayView['open'] }) {
  const [text, setText] = useState('');
  const input = useRef<HTMLInputElement>(null);
  const { pathname } = useLocation();
  const mayWrite = useMayWrite();
  const catalogue = useCatalogue();
  const cup = useSession().kitchen.cupSchool ?? undefined;
  const instruments = useInstruments();
  useKey('j', 'jot a reading or a note', () => input.current?.focus());
  const jot = text.trim() ? parseJot(text) : null;
  const code = jot ? lotFor(jot.lotCode, pathname, open) : null;
  const weighed = jot?.addition ? weighedAddition(jot.addition, { catalogue, cup }) : null;
  const write = useWrite(
    'entry',
    async () => {
      if (!jot || !code) return undefined;
      if (weighed && 'grams' in weighed) return keepAddition(code, weighed);
      const instrument = instruments.data?.find((i) => i.kind === MEASURES[jot.kind] && !i.retired);
      return keepReading(code, jot, instrument?.id ?? null);
    },
    { after: () => setText('') },
  );
  const asks = weighed && 'asks' in weighed ? weighed.asks : null;
  const problem = write.fields.raw ?? write.fields.because ?? asks;
  return (
    <form
      className={`relative flex h-10 min-w-80 flex-1 items-center max-sm:min-w-0 gap-3 border-b-2 max-sm:fixed max-sm:inset-x-0 max-sm:bottom-14 max-sm:z-20 max-sm:h-12 max-sm:border-t max-sm:border-b-0 max-sm:bg-enamel max-sm:px-3 ${text ? 'border-rim' : 'border-steel'}`}
      onSubmit={(event) => {
        event.preventDefault();
        if (jot && code && !asks) write.run(undefined);
      }}
    >
      <kbd className="rounded border border-steel bg-enamel px-1.5 text-xs font-semibold shadow-[0_1px_0_var(--steel)] max-sm:hidden">
        j
      </kbd>
      <input
        ref={input}
        value={text}
        disabled={!mayWrite}
        onChange={(event) => {
          setText(event.target.value);
          write.reset();
        }}
        onKeyDown={(event) => event.key === 'Escape' && input.current?.blur()}
        aria-label="Jot a reading or a note"
        aria-describedby="jot-understood"
        placeholder="Jot a reading or a note, or a lot code and a word"
        className="figure min-w-0 flex-1 bg-transparent outline-none placeholder:font-sans placeholder:text-ink-2 focus-visible:outline-none"
      />
      <span
        id="jot-understood"
        aria-live="polite"
        className={`truncate text-sm max-sm:absolute max-sm:inset-x-0 max-sm:bottom-12 max-sm:bg-enamel max-sm:px-3 max-sm:empty:hidden ${problem ? 'font-semibold text-stop' : 'text-ink-2'}`}
      >
        {problem ??
          (jot &&
            (code
              ? `${weighed && 'grams' in weighed ? `In: ${weight(weighed.grams)} of ${weighed.name.toLowerCase()}` : jot.understood} · lot ${code} · save with Enter`
              : `${jot.understood} · which lot? add its code`))}
      </span>
    </form>
  );
}
