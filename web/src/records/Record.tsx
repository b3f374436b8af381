import { type LotView, lotRoutes } from '@inch/contract/making/lot';
import { bodyOf } from '@inch/contract/route/entry';
import { type Happening, historyOf, type LotRecord, movesOf, undoable } from '@inch/core/lot';
import { plural } from '@inch/core/quantity';
import { lateBy, lateSaid } from '@inch/core/record';
import { useQuery } from '@tanstack/react-query';
import { Tabs } from 'radix-ui';
import { useEffect } from 'react';
import { useLocation, useParams } from 'react-router';
import { toast } from 'sonner';
import { urlOf } from '../data/address.ts';
import { call } from '../data/api.ts';
import { keys } from '../data/keys.ts';
import { useLot } from '../data/lots.ts';
import { recordEntry } from '../data/record.ts';
import { useMayWrite, useSession } from '../data/session.tsx';
import { useDeedForm } from '../data/useDeedForm.ts';
import { JournalTable } from '../parts/journal/JournalTable.tsx';
import { Stopped } from '../parts/lot/Stopped.tsx';
import { StrikeEntry } from '../parts/lot/StrikeEntry.tsx';
import { LotLinks } from '../parts/trace/HoldSource.tsx';
import { Button, buttonLook } from '../ui/Button.tsx';
import { clockTime, dayAndTime, dayMonth, dayMonthYear } from '../ui/dates.ts';
import { Field } from '../ui/Field.tsx';
import { Ruled, Sheet } from '../ui/Sheet.tsx';
import { Fruit, lotTone, State } from '../ui/State.tsx';
import { sendOut } from '../ui/sendOut.ts';
import { Bars, Unread } from '../ui/Unread.tsx';

function byDay(history: Happening[]): [string, Happening[]][] {
  const days = new Map<string, Happening[]>();
  for (const h of history) days.set(dayMonthYear(h.at), [...(days.get(dayMonthYear(h.at)) ?? []), h]);
  return [...days];
}

function useSought(): string {
  const { hash } = useLocation();
  const sought = hash.startsWith('#entry-') ? hash.slice('#entry-'.length) : '';
  useEffect(() => {
    if (sought) document.getElementById(`entry-${sought}`)?.scrollIntoView({ block: 'center' });
  }, [sought]);
  return sought;
}

/** Says of what was written down later than it happened by how much. */
function Late({ happening: { at, recordedAt }, lot }: { happening: Happening; lot: LotView }) {
  const minutes = recordedAt === undefined ? null : lateBy({ at, recordedAt }, lot.broughtInAt);
  if (minutes === null) return null;
  return (
    <span className="block text-sm font-semibold text-hold">
      {lateSaid(minutes)}: written down {dayAndTime(recordedAt!)}
    </span>
  );
}

function History({ lot }: { lot: LotView }) {
  const { kitchen } = useSession();
  const sought = useSought();
  const nouns = undoable(lot as LotRecord);
  return byDay(historyOf(lot as LotRecord, kitchen.currency)).map(([day, happenings]) => (
    <Ruled key={day} title={day} className="mb-6">
      <ol>
        {happenings.map((h) => (
          <li
            key={h.id}
            id={`entry-${h.id}`}
            aria-current={sought === h.id ? 'true' : undefined}
            className="scroll-mt-24 aria-[current]:bg-rim-pale grid grid-cols-[3.5rem_1fr_6rem] gap-3 border-b border-steel-line py-1.5"
          >
            <span className="figure text-ink-2">{clockTime(h.at)}</span>
            <span className="min-w-0">
              <span className={h.struck ? 'text-ink-2 line-through' : 'font-semibold'}>{h.title}</span>
              {h.detail && (
                <span className={`block text-sm text-ink-2 ${h.struck ? 'line-through' : ''}`}>
                  {h.detail}
                </span>
              )}
              <Late happening={h} lot={lot} />
              {h.struck && (
                <span className="block text-sm font-semibold text-hold">
                  undone by {h.struck.by}: {h.struck.why}
                </span>
              )}
            </span>
            <span className="text-right text-sm text-ink-2">
              {h.by}
              {nouns.has(h.id) && (
                <span className="block">
                  <StrikeEntry
                    lot={lot}
                    noun={nouns.get(h.id)!}
                    entryId={h.id}
                    by={h.by}
                    named={`${h.title}, ${clockTime(h.at)}`}
                  />
                </span>
              )}
            </span>
          </li>
        ))}
      </ol>
    </Ruled>
  ));
}

