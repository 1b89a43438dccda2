"use client";

import {
  type Active,
  type Announcements,
  closestCenter,
  DndContext,
  KeyboardSensor,
  type Over,
  PointerSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import {
  SortableContext,
  rectSortingStrategy,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import type { ReactNode } from "react";
import { capital } from "@/words";
import { Box } from "../layout/box";

/** A list whose lines are moved by dragging their handle, or by keys: space, arrows, space. */
export function SortableList({
  id,
  ids,
  ordered = false,
  inRows = false,
  onMove,
  children,
}: {
  id: string;
  /** One for each line, in order. */
  ids: readonly string[];
  ordered?: boolean;
  /** Side by side, going on below where a row is full. */
  inRows?: boolean;
  onMove: (from: number, to: number) => void;
  children: ReactNode;
}) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  return (
    <DndContext
      id={id}
      sensors={sensors}
      collisionDetection={closestCenter}
      accessibility={{ announcements: saidOf(ids), screenReaderInstructions: howToMove }}
      onDragEnd={({ active, over }) => {
        const to = ids.indexOf(String(over?.id));
        if (to >= 0 && over?.id !== active.id) onMove(ids.indexOf(String(active.id)), to);
      }}
    >
      <SortableContext items={[...ids]} strategy={inRows ? rectSortingStrategy : verticalListSortingStrategy}>
        <Box
          component={ordered ? "ol" : "ul"}
          sx={{ listStyle: "none", p: 0, m: 0, ...(inRows && { display: "flex", flexWrap: "wrap", rowGap: 1.5 }) }}
        >
          {children}
        </Box>
      </SortableContext>
    </DndContext>
  );
}

const howToMove = {
  draggable: "To move it: space, then the arrow keys, then space to put it down. Escape leaves it where it was.",
};

/** What is read aloud while a line is moved: its name and its place, not what it is called inside. */
export function saidOf(ids: readonly string[]): Announcements {
  const nameOf = ({ data }: Active) => capital(String(data.current?.label ?? "it"));
  const placeOf = (over: Over | null) => {
    const at = ids.indexOf(String(over?.id));
    return at < 0 ? null : `place ${at + 1} of ${ids.length}`;
  };
  return {
    onDragStart: ({ active }) => `${nameOf(active)} is picked up.`,
    onDragOver: ({ active, over }) => {
      const place = placeOf(over);
      return place ? `${nameOf(active)}: ${place}.` : `${nameOf(active)} is over no place.`;
    },
    onDragEnd: ({ active, over }) => {
      const place = placeOf(over);
      return place ? `${nameOf(active)} is put down at ${place}.` : `${nameOf(active)} stays where it was.`;
    },
    onDragCancel: ({ active }) => `${nameOf(active)} stays where it was.`,
  };
}

/** Six dots. */
const GRIP = [9, 15].flatMap((x) => [6, 12, 18].map((y) => `M${x - 2} ${y}a2 2 0 1 0 4 0a2 2 0 1 0-4 0`)).join("");

/** A line of it, with its handle in front where it may be moved. */
export function SortableLine({
  id,
  label,
  movable = true,
  children,
}: {
  id: string;
  /** What the handle moves. */
  label: string;
  movable?: boolean;
  children: ReactNode;
}) {
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({
    id,
    disabled: !movable,
    data: { label },
  });
  return (
    <li
      ref={setNodeRef}
      style={{ display: "flex", alignItems: "center", transform: CSS.Transform.toString(transform), transition }}
    >
      {movable && (
        <button
          type="button"
          className="plain-button handle"
          aria-label={`Move ${label}`}
          {...attributes}
          {...listeners}
        >
          <svg width="20" height="20" viewBox="0 0 24 24" fill="currentColor" aria-hidden>
            <path d={GRIP} />
          </svg>
        </button>
      )}
      {children}
    </li>
  );
}
