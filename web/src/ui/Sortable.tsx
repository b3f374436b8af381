import {
  type Announcements,
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { GripVertical } from 'lucide-react';
import { type ReactNode, useMemo } from 'react';

/** A list whose rows are put in another order by drag, or by keyboard at their handles: space, arrows, space. */
export function Sortable({
  ids,
  move,
  nameOf,
  children,
}: {
  ids: readonly string[];
  move: (id: string, to: number) => void;
  nameOf: (id: string) => string;
  children: ReactNode;
}) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const key = ids.join(' ');
  // The same list is the same array, so that rows are not drawn anew at every key.
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key is all that the list is
  const items = useMemo(() => [...ids], [key]);
  const place = (id: string) => ids.indexOf(id) + 1;
  const announcements: Announcements = {
    onDragStart: ({ active }) => `${nameOf(String(active.id))} is picked up.`,
    onDragOver: ({ active, over }) =>
      over ? `${nameOf(String(active.id))} is over place ${place(String(over.id))}.` : undefined,
    onDragEnd: ({ active, over }) =>
      over
        ? `${nameOf(String(active.id))} is put at place ${place(String(over.id))}.`
        : `${nameOf(String(active.id))} is where it was.`,
    onDragCancel: ({ active }) => `${nameOf(String(active.id))} is where it was.`,
  };
  const ended = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id) move(String(active.id), ids.indexOf(String(over.id)));
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={ended}
      accessibility={{
        announcements,
        screenReaderInstructions: {
          draggable:
            'Space picks it up, the arrow keys move it, space puts it down, escape leaves it where it was.',
        },
      }}
    >
      <SortableContext items={items} strategy={verticalListSortingStrategy}>
        {children}
      </SortableContext>
    </DndContext>
  );
}

/** One row of a sortable list, with its handle. */
export function SortableRow({
  id,
  handle,
  className,
  children,
}: {
  id: string;
  handle: string;
  className?: string;
  children: (grip: ReactNode) => ReactNode;
}) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id });
  const grip = (
    <button
      type="button"
      {...attributes}
      {...listeners}
      aria-label={handle}
      className="flex size-7 shrink-0 cursor-grab touch-none items-center justify-center rounded-md text-steel hover:bg-rim-pale hover:text-link"
    >
      <GripVertical size={16} aria-hidden="true" />
    </button>
  );
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition: transition ?? undefined }}
      className={`${className ?? ''} ${isDragging ? 'relative z-10 bg-rim-pale' : ''}`}
    >
      {children(grip)}
    </li>
  );
}
