import type { LotView } from '@inch/contract/making/lot';
import { bodyOf } from '@inch/contract/route/entry';
import { type TallyPart, tallyUp } from '@inch/core/bottling';
import { gapSaid } from '@inch/core/lot';
import { grouped, inWords, volume, volumeShown, volumeSign } from '@inch/core/quantity';
import { TALLY_PARTS } from '@inch/core/record';
import { useState } from 'react';
import { recordEntry } from '../data/record.ts';
import { serverNow } from '../data/serverClock.ts';
import { useSession } from '../data/session.tsx';
import { useDeedForm } from '../data/useDeedForm.ts';
import { useSetting } from '../data/useSetting.ts';
import { StrikeEntry } from '../parts/lot/StrikeEntry.tsx';
import { Button } from '../ui/Button.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { dayAndTime } from '../ui/dates.ts';
import { Field } from '../ui/Field.tsx';
import { Ruled } from '../ui/Sheet.tsx';
import { State } from '../ui/State.tsx';
import { expectation } from './expecting.ts';

const SHADES: Record<TallyPart, string> = {
  'short-bottle': '0.75',
  tasted: '0.6',
  foam: '0.45',
  spilt: '0.38',
  evaporated: '0.3',
  'left-in-the-pan': '0.22',
};

/** Where the lot's millilitres went, as lengths of one bar; what is unaccounted for is hatched. */
function Bar({
  inPanMl,
  filledMl,
  parts,
  colour,
}: {
  inPanMl: number;
  filledMl: number;
  parts: readonly { part: TallyPart; ml: number }[];
  colour: string;
}) {
  const all = Math.max(inPanMl, filledMl + parts.reduce((sum, p) => sum + p.ml, 0), 1);
  let at = 0;
  const piece = (ml: number) => {
    const x = (at / all) * 640;
    at += ml;
    return { x, width: Math.max(0, (ml / all) * 640) };
  };
  const filled = piece(filledMl);
  const drawn = parts.map((p) => ({ ...p, ...piece(p.ml) }));
  const gap = Math.max(0, inPanMl - at);
  return (
    <svg viewBox="0 0 640 26" className="w-full max-w-3xl" aria-hidden="true">
      <rect {...filled} y="3" height="20" fill={colour} />
      {drawn.map((p) => (
        <rect
          key={p.part}
          x={p.x}
          width={p.width}
          y="3"
          height="20"
          fill={colour}
          opacity={SHADES[p.part]}
          stroke="var(--enamel)"
        />
      ))}
      {gap > 0 && (
        <rect
          x={(at / all) * 640}
          width={(gap / all) * 640}
          y="4"
          height="18"
          fill="none"
          stroke="var(--hold)"
          strokeWidth="2"
          strokeDasharray="5 3"
        />
      )}
    </svg>
  );
}

function Recorded({ lot }: { lot: LotView }) {
  return lot.tallies
    .filter((t) => t.struck === null)
    .map((t) => (
      <div key={t.id} id={`entry-${t.id}`} className="py-3">
        <Bar inPanMl={t.inPanMl} filledMl={t.filledMl} parts={t.parts} colour={lot.product.colour} />
        <p className="mt-1">
          <span className="figure font-bold">{volume(t.inPanMl, 0)}</span> in the pan:{' '}
          <span className="figure">{grouped(t.filledMl)}</span> in bottles
          {t.parts
            .filter((p) => p.ml > 0)
            .map((p) => `, ${grouped(p.ml)} ${inWords(p.part)}`)
            .join('')}
          ; <State tone={t.asks ? 'hold' : 'go'}>{gapSaid(t.gapMl)}</State>
        </p>
        <p className="text-sm text-ink-2">
          {t.why && `${t.why} · `}
          {dayAndTime(t.at)}, {t.by}{' '}
          <StrikeEntry lot={lot} noun="tally" entryId={t.id} by={t.by} named="what was accounted for" />
        </p>
      </div>
    ));
}

type Texts = Record<TallyPart | 'inPanMl' | 'why', string>;
const NO_PARTS = Object.fromEntries(TALLY_PARTS.map((part) => [part, ''])) as Record<TallyPart, string>;

function TallyForm({ lot }: { lot: LotView }) {
  const { kitchen } = useSession();
  const setting = useSetting();
  const [expected] = useState(() => expectation(lot, setting, [], serverNow()).inPan);
  const suggested = expected ? String(volumeShown(Math.round(expected.ml))) : '';
  const ml = { unit: 'ml', kitchens: true, min: 0 } as const;
  const form = useDeedForm({
    of: 'entry',
    draft: `tally ${lot.id}`,
    empty: { ...NO_PARTS, inPanMl: suggested, why: '' } as Texts,
    schema: bodyOf('tally'),
    read: (a, fields) => ({
      inPanMl: fields.figure('inPanMl', ml) ?? undefined,
      how: a.inPanMl === suggested ? (expected?.how ?? '') : 'as measured',
      parts: TALLY_PARTS.map((part) => ({ part, ml: fields.figure(part, ml) ?? 0 })).filter((p) => p.ml > 0),
      why: a.why.trim() || null,
    }),
    write: (body) => recordEntry('tally', lot, body),
    done: 'Every millilitre accounted for',
  });
  const filledMl = lot.bottles.millilitres;
  const { body } = form;
  const result = body && tallyUp({ ...body, filledMl }, kitchen.fillTolerancePercent);
  return (
    <form className="grid gap-4 py-4" onSubmit={form.submit}>
      <DraftNote form={form} />
      <div className="grid grid-cols-4 gap-4 max-sm:grid-cols-2">
        <Field
          label={`In the pan before filling, ${volumeSign()}`}
          figure
          inputMode="decimal"
          hint={form.values.inPanMl === suggested ? expected?.how : undefined}
          {...form.field('inPanMl')}
        />
        {TALLY_PARTS.map((part) => (
          <Field
            key={part}
            label={`${part.charAt(0).toUpperCase()}${inWords(part).slice(1)}, ${volumeSign()}`}
            figure
            inputMode="decimal"
            {...form.field(part)}
          />
        ))}
      </div>
      {result && (
        <>
          <Bar inPanMl={body.inPanMl} filledMl={filledMl} parts={body.parts} colour={lot.product.colour} />
          <p role="status">
            <span className="figure font-bold">{volume(filledMl, 0)}</span> in bottles,{' '}
            <State tone={result.asks ? 'hold' : 'go'}>
              {gapSaid(result.gapMl)}, {Math.abs(result.gapPercent).toFixed(1)} % of it
            </State>
            ; this kitchen allows {kitchen.fillTolerancePercent} %.
          </p>
          {result.asks && <Field label="Why" {...form.field('why')} />}
        </>
      )}
      <Button type="submit" disabled={form.busy} className="justify-self-start">
        Record
      </Button>
    </form>
  );
}

/** Every millilitre of the lot accounted for, and why where one is missing. */
export function Tally({ lot, open }: { lot: LotView; open: boolean }) {
  const stands = lot.tallies.some((t) => t.struck === null);
  const stale = lot.gates.some((g) => g.id === 'count' && !g.open);
  return (
    <Ruled title="Every millilitre" className="mt-6">
      <Recorded lot={lot} />
      {open && (!stands || stale) && <TallyForm lot={lot} />}
    </Ruled>
  );
}
