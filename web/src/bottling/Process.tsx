import type { LotView } from '@inch/contract/making/lot';
import {
  boilingPointOfWater,
  feetOf,
  type HeatProcess,
  heatProcesses,
  minutesAsked,
  needsSterileJars,
  type ProcessMatch,
  sterilisingMinutes,
} from '@inch/core/heat';
import { governingPh, matchLot } from '@inch/core/lot';
import { depthSaid, grouped, temperature } from '@inch/core/quantity';
import { useState } from 'react';
import { useOwnProcesses } from '../data/heatProcesses.ts';
import { useSession } from '../data/session.tsx';
import { OwnProcessDialog } from '../parts/heatProcess/OwnProcessDialog.tsx';
import { Button } from '../ui/Button.tsx';
import { Ruled } from '../ui/Sheet.tsx';
import { State } from '../ui/State.tsx';
import { ByHand } from './ByHand.tsx';
import { Canner } from './Canner.tsx';
import { Cooling } from './Cooling.tsx';
import { Curves } from './Curves.tsx';
import { Fold } from './Fold.tsx';
import { Loads } from './Loads.tsx';
import { WarmingPanel } from './WarmingPanel.tsx';

/** How hot water gets here, and why that matters: where the kitchen stands today, and where it stood for this lot. */
function Height({ lot }: { lot: LotView }) {
  const { kitchen } = useSession();
  const feet = (metres: number) => `${grouped(Math.round(feetOf(metres)))} ft`;
  const moved = Math.abs(kitchen.elevationMetres - lot.elevationMetres) > 1;
  return (
    <p className="border-l-4 border-rim py-0.5 pl-3">
      At <strong>{feet(kitchen.elevationMetres)}</strong> water boils at{' '}
      <span className="figure font-bold">{temperature(boilingPointOfWater(kitchen.elevationMetres), 1)}</span>
      : a process takes the minutes of its own band.
      {moved &&
        ` This lot was begun at ${feet(lot.elevationMetres)}; what is recorded of it stays as it was.`}
    </p>
  );
}

function Match({
  match,
  elevation,
  choose,
}: {
  match: ProcessMatch;
  elevation: number;
  choose: ((id: string) => void) | null;
}) {
  const { process, minutes, reasons, waits } = match;
  const fits = reasons.length === 0;
  return (
    <li className="border-b border-steel-line py-3" data-process={process.id} data-fits={fits}>
      <p className="flex flex-wrap items-baseline gap-x-3">
        <State tone={fits ? 'go' : 'hold'}>
          {fits ? (waits.length > 0 ? 'matches so far' : 'matches') : 'does not match'}
        </State>
        <span className="font-semibold">{process.name}</span>
        {minutes !== null && (
          <span>
            {process.method === 'hot-fill' ? (
              <>
                fill at <span className="figure font-bold">{temperature(process.hotFill!.celsius)}</span>,
                hold <span className="figure font-bold">{process.hotFill!.holdMinutes} min</span>, lid down{' '}
                {process.hotFill!.invertSeconds} s
              </>
            ) : (
              <>
                <span className="figure font-bold">{minutes} min</span> here, {process.restMinutes} min rest,{' '}
                {depthSaid(process.headspaceInches * 25.4, 'in')} headspace
              </>
            )}
          </span>
        )}
        {fits && choose && (
          <Button size="small" tone="plain" className="ml-auto" onClick={() => choose(process.id)}>
            Do this one
          </Button>
        )}
      </p>
      <p className="text-sm text-ink-2">
        {process.source}
        {process.readOn ? ', read against it' : ', not yet read against it'}
      </p>
      {fits && waits.length > 0 && (
        <p className="mt-1 text-sm font-semibold text-hold">Still open: {waits.join('; ')}.</p>
      )}
      {reasons.length > 0 && (
        <ul className="mt-1 list-disc pl-5 text-sm font-semibold text-hold">
          {reasons.map((reason) => (
            <li key={reason}>{reason}</li>
          ))}
        </ul>
      )}
      {fits &&
        minutes !== null &&
        process.method === 'boiling-water' &&
        needsSterileJars(process, elevation) && (
          <p className="mt-1 text-sm font-semibold text-hold">
            Under 10 minutes: the jars are boiled {sterilisingMinutes(elevation)} min first, to be sterile.
          </p>
        )}
    </li>
  );
}

