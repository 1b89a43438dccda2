"use client";

import Typography from "@mui/material/Typography";
import { Box } from "@/ui/layout/box";
import { SortableLine, SortableList } from "@/ui/sortable/sortable-list";
import { atOnceIn, turnBegins } from "@/core";
import { numeral } from "@/words";
import type { PlanFrame } from "./planning";

/** Who flies when: one line a turn, to be moved by drag or keys. */
export function PlanTurns({
  slots,
  names,
  frame,
  onChange,
}: {
  slots: readonly (readonly string[])[];
  names: ReadonlyMap<string, string>;
  frame: PlanFrame;
  onChange: (slots: readonly (readonly string[])[]) => void;
}) {
  const ids = slots.map((_, i) => `turn-${i}`);
  const begins = turnBegins(slots, frame);
  const atOnce = atOnceIn(frame);
  return (
    <section aria-labelledby="turns">
      <Typography variant="h2" id="turns">
        Order of turns
      </Typography>
      <Typography sx={{ fontSize: "0.82rem", color: "text.secondary", mb: 0.5 }}>
        {atOnce === 1
          ? "One spot or one observer: one pilot in goggles at a time. "
          : `${atOnce} fly at once, each with an observer. `}
        The pilot who has flown changes the pack while another flies.
      </Typography>
      <SortableList
        id="turns-list"
        ids={ids}
        ordered
        onMove={(from, to) => {
          const moved = [...slots];
          moved.splice(to, 0, ...moved.splice(from, 1));
          onChange(moved);
        }}
      >
        {slots.map((slot, i) => (
          <SortableLine key={ids[i]} id={ids[i]} label={`turn ${i + 1}`}>
            <Box
              sx={(theme) => ({
                flex: 1,
                display: "grid",
                gridTemplateColumns: "64px 1fr",
                borderBottom: `1px solid ${theme.tokens.rule}`,
                py: 0.5,
              })}
            >
              <span className="num">{numeral(begins[i], Number.isInteger(begins[i]) ? 0 : 1)} min</span>
              <span>{slot.map((id) => names.get(id) ?? "").join(" and ")}</span>
            </Box>
          </SortableLine>
        ))}
      </SortableList>
    </section>
  );
}
