import { type Spreadsheet, spreadsheetRoutes } from '@inch/contract/kitchen/spreadsheet';
import { plural } from '@inch/core/quantity';
import { SPREADSHEET_KINDS, spreadsheetKinds } from '@inch/core/spreadsheet';
import { useState } from 'react';
import { toast } from 'sonner';
import { call } from '../data/api.ts';
import { SIGNS } from '../data/delimiter.ts';
import { useSession } from '../data/session.tsx';
import { useSpreadsheets } from '../data/spreadsheets.ts';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { dayAndTime } from '../ui/dates.ts';
import { Choice, Field } from '../ui/Field.tsx';
import { FileButton } from '../ui/FileButton.tsx';
import { Empty, Ruled, Sheet } from '../ui/Sheet.tsx';
import { Caution } from '../ui/State.tsx';
import { Bars, ReadFault } from '../ui/Unread.tsx';
import { Columns } from './Columns.tsx';
import { RecordsNav } from './RecordsNav.tsx';
import { useImport } from './useImport.ts';

const SAYS = {
  lots: 'Lots that you made before: their codes, products and days. They stand under Earlier lots.',
  sales: 'What you sold before. A sale that names a lot needs that lot imported first.',
  stock: 'Ingredients that are in the house. Each row becomes a stock lot.',
  contacts: 'Whom you buy from and sell to.',
} as const;

function Withdraw({ sheet, onClose }: { sheet: Spreadsheet; onClose: () => void }) {
  const [why, setWhy] = useState('');
  const write = useWrite(
    'spreadsheet',
    () => call(spreadsheetRoutes.withdraw, { params: { id: sheet.id }, body: { why } }),
    { done: 'Withdrawn', after: onClose },
  );
  return (
    <Dialog open onClose={onClose} title={`Withdraw ${sheet.fileName}`}>
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          write.run(undefined);
        }}
      >
        <p>What came with it is no longer shown. The journal keeps it.</p>
        <Field label="Why" value={why} onChange={(e) => setWhy(e.target.value)} error={write.fields.why} />
        <Button type="submit" tone="stop" className="justify-self-end" disabled={write.busy}>
          Withdraw
        </Button>
      </form>
    </Dialog>
  );
}

function SheetRow({ sheet, withdraw }: { sheet: Spreadsheet; withdraw: (() => void) | undefined }) {
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-steel-line py-2.5">
      <span className="min-w-0 flex-1">
        <span className="block font-semibold">{sheet.fileName}</span>
        <span className="block text-sm text-ink-2">
          {spreadsheetKinds[sheet.kind].name}, {plural(sheet.rows, 'row')} · {dayAndTime(sheet.at)},{' '}
          {sheet.by}
        </span>
        {sheet.withdrawn && (
          <span className="block text-sm font-semibold text-hold">
            withdrawn {dayAndTime(sheet.withdrawn.at)}, {sheet.withdrawn.by}: {sheet.withdrawn.why}
          </span>
        )}
      </span>
      {withdraw && (
        <Button tone="quiet" size="small" onClick={withdraw} aria-label={`Withdraw ${sheet.fileName}`}>
          Withdraw
        </Button>
      )}
    </li>
  );
}

/** What was imported before. */
function Before({ owner }: { owner: boolean }) {
  const { data, error, refetch } = useSpreadsheets();
  const [withdrawing, setWithdrawing] = useState<Spreadsheet | null>(null);
  if (error) return <ReadFault error={error} retry={refetch} />;
  if (!data) return <Bars rows={2} />;
  if (data.length === 0) return <p className="py-3 text-ink-2">Nothing was imported yet.</p>;
  return (
    <ul>
      {data.map((sheet) => (
        <SheetRow
          key={sheet.id}
          sheet={sheet}
          withdraw={
            owner && !sheet.withdrawn && sheet.kind !== 'stock' ? () => setWithdrawing(sheet) : undefined
          }
        />
      ))}
      {withdrawing && <Withdraw sheet={withdrawing} onClose={() => setWithdrawing(null)} />}
    </ul>
  );
}

function NewImport() {
  const incoming = useImport((rows) => toast.success(`${plural(rows, 'row')} imported`));
  const { kind, opened, fault, reading, at } = incoming;
  return (
    <>
      <div className="grid max-w-3xl grid-cols-[14rem_1fr] items-start gap-x-6 gap-y-3 py-3 max-sm:grid-cols-1">
        <Choice
          label="What is in it"
          value={kind}
          onChange={(e) => incoming.setKind(e.target.value as typeof kind)}
          hint={SAYS[kind]}
          options={SPREADSHEET_KINDS.map((k) => [k, spreadsheetKinds[k].name])}
        />
        <div className="sm:mt-6">
          <FileButton
            label="Spreadsheet, XLSX or CSV"
            accept=".xlsx,.csv,.tsv,.txt,text/csv"
            tone={opened ? 'plain' : 'main'}
            disabled={reading}
            onFile={(file) => void incoming.choose(file)}
          >
            {reading ? 'Reading the file…' : opened ? 'Choose another file' : 'Choose a file'}
          </FileButton>
          <p className="mt-1 text-sm text-ink-2">
            {opened ? opened.name : 'XLSX or CSV, with a heading over each column.'}
          </p>
        </div>
        {opened && opened.sheets.length > 1 && (
          <Choice
            label="Sheet"
            value={at}
            onChange={(e) => incoming.setAt(Number(e.target.value))}
            options={opened.sheets.map((sheet, i) => [i, sheet.name])}
          />
        )}
        {opened?.sheets[0]?.sign !== undefined && (
          <Choice
            label="Its cells are parted by"
            value={opened.sheets[0].sign}
            onChange={(e) => void incoming.partBy(e.target.value)}
            options={SIGNS}
          />
        )}
      </div>
      {fault && <Caution>{fault}</Caution>}
      {opened && <Columns incoming={incoming} />}
    </>
  );
}

/** What a kitchen kept elsewhere before, from a spreadsheet: its columns matched, every fault named, all of it or nothing. */
export function Import() {
  const owner = useSession().account.role === 'owner';
  return (
    <Sheet>
      <RecordsNav />
      <h1>Import</h1>
      <p className="mt-1 max-w-prose text-ink-2">
        Lots, sales, stock and contacts from before this program. What comes in is marked as imported, never
        as measured here.
      </p>
      {owner ? <NewImport /> : <Empty>Only an owner imports a spreadsheet.</Empty>}
      <Ruled title="Imported so far" className="mt-8">
        <Before owner={owner} />
      </Ruled>
    </Sheet>
  );
}