/** Every process held against this lot in these bottles: those that match, then the closest, with every reason. */
function Matches({
  matches,
  shut,
  choose,
}: {
  matches: readonly ProcessMatch[];
  shut: boolean;
  choose: ((id: string) => void) | null;
}) {
  const { kitchen, account } = useSession();
  const [entering, setEntering] = useState(false);
  const fitting = matches.filter((m) => m.reasons.length === 0);
  const others = matches.filter((m) => m.reasons.length > 0);
  const [all, setAll] = useState(false);
  const shown = all ? others : others.slice(0, 2);
  return (
    <Ruled
      title="Processes with a source"
      className="mt-5"
      aside={
        account.role === 'owner' && (
          <Button tone="quiet" size="small" onClick={() => setEntering(true)}>
            Enter your own…
          </Button>
        )
      }
    >
      <ul>
        {[...fitting, ...shown].map((m) => (
          <Match key={m.process.id} match={m} elevation={kitchen.elevationMetres} choose={choose} />
        ))}
      </ul>
      {fitting.length === 0 && shut && (
        <p className="py-3 font-semibold text-hold">
          None matches. It needs a source of its own (an authority’s letter, a tested book with its edition),
          or it goes cold.
        </p>
      )}
      {!all && others.length > shown.length && (
        <Button tone="quiet" size="small" onClick={() => setAll(true)}>
          {others.length - shown.length} more that do not match
        </Button>
      )}
      {entering && <OwnProcessDialog onClose={() => setEntering(false)} />}
    </Ruled>
  );
}

/** A hot fill has no canner: how hot the coldest bottle was closed, how long it was held, and how long lid down. */
function HotFill({ lot, process }: { lot: LotView; process: HeatProcess }) {
  const { celsius, holdMinutes, invertSeconds } = process.hotFill!;
  return (
    <Ruled title="Hot fill" className="mt-5">
      <ol className="list-decimal py-3 pl-6">
        <li>
          Fill and close each bottle at {temperature(celsius)} or over; read the first, a middle one and the
          last.
        </li>
        <li>
          Hold it closed for {holdMinutes} min{invertSeconds > 0 && `, of it lid down for ${invertSeconds} s`}
          .
        </li>
        <li>Write down what was done.</li>
      </ol>
      <ByHand lot={lot} processes={[process]} chosen={process.id} />
    </Ruled>
  );
}

/** From the filled bottle to one that keeps: which process, the canner, its loads, what the bottle felt of it. */
export function Process({ lot, open }: { lot: LotView; open: boolean }) {
  const { kitchen } = useSession();
  const [chosen, setChosen] = useState('');
  const processes = [...useOwnProcesses(), ...heatProcesses];
  if (lot.storage !== 'shelf') return <Cooling lot={lot} open={open} />;
  if (lot.bottles.filled === 0)
    return (
      <>
        <Height lot={lot} />
        <p className="py-6 text-ink-2">
          Fill the bottles first: a process is matched to what is in which glass.
        </p>
      </>
    );
  const matches = matchLot(processes, lot, kitchen.elevationMetres);
  const fitting = matches.filter((m) => m.reasons.length === 0);
  const ph = governingPh(lot);
  const shut = lot.gates.some((g) => g.id === 'heat' && !g.open);
  const hot = fitting.find((m) => m.process.id === chosen)?.process.method === 'hot-fill';
  const choose = open
    ? (id: string) => {
        setChosen(id);
        document.getElementById('do-process')?.scrollIntoView({ block: 'start' });
      }
    : null;
  return (
    <>
      <Height lot={lot} />
      <div id="do-process">
        {hot ? (
          <HotFill key={chosen} lot={lot} process={fitting.find((m) => m.process.id === chosen)!.process} />
        ) : (
          <Loads key={chosen} lot={lot} open={open} matches={fitting} shut={shut} chosen={chosen} />
        )}
      </div>
      <Matches matches={matches} shut={shut} choose={choose} />
      {open && (
        <Fold title="How deep, and when to light it" open={false}>
          <Canner lot={lot} />
        </Fold>
      )}
      <Fold title="A logger’s curve" open={lot.curves.some((c) => c.struck === null)}>
        <Curves lot={lot} open={open} asked={ph ? minutesAsked(ph.ph) : null} />
      </Fold>
      <Fold title="How the bottle warms" open={false}>
        <WarmingPanel lot={lot} minutes={fitting[0]?.minutes ?? 15} asked={ph ? minutesAsked(ph.ph) : null} />
      </Fold>
      {open && (
        <Fold title="Record a process by hand" open={false}>
          <ByHand lot={lot} processes={processes} />
        </Fold>
      )}
    </>
  );
}
