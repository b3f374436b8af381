import type { LotView } from '@inch/contract/making/lot';
import { loadClock } from '@inch/core/bottling';
import type { ProcessMatch } from '@inch/core/heat';
import { bottlesProcessed, freeNumbers, movesOf } from '@inch/core/lot';
import { plural } from '@inch/core/quantity';
import { useState } from 'react';
import { useRecord } from '../data/record.ts';
import { serverNow } from '../data/serverClock.ts';
import { useSession } from '../data/session.tsx';
import { useNow } from '../data/useNow.ts';
import { StrikeEntry } from '../parts/lot/StrikeEntry.tsx';
import { JarGlyph } from '../ui/BottleGlyph.tsx';
import { Button } from '../ui/Button.tsx';
import { clockTime } from '../ui/dates.ts';
import { Choice, Field } from '../ui/Field.tsx';
import { duration } from '../ui/format.ts';
import { Ruled } from '../ui/Sheet.tsx';
import { State } from '../ui/State.tsx';
import { figureIn, problemIn } from '../ui/typed.ts';
import { STEAM_WORDS } from './ByHand.tsx';

type Load = LotView['loads'][number];
type Kind = Load['marks'][number]['kind'];

const SAYS: Record<Kind, string> = {
  boil: 'full boil',
  stopped: 'the boil stopped',
  off: 'fire off',
  lifted: 'lifted',
};

/** The time of the boil as a rule that fills; where it stopped it began anew. */
function BoilRule({ share, colour }: { share: number; colour: string }) {
  return (
    <svg viewBox="0 0 400 22" className="w-full max-w-md" aria-hidden="true">
      <rect
        x="1"
        y="3"
        width={Math.max(0, Math.min(1, share)) * 398}
        height="11"
        fill={colour}
        className="level"
      />
      <rect x="1" y="3" width="398" height="11" fill="none" stroke="var(--ink-2)" strokeWidth="1.3" />
      {Array.from({ length: 16 }, (_, i) => (
        <path
          key={i}
          d={`M${1 + (i / 15) * 398} 14v${i % 5 === 0 ? 7 : 4}`}
          stroke="var(--ink-2)"
          strokeWidth="1.2"
        />
      ))}
    </svg>
  );
}

/** One load: its jars, its clock, and the one thing that may happen to it next. */
function LoadRow({ lot, load, open }: { lot: LotView; load: Load; open: boolean }) {
  useNow();
  const clock = loadClock(load, serverNow());
  const write = useRecord('load-mark', lot);
  const mark = (kind: Kind) => write.run({ loadId: load.id, mark: kind });
  const act = (kind: Kind, says: string, tone: 'main' | 'plain' = 'main', disabled = false) => (
    <Button tone={tone} disabled={write.busy || disabled} onClick={() => mark(kind)}>
      {says}
    </Button>
  );
  const { phase } = clock;
  const resting = phase === 'resting' && clock.restLeftSeconds! > 0;
  const shown =
    phase === 'at the boil' ? clock.leftSeconds : phase === 'resting' ? clock.restLeftSeconds! : null;
  return (
    <li id={`entry-${load.id}`} className="border-b border-steel-line py-4" data-load={load.number}>
      <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
        <span className="font-bold">Load {load.number}</span>
        <State tone={phase === 'boil stopped' ? 'stop' : phase === 'lifted' ? 'go' : 'plain'}>{phase}</State>
        {shown !== null && (
          <span className="figure text-3xl font-bold" role="timer" aria-label="Time left">
            {duration(shown)}
          </span>
        )}
        {phase === 'boil stopped' && (
          <span className="font-semibold text-stop">The clock starts again at the next full boil.</span>
        )}
        {clock.restarts > 0 && phase !== 'boil stopped' && (
          <span className="text-sm text-hold">
            started again {clock.restarts === 1 ? 'once' : `${clock.restarts} times`}
          </span>
        )}
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-5">
        <span className="flex gap-0.5" role="img" aria-label={plural(load.bottles, 'jar')}>
          {Array.from({ length: Math.min(24, load.bottles) }, (_, n) => (
            <JarGlyph key={n} colour={lot.product.colour} />
          ))}
        </span>
        <span className="min-w-56 flex-1">
          <BoilRule
            share={clock.boiledSeconds / (load.requiredMinutes * 60)}
            colour={phase === 'boil stopped' ? 'var(--stop)' : 'var(--rim)'}
          />
        </span>
      </div>
      <p className="mt-1 text-sm text-ink-2">
        {load.name}, <span className="figure">{load.requiredMinutes} min</span>, then {load.restMinutes} min
        rest
        {load.marks.length > 0 &&
          ` · ${load.marks.map((m) => `${SAYS[m.kind]} ${clockTime(m.at)}`).join(', ')}`}
      </p>
      {load.mismatches.length > 0 && (
        <p className="text-sm font-semibold text-hold">It does not match: {load.mismatches.join('; ')}.</p>
      )}
      {open && phase !== 'lifted' && (
        <div className="mt-3 flex flex-wrap gap-3">
          {(phase === 'coming to the boil' || phase === 'boil stopped') && act('boil', 'Full boil')}
          {phase === 'at the boil' && act('off', 'Fire off', 'main', clock.leftSeconds > 0.5)}
          {phase === 'at the boil' && act('stopped', 'The boil stopped', 'plain')}
          {phase === 'resting' &&
            act('lifted', resting ? 'Lifted early' : 'Lifted', resting ? 'plain' : 'main')}
        </div>
      )}
      {write.error && <p className="mt-2 font-semibold text-stop">{write.error.message}</p>}
      {open && (
        <StrikeEntry lot={lot} noun="load" entryId={load.id} by={load.by} named={`load ${load.number}`} />
      )}
    </li>
  );
}

