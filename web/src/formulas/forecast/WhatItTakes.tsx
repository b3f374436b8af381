import {
  type Aim,
  type FormulaContent,
  lineAmounts,
  saidGrams,
  timesSaid,
  whatWouldItTake,
} from '@inch/core/formula';
import type { KitchenCatalogue } from '@inch/core/ingredient';
import { weight } from '@inch/core/quantity';
import { useState } from 'react';
import { useSetting } from '../../data/useSetting.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { Choice, Field } from '../../ui/Field.tsx';
import { FormEnd } from '../../ui/FormEnd.tsx';
import { figureIn, problemIn } from '../../ui/typed.ts';

const AIMS: Record<Aim, { name: string; digits: number }> = {
  ph: { name: 'pH', digits: 2 },
  brix: { name: 'sugar, °Bx', digits: 1 },
  ta: { name: 'acid, % as citric', digits: 2 },
  ratio: { name: '°Bx over acid', digits: 0 },
  aw: { name: 'water activity', digits: 3 },
};

function likelyLine(content: FormulaContent, catalogue: KitchenCatalogue, aim: Aim): string {
  const wanted = aim === 'ph' || aim === 'ta' ? ['acid', 'vinegar', 'juice'] : ['sugar'];
  const families = content.lines.map((line) => ({
    id: line.id,
    family: catalogue.find(line.ingredientId)?.family,
  }));
  return (
    wanted.map((family) => families.find((l) => l.family === family)?.id).find(Boolean) ??
    content.lines[0]?.id ??
    ''
  );
}

interface Asking {
  content: FormulaContent;
  wanted: Wanted;
  take: (lineId: string, said: string) => void;
  onClose: () => void;
}

function useAsked(content: FormulaContent, wanted: Wanted) {
  const setting = useSetting();
  const [aim, setAim] = useState<Aim>(wanted.aim);
  const [text, setText] = useState(wanted.value === undefined ? '' : String(wanted.value));
  const [chosen, setChosen] = useState<string | null>(null);
  const weighed = lineAmounts(content, setting, setting.elevationMetres).filter((line) => line.ingredient);
  const lineId = chosen ?? likelyLine(content, setting.catalogue, aim);
  const line = weighed.find((l) => l.lineId === lineId);
  const value = figureIn(text);
  const answer = line && value !== null ? whatWouldItTake(content, setting, { lineId, aim, value }) : null;
  // Under 20 g a tenth is weighed, over it a gram.
  const grams = answer?.reached ? Number(answer.grams.toFixed(answer.grams < 20 ? 1 : 0)) : null;
  return { aim, setAim, text, setText, setChosen, weighed, lineId, line, answer, grams };
}

function Answer({ asked: { answer, aim, grams, line } }: { asked: ReturnType<typeof useAsked> }) {
  const { digits, name } = AIMS[aim];
  if (!answer)
    return (
      <span className="text-ink-2">Enter the figure you want, and see how much of one line it takes.</span>
    );
  if (answer.reached)
    return (
      <>
        <strong className="figure text-xl">{weight(grams!)}</strong> of {line!.ingredient!.name.toLowerCase()}
        {line!.grams !== null && `, where it is ${weight(line!.grams)} now`}; {name} stands at{' '}
        {answer.before.toFixed(digits)}. All else as it is, by the forecast: measure it.
        {answer.upperBound &&
          ' Something in it is not known: this is the upper bound, which holds with the most that it may bring. Make a bench trial with less.'}
      </>
    );
  return (
    <span className="font-semibold text-hold">
      {answer.why ?? 'No amount of it does.'}{' '}
      {!answer.why && (
        <>
          It moves {name} between {answer.from.toFixed(digits)} and {answer.to.toFixed(digits)}. Try another
          line.
        </>
      )}
    </span>
  );
}

/** The words for the grams found: a line that follows something goes on following it. */
function saidFor(
  content: FormulaContent,
  setting: ReturnType<typeof useSetting>,
  { lineId, line }: Pick<ReturnType<typeof useAsked>, 'lineId' | 'line'>,
  grams: number,
): string {
  const formulaLine = content.lines.find((l) => l.id === lineId);
  const follows = formulaLine?.basis && !['batch', 'cover'].includes(formulaLine.basis.per);
  if (!follows || !line?.grams) return saidGrams(grams);
  return timesSaid(formulaLine, setting, grams / line.grams) ?? saidGrams(grams);
}

function Asked({ content, wanted, take, onClose }: Asking) {
  const asked = useAsked(content, wanted);
  const setting = useSetting();
  const { grams } = asked;
  return (
    <form
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        event.stopPropagation();
        if (grams === null) return;
        take(asked.lineId, saidFor(content, setting, asked, grams));
        onClose();
      }}
    >
      <div className="grid grid-cols-2 gap-4">
        <Choice
          label="To bring this"
          value={asked.aim}
          onChange={(e) => asked.setAim(e.target.value as Aim)}
          options={Object.entries(AIMS).map(([id, a]) => [id, a.name])}
        />
        <Field
          label="to"
          figure
          autoFocus
          inputMode="decimal"
          value={asked.text}
          error={problemIn(asked.text)}
          onChange={(e) => asked.setText(e.target.value)}
        />
      </div>
      <Choice
        label="by changing"
        value={asked.lineId}
        onChange={(e) => asked.setChosen(e.target.value)}
        options={asked.weighed.map((l) => [l.lineId, l.ingredient!.name])}
      />
      <p aria-live="polite" className="min-h-12">
        <Answer asked={asked} />
      </p>
      <FormEnd onCancel={onClose} disabled={grams === null || grams === 0}>
        Use it
      </FormEnd>
    </form>
  );
}

/** What is asked: an aim, and the level pointed at where one was. */
export interface Wanted {
  aim: Aim;
  value?: number;
}

/** "What would it take": one line solved for one aim, and taken into the formula. */
export function WhatItTakes({
  content,
  wanted,
  ask,
  take,
}: {
  content: FormulaContent;
  wanted: Wanted | null;
  ask: (wanted: Wanted | null) => void;
  take: (lineId: string, said: string) => void;
}) {
  return (
    <>
      <Button
        tone="plain"
        size="small"
        className="px-2 py-1.5 leading-tight whitespace-normal"
        onClick={() => ask({ aim: 'ph' })}
      >
        What would it take…
      </Button>
      <Dialog open={wanted !== null} onClose={() => ask(null)} title="What would it take">
        {wanted && <Asked content={content} wanted={wanted} take={take} onClose={() => ask(null)} />}
      </Dialog>
    </>
  );
}
