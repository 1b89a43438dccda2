"use client";

import { closestCenter, DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors } from "@dnd-kit/core";
import {
  SortableContext,
  rectSortingStrategy,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import DragIndicatorIcon from "@mui/icons-material/DragIndicator";
import Box from "@mui/material/Box";
import IconButton from "@mui/material/IconButton";
import type { ReactNode } from "react";

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
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id, disabled: !movable });
  return (
    <Box
      component="li"
      ref={setNodeRef}
      style={{ transform: CSS.Transform.toString(transform), transition }}
      sx={{ display: "flex", alignItems: "center" }}
    >
      {movable && (
        <IconButton
          size="small"
          aria-label={`Move ${label}`}
          sx={{ cursor: "grab", touchAction: "none" }}
          {...attributes}
          {...listeners}
        >
          <DragIndicatorIcon fontSize="small" />
        </IconButton>
      )}
      {children}
    </Box>
  );
}
