import {
  DndContext,
  type DragEndEvent,
  PointerSensor,
  useDraggable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { BURNER, CANNER, type Clash, HANDS } from '@inch/core/planning';
import { plural } from '@inch/core/quantity';
import type { KeyboardEvent } from 'react';
import { clockTime, dayAndTime, hourOnRule, kitchenHour, weekdayAndDay } from '../ui/dates.ts';
import { minutesInWords } from '../ui/format.ts';
import { instantOn, lengthOf, placeOf, type Stretch } from './axis.ts';
import type { LaidLot, LaidPlanStep } from './hours.ts';

type Move = (step: LaidPlanStep, byMinutes: number) => void;

const SNAP = 5 * 60_000;

function HourRule({ axis }: { axis: readonly Stretch[] }) {
  return (
    <div
      aria-hidden="true"
      className="brushed relative h-14 rounded border border-steel"
      style={{ width: lengthOf(axis) }}
    >
      {axis.map((s) =>
        s.open ? (
          <div key={s.from} className="absolute inset-y-0" style={{ left: s.left, width: s.width }}>
            <span className="absolute top-7 left-1 text-[13px] font-bold whitespace-nowrap">
              {weekdayAndDay(s.from)}
            </span>
            {hoursIn(s).map((ms, i) => (
              <span
                key={ms}
                className="absolute top-0 border-l-[1.5px] border-ink pl-1 text-[12px] leading-6"
                style={{ left: placeOf([s], ms) - s.left, height: 22 }}
              >
                <span className="figure">{hourOnRule(Math.floor(kitchenHour(ms)), i === 0)}</span>
              </span>
            ))}
          </div>
        ) : (
          <div
            key={s.from}
            className="absolute inset-y-0 border-x border-steel bg-[repeating-linear-gradient(135deg,transparent_0_5px,var(--steel-low)_5px_10px)]"
            style={{ left: s.left, width: s.width }}
          >
            {s.to - s.from > 36 * 3_600_000 && (
              <span className="absolute top-7 left-1.5 bg-enamel px-1 text-[12px] whitespace-nowrap text-ink-2">
                {plural(Math.round((s.to - s.from) / 86_400_000), 'day')}
              </span>
            )}
          </div>
        ),
      )}
    </div>
  );
}

function hoursIn(s: Stretch): number[] {
  const first = new Date(s.from);
  first.setMinutes(0, 0, 0);
  const hours: number[] = [];
  for (let ms = first.getTime(); ms < s.to; ms += 3_600_000) if (ms >= s.from) hours.push(ms);
  return hours;
}

const weightOf = (step: LaidPlanStep, lot: LaidLot): 'hands' | 'attended' | 'waits' => {
  const day = lot.day.steps.find((s) => s.id === step.stepId);
  if ((day?.needs[HANDS] ?? 0) > 0) return 'hands';
  return step.attended ? 'attended' : 'waits';
};

const LOOK = {
  hands: 'h-9 border-2 text-white',
  attended: 'h-9 border-2 bg-enamel text-ink',
  waits: 'h-5 mt-2 border-2 border-dashed bg-transparent text-ink',
};

function Bar({
  step,
  lot,
  axis,
  clash,
  move,
}: {
  step: LaidPlanStep;
  lot: LaidLot;
  axis: readonly Stretch[];
  clash: boolean;
  move: Move | null;
}) {
  const id = `${step.partId} ${step.stepId}`;
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({ id, disabled: !move });
  const weight = weightOf(step, lot);
  const left = placeOf(axis, Date.parse(step.from));
  const width = Math.max(5, placeOf(axis, Date.parse(step.to)) - left - 2);
  const minutes = (Date.parse(step.to) - Date.parse(step.from)) / 60_000;
  const said = `${lot.name}: ${step.title}, ${dayAndTime(step.from)} to ${clockTime(step.to)}, ${minutesInWords(minutes)}${weight === 'waits' ? ', needs nobody' : weight === 'attended' ? ', somebody at home' : ', hands'}${clash ? ', clashes' : ''}`;
  const keys = (event: KeyboardEvent) => {
    const by = event.shiftKey ? 60 : 15;
    if (event.key === 'ArrowLeft') move?.(step, -by);
    else if (event.key === 'ArrowRight') move?.(step, by);
    else return;
    event.preventDefault();
  };
  return (
    <button
      ref={setNodeRef}
      type="button"
      {...attributes}
      {...listeners}
      aria-label={said}
      aria-roledescription="step that can be moved"
      title={said}
      onKeyDown={keys}
      className={`absolute top-1.5 overflow-hidden rounded-[5px] px-1 text-left text-[12.5px] leading-tight font-semibold text-ellipsis whitespace-nowrap ${LOOK[weight]} ${isDragging ? 'z-20 opacity-80' : ''} ${clash ? 'z-10 outline-[3px] outline-offset-1 outline-stop' : ''}`}
      style={{
        left,
        width,
        borderColor: lot.colour,
        ...(weight === 'hands' ? { background: lot.colour } : {}),
        transform: transform ? `translateX(${transform.x}px)` : undefined,
        touchAction: 'none',
      }}
    >
      {clash ? '■ ' : ''}
      {width > 34 ? step.title : ''}
    </button>
  );
}

function SharedLane({
  name,
  steps,
  lots,
  axis,
}: {
  name: string;
  steps: readonly LaidPlanStep[];
  lots: readonly LaidLot[];
  axis: readonly Stretch[];
}) {
  return (
    <div className="flex items-center border-b border-steel-line">
      <span className="sticky left-0 z-20 w-40 shrink-0 self-stretch truncate border-r border-steel-line bg-enamel py-1 pr-2 text-sm text-ink-2 max-sm:w-24">
        {name}
      </span>
      <div className="relative h-7" style={{ width: lengthOf(axis) }}>
        {steps.map((s) => {
          const left = placeOf(axis, Date.parse(s.from));
          return (
            <span
              key={`${s.partId} ${s.stepId}`}
              className="absolute top-1.5 h-4 rounded-sm opacity-80"
              style={{
                left,
                width: Math.max(3, placeOf(axis, Date.parse(s.to)) - left),
                background: lots.find((l) => l.partId === s.partId)?.colour,
              }}
            />
          );
        })}
      </div>
    </div>
  );
}

const SHARED: [string, string][] = [
  [HANDS, 'Hands'],
  [BURNER, 'Burners'],
  [CANNER, 'Canner'],
];

/** The hours of a plan: a lane for each lot, then one for each thing they share. */
export function Lanes({
  steps,
  lots,
  axis,
  clashes,
  pans,
  move,
}: {
  steps: readonly LaidPlanStep[];
  lots: readonly LaidLot[];
  axis: readonly Stretch[];
  clashes: readonly Clash[];
  pans: readonly [resource: string, name: string][];
  /** Null where nobody may move them. */
  move: Move | null;
}) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  const clashing = new Set(clashes.map((c) => `${c.lotId} ${c.stepId}`));
  const drawn = steps.filter((s) => s.kind !== 'ready').sort((a, b) => a.from.localeCompare(b.from));
  const needing = (resource: string) =>
    drawn.filter((s) => {
      const day = lots.find((l) => l.partId === s.partId)?.day.steps.find((d) => d.id === s.stepId);
      return (day?.needs[resource] ?? 0) > 0;
    });
  const ended = ({ active, delta }: DragEndEvent) => {
    const step = drawn.find((s) => `${s.partId} ${s.stepId}` === active.id);
    if (!step || !move) return;
    const from = Date.parse(step.from);
    const to = Math.round(instantOn(axis, placeOf(axis, from) + delta.x) / SNAP) * SNAP;
    move(step, (to - from) / 60_000);
  };
  const shared = [...SHARED, ...pans].filter(([resource]) => needing(resource).length > 0);
  return (
    <DndContext sensors={sensors} onDragEnd={ended}>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a part that scrolls is reached by the keyboard */}
      <section aria-label="Hours of the plan" tabIndex={0} className="overflow-x-auto pb-2">
        <div className="w-max">
          <div className="flex">
            <span className="sticky left-0 z-20 w-40 shrink-0 border-r border-steel-line bg-enamel max-sm:w-24" />
            <HourRule axis={axis} />
          </div>
          {lots.map((lot) => (
            <div key={lot.partId} className="flex items-center border-b border-steel-line">
              <span className="sticky left-0 z-20 flex w-40 shrink-0 flex-col justify-center self-stretch border-r border-steel-line bg-enamel py-1 pr-2 text-sm leading-tight font-semibold max-sm:w-24">
                {lot.name}
                {lot.begun && <span className="figure block font-normal text-ink-2">begun, {lot.begun}</span>}
              </span>
              <div className="relative h-12" style={{ width: lengthOf(axis) }}>
                {drawn
                  .filter((s) => s.partId === lot.partId)
                  .map((s) => (
                    <Bar
                      key={s.stepId}
                      step={s}
                      lot={lot}
                      axis={axis}
                      clash={clashing.has(`${s.partId} ${s.stepId}`)}
                      move={move}
                    />
                  ))}
              </div>
            </div>
          ))}
          <div className="mt-3 border-t border-ink" />
          {shared.map(([resource, name]) => (
            <SharedLane key={resource} name={name} steps={needing(resource)} lots={lots} axis={axis} />
          ))}
        </div>
      </section>
    </DndContext>
  );
}
