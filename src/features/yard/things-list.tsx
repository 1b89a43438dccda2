"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { memo } from "react";
import type { SitePlan } from "@/core";
import { Box } from "@/ui/layout/box";
import { Fold } from "@/ui/layout/fold";
import { courseNames, planKindNames } from "@/words";
import type { Chosen } from "./edits";
import type { NamedFlight } from "./flights";

/** More things than this are not listed. */
const MOST_LISTED = 200;

/** What is on a plan, for who does not see it. */
export const planWords = (plan: SitePlan) =>
  [
    ...plan.features.slice(0, 12).map(({ kind, name }) => name || planKindNames[kind].toLowerCase()),
    ...plan.courses.map(({ kind, name }) => name || courseNames[kind].toLowerCase()),
  ].join(", ") || "nothing drawn yet";

/** Everything on the plan by name: chosen here as well as on the plan. */
export function Things({
  plan,
  named,
  chosen,
  onChoose,
}: {
  plan: SitePlan;
  named: readonly NamedFlight[];
  chosen: Chosen | null;
  onChoose: (chosen: Chosen) => void;
}) {
  const all = [
    ...plan.courses.map(({ id, kind, name }) => ({ id, what: courseNames[kind], name })),
    ...named.map(({ flight, name }) => ({ id: flight.id, what: "Flown here", name })),
    ...plan.features.map(({ id, kind, name }) => ({ id, what: planKindNames[kind], name })),
  ];
  if (all.length === 0) return null;
  return (
    <Fold title="On the plan" beside={String(all.length)} level={2}>
      <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
        {all.slice(0, MOST_LISTED).map(({ id, what, name }) => (
          <Thing key={id} {...{ id, what, name, onChoose }} on={chosen?.id === id} />
        ))}
      </Box>
      {all.length > MOST_LISTED && (
        <Typography sx={{ fontSize: "0.85rem" }}>The first {MOST_LISTED}; the rest is chosen on the plan.</Typography>
      )}
    </Fold>
  );
}

/** One of many: drawn anew only when something of its own changed. */
const Thing = memo(function Thing(props: {
  id: string;
  what: string;
  name: string;
  on: boolean;
  onChoose: (chosen: Chosen) => void;
}) {
  const { id, what, name, on, onChoose } = props;
  return (
    <li>
      <Button
        size="small"
        aria-pressed={on}
        onClick={() => onChoose({ id })}
        sx={{ justifyContent: "flex-start", width: 1, fontWeight: on ? 700 : 500 }}
      >
        {name === "" ? what : `${name} · ${what.toLowerCase()}`}
      </Button>
    </li>
  );
});

/** What to draw first, and why. */
export function FirstSteps({ mayChange }: { mayChange: boolean }) {
  return (
    <Box sx={{ mb: 2 }}>
      <Typography variant="h2">Nothing drawn yet</Typography>
      <Typography sx={{ mt: 1 }}>
        {mayChange
          ? "Draw the boundary first, then what is kept clear of: people, road, water. Then add a course: it is laid into the boundary, into the wind, and every pole gets its two tape lengths."
          : "The coach has not drawn this site yet."}
      </Typography>
    </Box>
  );
}