function Journal({ code }: { code: string }) {
  const { data } = useQuery({
    queryKey: keys.one('journal', code),
    queryFn: () => call(lotRoutes.journal, { params: { id: code } }),
  });
  return (
    <>
      <p className="mb-3 text-ink-2">
        Every change, in order. Each row carries the hash of the one before it, so that none can be changed
        unseen.
      </p>
      {data ? <JournalTable rows={data} /> : <Bars rows={6} />}
    </>
  );
}

function Fact({ name, children }: { name: string; children: string }) {
  return (
    <div className="flex justify-between gap-4 border-b border-steel-line py-2">
      <dt className="text-ink-2">{name}</dt>
      <dd className="figure text-right font-bold">{children}</dd>
    </div>
  );
}

function Facts({ lot }: { lot: LotView }) {
  const { keeping, bottles } = lot;
  const gone = bottles.filled - bottles.left;
  const to = movesOf(lot).filter((m) => m.kind === 'sold' || m.kind === 'given');
  const back = movesOf(lot).filter((m) => m.kind === 'returned');
  return (
    <>
      <p className="mb-4 border-l-4 border-rim py-0.5 pl-3">{keeping.carriedBy}</p>
      <dl>
        <Fact name="Made">{dayMonthYear(keeping.madeOn)}</Fact>
        {keeping.readyOn > keeping.madeOn && <Fact name="Ready">{dayMonthYear(keeping.readyOn)}</Fact>}
        <Fact name={keeping.dateWord === 'use-by' ? 'Use by' : 'Best by'}>
          {keeping.bestBy ? dayMonthYear(keeping.bestBy) : 'no date'}
        </Fact>
        <Fact name="Filled">{plural(bottles.filled, 'bottle')}</Fact>
        <Fact name="Gone">{String(gone)}</Fact>
        <Fact name="Left">{String(bottles.left)}</Fact>
        <Fact name="Release checks passed">{`${lot.gates.filter((g) => g.open).length} of ${lot.gates.length}`}</Fact>
      </dl>
      <Ruled title="Hurdles as measured" className="mt-6">
        <ul>
          {keeping.hurdles.map((h) => (
            <li key={h.id} className="flex justify-between gap-3 border-b border-steel-line py-1.5 text-sm">
              <span className={h.carries ? 'font-bold' : 'text-ink-2'}>{h.name}</span>
              <span className="figure">{h.level}</span>
            </li>
          ))}
        </ul>
      </Ruled>
      {lot.wentInto.length > 0 && (
        <Ruled title="What was made with its by-products" className="mt-6">
          <p className="py-2">
            <LotLinks codes={lot.wentInto} />
          </p>
        </Ruled>
      )}
      <Ruled title="Who got its bottles" className="mt-6">
        {to.length === 0 && <p className="py-2 text-ink-2">Nobody yet.</p>}
        <ul>
          {to.map((m) => (
            <li key={m.id} className="border-b border-steel-line py-1.5 text-sm">
              <span className="flex justify-between gap-3">
                <span>
                  {dayMonth(m.at)}, {m.note ?? 'not said'}
                </span>
                <span className="figure font-bold">{m.count}</span>
              </span>
              {lot.state === 'recalled' && <Told lot={lot} movementId={m.id} />}
            </li>
          ))}
        </ul>
        {back.map((m) => (
          <p key={m.id} className="flex justify-between gap-3 py-1.5 text-sm text-ink-2">
            <span>
              {dayMonth(m.at)}, brought back{m.note && `: ${m.note}`}
            </span>
            <span className="figure">{m.count}</span>
          </p>
        ))}
      </Ruled>
    </>
  );
}

