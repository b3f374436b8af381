import { forecast } from '@inch/core/formula';
import { plural } from '@inch/core/quantity';
import { looksTold } from '@inch/core/recipe';
import { type ChangeEvent, useState } from 'react';
import { useCatalogue } from '../../data/catalogue.ts';
import { textOf } from '../../data/textOf.ts';
import { useSetting } from '../../data/useSetting.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { Choice, TextField } from '../../ui/Field.tsx';
import type { Method } from '../draft.ts';
import { incomingAccount } from '../exchange/account.ts';
import { incomingCsv } from '../exchange/csv.ts';
import { type Incoming, incomingText } from '../exchange/incoming.ts';
import { incomingJson } from '../exchange/json.ts';
import { FileProblem } from '../exchange/problem.ts';
import { jsonLdIn } from '../exchange/recipe.ts';
import { OwnReview, useAddOwn } from '../line/OwnReview.tsx';
import { ReviewLine } from './ReviewLine.tsx';
import { ReviewSteps } from './ReviewSteps.tsx';
import { useReview } from './useReview.ts';
import { WholeText } from './WholeText.tsx';

const PLACES = { shelf: 'on the shelf', cold: 'in the cold', frozen: 'frozen' } as const;

/** Where the recipe means it to be kept, and what the rules make of that as it stands. */
function Wish({ incoming: { content, formulaLines, steps } }: { incoming: Incoming }) {
  const setting = useSetting();
  const process = steps?.find(({ step }) => step.kind === 'process')?.step;
  if (!content) return null;
  const found = forecast({ ...content, lines: formulaLines }, setting);
  const wished = PLACES[content.storage];
  const ruled = found.keeping.class === 'none' ? null : PLACES[found.keeping.class];
  return (
    <p className="mt-4 text-sm">
      The recipe means it to be kept <strong>{wished}</strong>
      {process?.minutes === undefined ? '' : `, its jars processed for ${process.minutes} min`}.{' '}
      {content.storage === 'shelf' && found.processFault !== null
        ? `By the rules it is not yet: ${found.processFault} A process that fits is looked for by its forecast.`
        : ruled !== wished
          ? `By the rules it is ${ruled ?? 'not yet'}: ${found.keeping.reason}`
          : ''}
    </p>
  );
}

/** Lines and steps as they were read, beside their words; nothing is taken before it is said. */
function ReviewAll({
  first,
  hasSteps,
  take,
  back,
  readAs,
}: {
  first: Incoming;
  hasSteps: boolean;
  take: (incoming: Incoming, goes?: Method['goes']) => void;
  back: () => void;
  /** Reads the same text another way. */
  readAs: (as: 'recipe' | 'account') => void;
}) {
  const review = useReview(first);
  const [goes, setGoes] = useState<Method['goes'] | 'nowhere'>(hasSteps ? 'nowhere' : 'instead');
  const linesOnly = goes === 'nowhere';
  const [measured, setMeasured] = useState<ReadonlySet<string>>(new Set());
  const { incoming, lines, steps } = review;
  const { own } = incoming;
  const takeAll = () => take(review.taken(), goes === 'nowhere' ? undefined : goes);
  const addOwn = useAddOwn(takeAll);
  const kept = lines.filter((line) => !line.out);
  const open = kept.filter((line) => line.open !== null).length;
  const asks = linesOnly ? 0 : steps.filter((step) => !step.out).flatMap((step) => step.open).length;
  const keptSteps = linesOnly ? 0 : steps.filter((step) => !step.out).length;
  const placeOf = (stepId: string | undefined): string | null => {
    const at = steps.findIndex(({ step }) => step.id === stepId);
    return at < 0 || linesOnly ? null : `step ${at + 1}`;
  };
  const other = incoming.pasted?.as === 'account' ? 'recipe' : 'account';
  return (
    <>
      <p className="mb-3" role="status">
        {plural(kept.length, 'line')}
        {keptSteps > 0 && ` and ${plural(keptSteps, 'step')}`} read,{' '}
        {open + asks === 0
          ? 'all understood.'
          : `${open + asks} still open: answer what they ask, ${open > 0 ? 'change their words, or leave them out' : 'or leave it as words'}.`}
      </p>
      {incoming.pasted && (
        <p className="-mt-2 mb-3 text-sm text-ink-2">
          {incoming.pasted.as === 'account' ? 'Read as somebody told it.' : 'Read as a written recipe.'}{' '}
          <Button size="small" tone="quiet" onClick={() => readAs(other)}>
            {other === 'account' ? 'Read it as an account' : 'Read it as a written recipe'}
          </Button>
        </p>
      )}
      <div className="max-h-[56vh] overflow-y-auto">
        <ul className="border-t border-ink" aria-label="Lines">
          {lines.map((reviewed, i) => (
            <div key={reviewed.line.id} className="contents">
              {reviewed.read.heading && reviewed.read.heading !== lines[i - 1]?.read.heading && (
                <li className="pt-3 pb-1 font-bold first-letter:uppercase">{reviewed.read.heading}</li>
              )}
              <ReviewLine reviewed={reviewed} review={review} own={own} at={placeOf(reviewed.line.stepId)} />
            </div>
          ))}
        </ul>
        {hasSteps && steps.length > 0 && (
          <Choice
            className="mt-4 max-w-md"
            label="The formula has steps of its own. The method that comes with these lines"
            options={[
              ['nowhere', 'is left out: the lines go in at the first step'],
              ['behind', 'goes behind the steps that are there'],
              ['instead', 'takes the place of the steps that are there'],
            ]}
            value={goes}
            onChange={(e) => setGoes(e.target.value as typeof goes)}
          />
        )}
        {!linesOnly && steps.length > 0 && (
          <section className="mt-5" aria-label="Steps read">
            <h3 className="mb-1 font-bold">Method</h3>
            <ReviewSteps review={review} />
          </section>
        )}
        {!linesOnly && <Wish incoming={review.taken()} />}
        {incoming.keeps && (
          <p className="mt-4 text-sm text-ink-2">
            The recipe says that it keeps for {plural(incoming.keeps.days, 'day')}. The date of a lot comes
            from its measurements.
          </p>
        )}
        {incoming.note && (
          <p className="mt-4 text-sm whitespace-pre-line text-ink-2">Kept as a note: {incoming.note}</p>
        )}
        {incoming.pasted && <WholeText {...incoming.pasted} />}
      </div>
      {own && <OwnReview own={own} measured={measured} setMeasured={setMeasured} />}
      <div className="mt-5 flex flex-wrap justify-end gap-3">
        <Button tone="plain" onClick={back}>
          Back
        </Button>
        <Button
          // What changes the product is answered first, if only by leaving its words as they are.
          disabled={addOwn.busy || kept.length === 0 || asks > 0}
          onClick={() => (own ? addOwn.run({ own, measured }) : takeAll())}
        >
          Import {plural(kept.length, 'line')}
          {keptSteps > 0 && ` and ${plural(keptSteps, 'step')}`}
        </Button>
      </div>
    </>
  );
}

