import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { GripVertical } from "lucide-react";
import { type ReactNode, useId } from "react";

/** How far the pointer moves before a press counts as a drag, pixels. */
const DRAGGED = 4;

interface Entry {
  id: string;
}

/**
 * A list that is put in order by dragging the grip of an entry, or with Space and the arrow keys while the grip has the
 * focus. `row` draws an entry beside its grip.
 */
export function Sortable<T extends Entry>({
  list,
  nameOf,
  move,
  row,
}: {
  list: readonly T[];
  /** What an entry is called, for people who hear the page. */
  nameOf: (entry: T) => string;
  /** Takes the list in its new order. */
  move: (list: T[]) => void;
  row: (entry: T, index: number) => ReactNode;
}) {
  const id = useId();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: DRAGGED } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const place = (one: unknown) => list.findIndex((entry) => entry.id === one);
  const named = (one: unknown) => {
    const entry = list[place(one)];
    return entry ? nameOf(entry) : "";
  };
  const drop = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id) move(arrayMove([...list], place(active.id), place(over.id)));
  };
  return (
    <DndContext
      id={id}
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={drop}
      accessibility={{
        screenReaderInstructions: {
          draggable:
            "Press Space to take it, the arrow keys to move it, Space again to put it down, Escape to leave it.",
        },
        announcements: {
          onDragStart: ({ active }) => `${named(active.id)} taken.`,
          onDragOver: ({ active, over }) => (over ? `${named(active.id)} at place ${place(over.id) + 1}.` : undefined),
          onDragEnd: ({ active, over }) =>
            over ? `${named(active.id)} put at place ${place(over.id) + 1}.` : undefined,
          onDragCancel: ({ active }) => `${named(active.id)} left where it was.`,
        },
      }}
    >
      <SortableContext items={list as T[]} strategy={verticalListSortingStrategy}>
        <ol className="grid gap-1 py-1">
          {list.map((entry, i) => (
            <SortableRow key={entry.id} id={entry.id} name={nameOf(entry)}>
              {row(entry, i)}
            </SortableRow>
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  );
}

function SortableRow({ id, name, children }: { id: string; name: string; children: ReactNode }) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id,
  });
  return (
    <li
      ref={setNodeRef}
      className={`flex items-center gap-1 ${isDragging ? "relative z-10 rounded-sm bg-raised outline-2 outline-ink" : ""}`}
      style={{ transform: CSS.Translate.toString(transform), transition }}
    >
      <button
        type="button"
        ref={setActivatorNodeRef}
        {...attributes}
        {...listeners}
        aria-label={`Move ${name}`}
        className="grid size-7 shrink-0 cursor-grab touch-none place-items-center rounded-sm text-quiet hover:text-ink"
      >
        <GripVertical size={16} aria-hidden="true" />
      </button>
      {children}
    </li>
  );
}