const WHOLE = { unit: '', whole: true, min: 1 } as const;

function NewLoadForm({
  lot,
  matches,
  chosen,
}: {
  lot: LotView;
  matches: readonly ProcessMatch[];
  chosen: string;
}) {
  const { kitchen } = useSession();
  const boiling = matches.filter((m) => m.process.method === 'boiling-water' && m.minutes !== null);
  const rest = lot.bottles.filled - bottlesProcessed(lot);
  const [count, setCount] = useState<string | null>(null);
  const [asked, setProcess] = useState<string | null>(null);
  const processId = asked ?? chosen;
  const [steam, setSteam] = useState(false);
  const [which, setWhich] = useState('');
  const write = useRecord('load', lot, { after: () => setCount(null) });
  if (boiling.length === 0) return null;
  const value = count ?? String(Math.min(kitchen.workshop.cannerHolds, Math.max(1, rest)));
  const jars = figureIn(value, WHOLE);
  const named = which.match(/\d+/g)?.map(Number) ?? null;
  // Jars that were in a load already go in again by their numbers.
  const asksWhich = jars !== null && freeNumbers(lot, jars).length < jars;
  return (
    <form
      className="grid grid-cols-[1fr_7rem_auto] items-end gap-4 py-4 max-sm:grid-cols-1"
      onSubmit={(e) => {
        e.preventDefault();
        write.run({
          processId: processId || boiling[0]!.process.id,
          bottles: jars!,
          method: steam ? 'atmospheric-steam' : null,
          numbers: asksWhich ? named : null,
        });
      }}
    >
      <Choice
        label="Process"
        value={processId}
        onChange={(e) => setProcess(e.target.value)}
        options={boiling.map((m) => [m.process.id, `${m.process.name}, ${m.minutes} min`])}
      />
      <Choice
        className="col-start-1"
        label="In"
        value={steam ? 'steam' : 'water'}
        onChange={(e) => setSteam(e.target.value === 'steam')}
        hint={steam ? STEAM_WORDS : undefined}
        options={[
          ['water', 'a boiling-water canner'],
          ['steam', 'an atmospheric steam canner'],
        ]}
      />
      <Field
        label="Jars"
        figure
        inputMode="numeric"
        value={value}
        onChange={(e) => setCount(e.target.value)}
        error={problemIn(value, WHOLE) ?? write.fields.bottles ?? write.fields.processId}
      />
      {asksWhich && (
        <Field
          className="col-span-2 max-sm:col-span-1"
          label="Which jars, by number"
          figure
          placeholder="3, 7"
          value={which}
          onChange={(e) => setWhich(e.target.value)}
          error={write.fields.numbers}
        />
      )}
      <Button type="submit" disabled={write.busy || jars === null}>
        Put them in
      </Button>
    </form>
  );
}

/** Loads of the canner, each with its own clock. */
export function Loads({
  lot,
  open,
  matches,
  shut,
  chosen,
}: {
  lot: LotView;
  open: boolean;
  matches: readonly ProcessMatch[];
  shut: boolean;
  /** The process that was asked for by its button. */
  chosen: string;
}) {
  const { kitchen } = useSession();
  const loads = lot.loads.filter((l) => l.struck === null);
  const done = bottlesProcessed(lot);
  const rest = lot.bottles.filled - done;
  const inHand = loads.some((l) => !l.marks.some((m) => m.kind === 'off'));
  const more = Math.ceil(rest / kitchen.workshop.cannerHolds);
  const failed = movesOf(lot).some((m) => m.kind === 'failed-seal');
  if (loads.length === 0 && !shut && !failed) return null;
  return (
    <Ruled
      title="Loads of the canner"
      className="mt-5"
      aside={
        <span className="figure text-sm font-bold">
          {done} of {lot.bottles.filled} through
        </span>
      }
    >
      <ul>
        {loads.map((load) => (
          <LoadRow key={load.id} lot={lot} load={load} open={open} />
        ))}
      </ul>
      {open && !inHand && (shut || failed) && (
        <>
          {rest > 0 && more > 1 && (
            <p className="pt-3 text-ink-2">
              The canner holds {kitchen.workshop.cannerHolds}: {rest} bottles are {more} loads.
            </p>
          )}
          <NewLoadForm lot={lot} matches={matches} chosen={chosen} />
        </>
      )}
    </Ruled>
  );
}
