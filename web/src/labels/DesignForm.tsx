import type { LabelView } from '@inch/contract/making/label';
import { type LabelPicture, labelPictureRoutes } from '@inch/contract/making/labelPicture';
import {
  FIELDS,
  type FieldId,
  LABEL_SIDE,
  type LabelDesign,
  LOOKS,
  type Look,
  lookNames,
  sizeOn,
} from '@inch/core/label';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../data/api.ts';
import { keys } from '../data/keys.ts';
import { Choice, Field } from '../ui/Field.tsx';
import { Tick } from '../ui/Tick.tsx';
import { figureIn } from '../ui/typed.ts';
import { PictureButton } from './PictureButton.tsx';

interface Props {
  label: LabelView;
  design: LabelDesign;
  change: (design: LabelDesign) => void;
}

function LookPicker({ label, design, change }: Props) {
  const choose = (look: Look) => change({ ...design, look, ...sizeOn(look, label.container), moved: [] });
  return (
    <fieldset>
      <legend className="mb-1 text-sm font-semibold text-ink-2">Look</legend>
      <div className="flex flex-wrap gap-2">
        {LOOKS.map((look) => (
          <label
            key={look}
            className="flex min-h-10 cursor-pointer items-center rounded-lg border border-steel px-3 has-checked:border-rim has-checked:bg-rim-pale has-checked:font-semibold has-focus-visible:outline-2"
          >
            <input
              type="radio"
              name="look"
              className="sr-only"
              checked={design.look === look}
              onChange={() => choose(look)}
            />
            {lookNames[look].name}
          </label>
        ))}
      </div>
      <p className="mt-1 text-sm text-ink-2">{lookNames[design.look].what}</p>
    </fieldset>
  );
}

/** A side in mm: what is no size is refused in place, and the label stays as it was. */
function Side({ name, value, set }: { name: string; value: number; set: (mm: number) => void }) {
  const [text, setText] = useState<string | null>(null);
  const read = text === null ? value : figureIn(text, { unit: 'mm' });
  const wrong =
    read === null || read < LABEL_SIDE.least || read > LABEL_SIDE.most
      ? `From ${LABEL_SIDE.least} to ${LABEL_SIDE.most} mm.`
      : undefined;
  return (
    <Field
      className="w-28"
      label={name}
      figure
      inputMode="decimal"
      value={text ?? String(value)}
      onChange={(e) => {
        setText(e.target.value);
        const mm = figureIn(e.target.value, { unit: 'mm' });
        if (mm !== null && mm >= LABEL_SIDE.least && mm <= LABEL_SIDE.most) set(mm);
      }}
      onBlur={() => setText(null)}
      error={text === null ? undefined : wrong}
    />
  );
}

function Size({ design, change }: Props) {
  const round = design.look === 'lid';
  return (
    <div className="flex flex-wrap items-start gap-3">
      <Side
        key={`${design.look} w`}
        name={round ? 'Across, mm' : 'Wide, mm'}
        value={design.widthMm}
        set={(widthMm) => change({ ...design, widthMm, ...(round ? { heightMm: widthMm } : {}) })}
      />
      {!round && (
        <Side
          key={`${design.look} h`}
          name="High, mm"
          value={design.heightMm}
          set={(heightMm) => change({ ...design, heightMm })}
        />
      )}
    </div>
  );
}

const FIELD_NAMES: Record<FieldId, string> = {
  name: 'Name',
  use: 'How it is used',
  body: 'Text',
  net: 'Net contents',
  date: 'Date',
  lot: 'Lot code',
  nutrition: 'Nutrition',
  code: 'Code',
  picture: 'Picture',
};
const STEP_MM = 0.5;