/** Reads a file by what it is: JSON, a saved web page, CSV, or else a text. */
function readFile(
  name: string,
  text: string,
  catalogue: ReturnType<typeof useCatalogue>,
): Incoming | Promise<Incoming> {
  const head = text.trimStart()[0];
  const isPage = /\.html?$/i.test(name) || (head === '<' && text.includes('application/ld+json'));
  const json = isPage ? jsonLdIn(text) : undefined;
  if (isPage && json === undefined)
    throw new FileProblem(
      null,
      'No recipe that a program can read is in this page. Copy its words and paste them.',
    );
  if (json !== undefined || /\.(json|jsonld)$/i.test(name) || head === '{' || head === '[')
    return incomingJson(json ?? text, catalogue);
  if (/\.csv$/i.test(name)) return incomingCsv(text, catalogue);
  return looksTold(text) ? incomingAccount(text, catalogue) : incomingText(text, catalogue);
}

const LARGEST = 10_000_000;

interface Source {
  text: string;
  setText: (text: string) => void;
  problem: string | null;
  read: (name: string, text: string) => void;
  fail: (problem: string) => void;
  onClose: () => void;
}

function PasteOrChoose({ text, setText, problem, read, fail, onClose }: Source) {
  const fromFile = async (e: ChangeEvent<HTMLInputElement>) => {
    const file = e.target.files?.[0];
    e.target.value = '';
    if (!file) return;
    if (file.size > LARGEST)
      fail('That file is over 10 MB: it is no formula and no page with a recipe. Nothing was imported.');
    else read(file.name, textOf(await file.arrayBuffer()));
  };
  return (
    <>
      <TextField
        label="A list, a whole recipe with its method, or an account as you would tell it"
        rows={12}
        autoFocus
        value={text}
        placeholder={
          '2 kg gooseberries\nhalf the weight of the fruit in sugar\nzest and juice of 2 lemons\n\nSimmer the gooseberries for 20 minutes until soft.\nStrain through a cloth.\nAdd the sugar and the lemon, boil for 1 minute.'
        }
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
            accept=".json,.jsonld,.csv,.txt,.md,.html,.htm,application/json,text/csv,text/plain,text/markdown,text/html"
            className="sr-only"
            onChange={(e) => void fromFile(e)}
          />
        </label>
        <Button tone="plain" onClick={onClose}>
          Cancel
        </Button>
        <Button disabled={text.trim() === ''} onClick={() => read('', text)}>
          Read
        </Button>
      </div>
      <p className="mt-4 text-sm text-ink-2">
        Accepted: plain text or Markdown, a formula file of Inch Pantry, a schema.org Recipe (JSON-LD, also in
        a saved web page), or lines as CSV.
      </p>
    </>
  );
}

/** A formula brought in: a text pasted, or a file. It is read first and shown; nothing is taken before you say so. */
export function BringIn({
  title,
  hasSteps = false,
  take,
  onClose,
}: {
  title: string;
  /** The formula has steps already: what becomes of those that come in is chosen. */
  hasSteps?: boolean;
  take: (incoming: Incoming, goes?: Method['goes']) => void;
  onClose: () => void;
}) {
  const catalogue = useCatalogue();
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [incoming, setIncoming] = useState<Incoming | null>(null);
  const attempt = async (read: () => Incoming | Promise<Incoming>) => {
    try {
      setIncoming(await read());
      setProblem(null);
    } catch (error) {
      if (!(error instanceof FileProblem)) throw error;
      setIncoming(null);
      setProblem(`${error.message} Nothing was imported.`);
    }
  };
  const readAs = (content: string, as: 'recipe' | 'account') =>
    as === 'account' ? incomingAccount(content, catalogue) : incomingText(content, catalogue);
  const read = (name: string, content: string) => void attempt(() => readFile(name, content, catalogue));
  return (
    <Dialog open wide onClose={onClose} title={title}>
      {incoming ? (
        <ReviewAll
          key={incoming.pasted?.as ?? 'file'}
          first={incoming}
          hasSteps={hasSteps}
          take={take}
          back={() => setIncoming(null)}
          readAs={(as) => incoming.pasted && void attempt(() => readAs(incoming.pasted!.text, as))}
        />
      ) : (
        <PasteOrChoose {...{ text, setText, problem, read, onClose }} fail={setProblem} />
      )}
    </Dialog>
  );
}
