import type { FormulaLine, ReadListLine } from '@inch/core/formula';
import { plural } from '@inch/core/quantity';
import { type ChangeEvent, useState } from 'react';
import { useCatalogue } from '../data/catalogue.ts';
import { IngredientPicker } from '../parts/ingredient/IngredientPicker.tsx';
import { ReadWords } from '../parts/ingredient/ReadWords.tsx';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { TextField } from '../ui/Field.tsx';

import { incomingCsv } from './exchange/csv.ts';
import type { IncomingOwn } from './exchange/fileOwn.ts';
import { type Incoming, incomingList } from './exchange/incoming.ts';
import { incomingJson } from './exchange/json.ts';
import { FileProblem } from './exchange/problem.ts';
import { OwnReview, useAddOwn } from './OwnReview.tsx';

/** A line read: understood, or asked about with the answer beside it. */
function ReadLine({
  read,
  line,
  own,
  choose,
}: {
  read: ReadListLine;
  line: FormulaLine;
  own: IncomingOwn | undefined;
  choose: (ingredientId: string) => void;
}) {
  const catalogue = useCatalogue();
  const entry = catalogue.find(line.ingredientId);
  const coming = own?.labels.find((label) => label.figures.ingredientId === line.ingredientId);
  const nameOf = (id: string) => catalogue.find(id)?.name.toLowerCase() ?? id;
  const open = entry ? (line.said === '' ? read.query : undefined) : read.query;
  return (
    <li className="border-b border-steel-line py-2">
      <p className="text-sm text-ink-2">
        {read.words.length > 0 ? <ReadWords text={read.text} words={read.words} /> : read.text}
      </p>
      <div className="grid grid-cols-[7rem_1fr] items-center gap-2">
        <span className="font-semibold">{line.said || '–'}</span>
        {coming ? (
          <span>
            {coming.entry.name} <span className="text-sm text-ink-2">from the file</span>
          </span>
        ) : (
          <IngredientPicker label={`“${read.text}” is`} value={line.ingredientId} onChoose={choose} />
        )}
      </div>
      {(line.or ?? []).length > 0 && (
        <p className="text-sm text-ink-2">
          or {line.or!.map((other) => `${other.said} ${nameOf(other.ingredientId)}`).join(', or ')}: to be
          changed in the formula with one press
        </p>
      )}
      {open && (
        <p className="text-sm font-semibold text-hold" role="status">
          {open}
        </p>
      )}
      {!entry && !coming && read.others.length > 0 && (
        <div className="mt-1 flex flex-wrap gap-1.5">
          {read.others.map((other) => (
            <Button key={other.id} size="small" tone="plain" onClick={() => choose(other.id)}>
              {other.name}
            </Button>
          ))}
        </div>
      )}
    </li>
  );
}

function Review({
  incoming,
  take,
  back,
}: {
  incoming: Incoming;
  take: (lines: FormulaLine[]) => void;
  back: () => void;
}) {
  const { own } = incoming;
  const [lines, setLines] = useState(incoming.formulaLines);
  const [measured, setMeasured] = useState<ReadonlySet<string>>(new Set());
  const addOwn = useAddOwn(() => take(lines));
  const open = lines.filter((line) => line.ingredientId === '' || line.said.trim() === '').length;
  const choose = (i: number, ingredientId: string) =>
    setLines(lines.map((line, n) => (n === i ? { ...line, ingredientId } : line)));
  return (
    <>
      <p className="mb-2" role="status">
        {plural(lines.length, 'line')} read,{' '}
        {open === 0 ? 'all understood.' : `${open} still open: choose what they are.`}
      </p>
      <ul className="max-h-[50vh] overflow-y-auto border-t border-ink">
        {lines.map((line, i) => (
          <ReadLine
            key={line.id}
            read={incoming.lines[i]!}
            line={line}
            own={own}
            choose={(ingredientId) => choose(i, ingredientId)}
          />
        ))}
      </ul>
      {own && <OwnReview own={own} measured={measured} setMeasured={setMeasured} />}
      <div className="mt-5 flex justify-end gap-3">
        <Button tone="plain" onClick={back}>
          Back
        </Button>
        <Button disabled={addOwn.busy} onClick={() => (own ? addOwn.run({ own, measured }) : take(lines))}>
          Import {plural(lines.length, 'line')}
        </Button>
      </div>
    </>
  );
}

/** Reads a file by what it is: JSON, CSV, or else a plain list. */
function readFile(name: string, text: string, catalogue: ReturnType<typeof useCatalogue>): Incoming {
  const head = text.trimStart()[0];
  if (/\.(json|jsonld)$/i.test(name) || head === '{' || head === '[') return incomingJson(text, catalogue);
  return /\.csv$/i.test(name) ? incomingCsv(text, catalogue) : incomingList(text, catalogue);
}

const LARGEST = 1_000_000;

/** A formula brought in: a list pasted, or a file. It is read first and shown; nothing is taken before you say so. */
export function BringIn({
  title,
  take,
  onClose,
}: {
  title: string;
  take: (incoming: Incoming) => void;
  onClose: () => void;
}) {
  const catalogue = useCatalogue();
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [incoming, setIncoming] = useState<Incoming | null>(null);
  const read = (work: () => Incoming) => {
    try {
      setIncoming(work());
      setProblem(null);
    } catch (error) {
      if (!(error instanceof FileProblem)) throw error;
      setProblem(`${error.message} Nothing was imported.`);
    }
  };
  const fromFile = async (e: ChangeEvent<HTMLInputElement>) => {
    const file = e.target.files?.[0];
    e.target.value = '';
    if (!file) return;
    if (file.size > LARGEST) setProblem('That file is over 1 MB: it is no formula. Nothing was imported.');
    else {
      const content = await file.text();
      read(() => readFile(file.name, content, catalogue));
    }
  };
  return (
    <Dialog open onClose={onClose} title={title}>
      {incoming ? (
        <Review
          incoming={incoming}
          take={(formulaLines) => take({ ...incoming, formulaLines })}
          back={() => setIncoming(null)}
        />
      ) : (
        <>
          <TextField
            label="The list, one ingredient to a line"
            rows={9}
            autoFocus
            value={text}
            placeholder={'2 kg gooseberries\nhalf the weight of the fruit in sugar\njuice of 2 lemons'}
            onChange={(e) => setText(e.target.value)}
          />
          {problem && (
            <p role="alert" className="mt-3 font-semibold text-stop">
              {problem}
            </p>
          )}
          <div className="mt-5 flex flex-wrap items-center justify-end gap-3">
            <label className="mr-auto cursor-pointer rounded-[10px] border-2 border-rim px-4 py-1.5 font-semibold text-link hover:bg-rim-pale has-focus-visible:outline-3 has-focus-visible:outline-rim">
              Or choose a file
              <input
                type="file"
                accept=".json,.jsonld,.csv,.txt,application/json,text/csv,text/plain"
                className="sr-only"
                onChange={(e) => void fromFile(e)}
              />
            </label>
            <Button tone="plain" onClick={onClose}>
              Cancel
            </Button>
            <Button disabled={text.trim() === ''} onClick={() => read(() => readFile('', text, catalogue))}>
              Read
            </Button>
          </div>
          <p className="mt-4 text-sm text-ink-2">
            Accepted: a formula file of Inch Pantry, a schema.org Recipe (JSON-LD), or its lines as CSV.
          </p>
        </>
      )}
    </Dialog>
  );
}
