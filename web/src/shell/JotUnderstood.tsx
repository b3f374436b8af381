import type { TodayView } from '@inch/contract/kitchen/today';
import { type LotView, lotRoutes } from '@inch/contract/making/lot';
import { type Jotting, jotsIn, jottedAt, weighedAddition } from '@inch/core/jot';
import { presentStep, weighedIn } from '@inch/core/lot';
import { weight } from '@inch/core/quantity';
import { useEffect } from 'react';
import { useLocation } from 'react-router';
import { call, newId, queryClient } from '../data/api.ts';
import { useCatalogue } from '../data/catalogue.ts';
import { useInstruments } from '../data/instruments.ts';
import { keys } from '../data/keys.ts';
import { recordEntry } from '../data/record.ts';
import { serverNow } from '../data/serverClock.ts';
import { useSession } from '../data/session.tsx';
import { useWrite } from '../data/useWrite.ts';
import { lotFor } from './jotLot.ts';

const MEASURES: Record<string, string> = {
  brix: 'refractometer',
  ph: 'ph-meter',
  temperature: 'thermometer',
  mass: 'scale',
  'water-activity': 'water-activity-meter',
};

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
async function keepAddition(
  code: string,
  { ingredientId, grams }: { ingredientId: string; grams: number },
  happened: { at?: string },
) {
  const lot = await lotOf(code);
  const line = lot.lines.find((l) => l.ingredientId === ingredientId && weighedIn(lot, l.lineId).open);
  // Less than the formula asks for is a part of it: the stove says when it is all.
  const asked = line?.now ?? line?.grams ?? null;
  const more =
    line !== undefined && asked !== null && weighedIn(lot, line.lineId).grams + grams < 0.97 * asked;
  const step = lot.steps.find((s) => s.formulaStepId === line?.formulaStepId);
  const id = newId();
  const said = {
    id,
    stepId: step?.id ?? null,
    lineId: line?.lineId ?? null,
    ingredientId,
    grams,
    more,
    why: line ? null : 'jotted',
    ...happened,
  };
  return recordEntry('addition', lot, said, `${weight(grams)} of ${ingredientId} in`);
}

async function keepReading(
  code: string,
  jot: Jotting,
  instrumentId: string | null,
  happened: { at?: string },
) {
  if (jot.kind === 'add') return undefined;
  const said = jot.note ?? jot.text;
  const lot = await lotOf(code);
  const stepId = presentStep(lot.steps, serverNow())?.id ?? null;
  const id = newId();
  const { kind, raw, celsius, heldMinutes = null, diluted = false } = jot;
  const reading = { id, stepId, kind, said, raw, celsius, heldMinutes, diluted, instrumentId, ...happened };
  return recordEntry('reading', lot, reading, jot.understood);
}

interface Props {
  text: string;
  open: TodayView['open'];
  /** Enter was pressed: it is to be kept. */
  entered: boolean;
  /** It was kept; what the line says besides is still to be. */
  kept: (rest: string) => void;
  /** It cannot be kept as it stands: what is said of it says why. */
  refused: () => void;
}

/** What a line says besides, as a line of its own. */
const restOf = (later: readonly Jotting[]): string =>
  [later[0]?.lotCode ?? '', later.map(({ text }) => text).join('; ')].filter(Boolean).join(' ');

/** What a jotted line is understood to be, said under it, and kept when Enter is pressed. Fetched when the line is first used. */
export function JotUnderstood({ text, open, entered, kept, refused }: Props) {
  const { pathname } = useLocation();
  const catalogue = useCatalogue();
  const { kitchen } = useSession();
  const cup = kitchen.cupSchool ?? undefined;
  const instruments = useInstruments();
  const [jot, ...later] = jotsIn(text) as [Jotting, ...Jotting[]];
  const code = lotFor(jot.lotCode, pathname, open);
  const when = jot.when && jottedAt(jot.when, serverNow(), kitchen.timeZone);
  const happened = when ? { at: when.at } : {};
  const weighed = jot.addition ? weighedAddition(jot.addition, { catalogue, cup }) : null;
  const write = useWrite(
    'entry',
    async () => {
      if (!code) return undefined;
      if (weighed && 'grams' in weighed) return keepAddition(code, weighed, happened);
      const instrument = instruments.data?.find((i) => i.kind === MEASURES[jot.kind] && !i.retired);
      return keepReading(code, jot, instrument?.id ?? null, happened);
    },
    { after: () => kept(restOf(later)) },
  );
  const asks = (weighed && 'asks' in weighed ? weighed.asks : null) ?? jot.asks ?? null;
  const fit = code !== null && !asks;
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each Enter
  useEffect(() => {
    if (!entered) return;
    if (fit) write.run(undefined);
    refused();
  }, [entered]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was refused of another text is no longer said
  useEffect(() => write.reset(), [text]);
  const problem = write.fields.raw ?? write.fields.because ?? write.fields.at ?? asks;
  if (problem) return <span className="font-semibold text-stop">{problem}</span>;
  const said =
    weighed && 'grams' in weighed
      ? `In: ${weight(weighed.grams)} of ${weighed.name.toLowerCase()}`
      : jot.understood;
  const told = when ? `${said}, ${when.words}` : said;
  const next = later.length === 0 ? '' : `, then: ${later.map((one) => one.understood).join(', ')}`;
  return code
    ? `${told} · lot ${code} · save with Enter${next}`
    : `${jot.understood} · which lot? add its code`;
}
