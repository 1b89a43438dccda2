"use client";

import { useMemo } from "react";
import type { SitePlan } from "@/core";
import type { Draft } from "@/ui/drafts/use-draft";
import { useKeys } from "@/ui/keys/keys";
import { withNudged, without, type Chosen } from "./edits";
import type { PlanMap, Tool } from "./plan-map";

const NUDGE_M = 0.5;

/** What can be done to the plan by keys. */
export function usePlanKeys(props: {
  draft: Draft<SitePlan>;
  chosen: Chosen | null;
  edit: (plan: SitePlan, gesture?: string | null) => void;
  setChosen: (chosen: Chosen | null) => void;
  setTool: (tool: Tool) => void;
  map: Pick<PlanMap, "cancel"> | null;
}) {
  const { draft, chosen, edit, setChosen, setTool, map } = props;
  const { document: plan, undo, redo } = draft;
  const keys = useMemo(() => {
    const nudge = (east: number, north: number) => () =>
      chosen && edit(withNudged(plan, chosen, east * NUDGE_M, north * NUDGE_M), `nudge ${chosen.id} ${chosen.part}`);
    return [
      { key: "u", label: "Undo", run: () => undo?.() },
      { key: "r", label: "Redo", run: () => redo?.() },
      ...(chosen
        ? [
            { key: "ArrowLeft", label: "Half a metre west", run: nudge(-1, 0) },
            { key: "ArrowRight", label: "Half a metre east", run: nudge(1, 0) },
            { key: "ArrowUp", label: "Half a metre north", run: nudge(0, 1) },
            { key: "ArrowDown", label: "Half a metre south", run: nudge(0, -1) },
            {
              key: "Backspace",
              label: "Take it off the plan",
              run: () => {
                edit(without(plan, chosen.id));
                setChosen(null);
              },
            },
          ]
        : []),
      {
        key: "Escape",
        label: "Leave what is being drawn",
        run: () => {
          map?.cancel();
          setTool("choose");
          setChosen(null);
        },
      },
    ];
    // oxlint-disable-next-line react/exhaustive-deps -- `edit` is new at every render; what it does hangs on the plan
  }, [plan, undo, redo, chosen, map, setChosen, setTool]);
  useKeys(keys);
}