/** Whether whoever got bottles of a recalled lot was told, and how; where not, it is written here. */
function Told({ lot, movementId }: { lot: LotView; movementId: string }) {
  const mayWrite = useMayWrite();
  const told = lot.tellings.filter((t) => t.movementId === movementId);
  const form = useDeedForm({
    of: 'entry',
    draft: `telling ${movementId}`,
    empty: { how: '' },
    schema: bodyOf('telling'),
    read: (a) => ({ movementId, how: a.how }),
    write: (body) => recordEntry('telling', lot, body, 'Told of the recall'),
  });
  return (
    <>
      {told.map((t) => (
        <State key={t.id} tone="go" className="block">
          told {dayMonth(t.at)} by {t.by}: {t.how}
        </State>
      ))}
      {told.length === 0 && <State tone="stop">not told yet</State>}
      {mayWrite && told.length === 0 && (
        <form className="mt-1 flex items-end gap-2" onSubmit={form.submit}>
          <Field
            className="flex-1"
            label="How they were told"
            placeholder="by telephone"
            {...form.field('how')}
          />
          <Button type="submit" size="small" disabled={form.busy}>
            Record
          </Button>
        </form>
      )}
    </>
  );
}

const tab =
  'border-b-4 border-transparent px-1 py-1.5 font-semibold text-ink-2 data-[state=active]:border-rim data-[state=active]:text-ink';

/** Where the record came from, if it was not written here: said once, at its head. */
function WhereFrom({ lot }: { lot: LotView }) {
  const { broughtIn } = useSession().kitchen;
  const elsewhere = broughtIn && !broughtIn.signedHere && lot.begunAt < broughtIn.at;
  if (!elsewhere && !lot.broughtInAt) return null;
  return (
    <p className="mb-4 border-l-4 border-steel py-0.5 pl-3 text-ink-2">
      {elsewhere
        ? `Imported with the kitchen on ${dayAndTime(broughtIn.at)}. What is older than that was written down and signed in another installation.`
        : `Brought in from a kitchen file on ${dayAndTime(lot.broughtInAt!)}. What is older than that was not written down here.`}
    </p>
  );
}

/** The whole record as a file: on paper, or for another program with its journal. */
function Out({ lot }: { lot: LotView }) {
  const sendJson = async () => {
    const of = { params: { id: lot.id } };
    try {
      const [record, journal] = await Promise.all([call(lotRoutes.read, of), call(lotRoutes.journal, of)]);
      sendOut(
        `record-${lot.code}.json`,
        'application/json',
        JSON.stringify({ lot: record, journal }, null, 2),
      );
    } catch (error) {
      toast.error((error as Error).message);
    }
  };
  return (
    <span className="ml-auto flex items-baseline gap-1">
      <a
        className={buttonLook({ tone: 'quiet', size: 'small' })}
        href={urlOf(lotRoutes.recordSheet.path, { id: lot.id })}
        target="_blank"
        rel="noreferrer"
      >
        as PDF
      </a>
      <Button tone="quiet" size="small" onClick={() => void sendJson()}>
        as JSON
      </Button>
    </span>
  );
}

/** The whole history of a lot, as an inspector reads it. */
export function Record() {
  const { code = '' } = useParams();
  const { data: lot, error, refetch } = useLot(code);
  if (!lot) return <Unread error={error} retry={refetch} />;
  return (
    <Sheet asideLabel="Facts" aside={<Facts lot={lot} />}>
      <div className="mb-4 flex flex-wrap items-baseline gap-x-4">
        <h1 className="flex items-center gap-3">
          <Fruit colour={lot.product.colour} size={20} />
          <span className="figure">{lot.code}</span> {lot.product.name}
        </h1>
        <State tone={lotTone(lot.state)}>{lot.state}</State>
        <span className="text-ink-2">
          version {lot.product.version}, begun {dayAndTime(lot.begunAt)}
        </span>
        <Out lot={lot} />
      </div>
      <Stopped lot={lot} onRecord />
      <WhereFrom lot={lot} />
      <Tabs.Root defaultValue="history">
        <Tabs.List aria-label="Record" className="mb-4 flex gap-6 border-b border-steel-line">
          <Tabs.Trigger value="history" className={tab}>
            History
          </Tabs.Trigger>
          <Tabs.Trigger value="journal" className={tab}>
            Journal
          </Tabs.Trigger>
        </Tabs.List>
        <Tabs.Content value="history">
          <History lot={lot} />
        </Tabs.Content>
        <Tabs.Content value="journal">
          <Journal code={lot.code} />
        </Tabs.Content>
      </Tabs.Root>
    </Sheet>
  );
}