/** Moves one field of the label by half millimetres; what the rules do not allow is said beside the label. */
function Mover({ design, change }: Props) {
  const [field, setField] = useState<FieldId>('name');
  const now = design.moved.find((m) => m.field === field) ?? { field, dx: 0, dy: 0 };
  const move = (dx: number, dy: number) => {
    const next = { field, dx: now.dx + dx, dy: now.dy + dy };
    const others = design.moved.filter((m) => m.field !== field);
    change({ ...design, moved: next.dx === 0 && next.dy === 0 ? others : [...others, next] });
  };
  const arrow = 'figure min-h-10 min-w-10 rounded-lg border border-steel bg-enamel px-2';
  return (
    <div className="flex flex-wrap items-end gap-2">
      <Choice
        className="w-44"
        label="Move"
        value={field}
        onChange={(e) => setField(e.target.value as FieldId)}
        options={FIELDS.map((f) => [f, FIELD_NAMES[f]])}
      />
      <button
        type="button"
        className={arrow}
        aria-label="Left half a millimetre"
        onClick={() => move(-STEP_MM, 0)}
      >
        ←
      </button>
      <button
        type="button"
        className={arrow}
        aria-label="Right half a millimetre"
        onClick={() => move(STEP_MM, 0)}
      >
        →
      </button>
      <button
        type="button"
        className={arrow}
        aria-label="Up half a millimetre"
        onClick={() => move(0, -STEP_MM)}
      >
        ↑
      </button>
      <button
        type="button"
        className={arrow}
        aria-label="Down half a millimetre"
        onClick={() => move(0, STEP_MM)}
      >
        ↓
      </button>
      <span className="figure pb-2 text-sm text-ink-2">
        {now.dx} / {now.dy} mm
      </span>
    </div>
  );
}

function Ticks({ design, change }: Props) {
  const tick = (key: 'code' | 'numbered' | 'byWeight', words: string) => (
    <Tick
      className="min-h-10"
      checked={design[key] ?? false}
      onChange={(e) => change({ ...design, [key]: e.target.checked })}
    >
      {words}
    </Tick>
  );
  return (
    <div className="flex flex-wrap gap-x-6">
      {tick('code', 'Code to scan')}
      {tick('numbered', 'Number each bottle')}
      {tick('byWeight', 'Sold by weight')}
    </div>
  );
}

function PictureChoice({ design, change }: Props) {
  const pictures = useQuery({
    queryKey: keys.list('label-picture'),
    queryFn: () => call(labelPictureRoutes.list),
  });
  const offered = (pictures.data ?? []).filter((p: LabelPicture) => !p.retired || p.id === design.pictureId);
  return (
    <div className="flex flex-wrap items-end gap-3">
      <Choice
        className="w-56"
        label="Picture or mark"
        value={design.pictureId ?? ''}
        onChange={(e) => change({ ...design, pictureId: e.target.value || null })}
        options={[
          ['', 'a drawn sprig in the fruit’s colour'],
          ...offered.map((p) => [p.id, p.name] as const),
        ]}
      />
      <PictureButton added={(id) => change({ ...design, pictureId: id })} />
    </div>
  );
}

function SecondWords({ label, design, change }: Props) {
  if (!label.second) return null;
  const own = design.second ?? { name: '', use: '' };
  return (
    <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
      <Field
        label="Name in the second language"
        value={own.name}
        maxLength={120}
        onChange={(e) => change({ ...design, second: { ...own, name: e.target.value } })}
      />
      <Field
        label="How it is used, in that language"
        value={own.use}
        maxLength={200}
        onChange={(e) => change({ ...design, second: { ...own, use: e.target.value } })}
      />
    </div>
  );
}

/** How the label of a product is drawn: its look, size, picture, code, and what is moved. */
export function DesignForm(props: Props) {
  return (
    <div className="grid gap-4">
      <LookPicker {...props} />
      <div className="flex flex-wrap items-start gap-x-8 gap-y-4">
        <Size {...props} />
        <PictureChoice {...props} />
      </div>
      <div className="flex flex-wrap items-end gap-x-8 gap-y-3">
        <Mover {...props} />
        <Ticks {...props} />
      </div>
      <SecondWords {...props} />
    </div>
  );
}
