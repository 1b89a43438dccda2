"use client";

import type { FreezeMargins, Recipe, StartHeight } from "@/core";
import { usePreferences } from "@/ui/theme/preferences";
import { Box } from "../layout/box";
import { MODEL_LEAVES_OUT } from "../why/why";
import { Figure } from "@/ui/units/figure";
import { quantityText, refusedWords, type UnitSystem, percent } from "@/words";
import type { StartHeightState } from "./use-start-height";

/** The minimum start height with what decided it, or how far it is worked out. Never a figure that is not the whole one. */
export function StartHeightFigure({
  state,
  recipe,
  freeze,
  flown,
}: {
  state: StartHeightState;
  recipe: Recipe;
  /** What a freeze costs this pilot. */
  freeze: FreezeMargins;
  flown: readonly (readonly [string, string])[];
}) {
  const { units } = usePreferences();
  if (state.kind !== "known")
    return (
      <Box role="status" sx={{ py: 1 }}>
        <Box sx={{ fontSize: "0.85rem" }}>Minimum start height</Box>
        {state.kind === "broken" && "not worked out: " + refusedWords(state.why, units)}
        {state.kind === "absent" && "not worked out yet: it is when a coach opens this brief"}
        {state.kind === "computing" && `being worked out, ${percent(state.share)}`}
      </Box>
    );
  if (state.startHeight === null) return null;
  const { heightM } = state.startHeight;
  return (
    <Figure
      label="Minimum start height"
      value={heightM}
      quantity="length"
      why={{
        how: `Every freeze for ${quantityText(freeze.reactionS, "time", units)} before any phase, hands as they were, and then the bail-out, with ${quantityText(freeze.marginM, "length", units)} to spare; and all but three of 1,000 flights with the errors usual at this stage; on a full and on a nearly empty pack. The worst of them decides. Advice, not a promise: start higher while learning.`,
        inputs: [
          ...flown,
          ["reaction", quantityText(freeze.reactionS, "time", units)],
          ["decided by", reasonInWords(state.startHeight, recipe, units)],
        ],
        source: "Flight model. The margins are this program's choice.",
        leftOut: `${MODEL_LEAVES_OUT} A failing motor, too.`,
      }}
    />
  );
}

/** What decided a minimum start height, in words. */
function reasonInWords({ reason }: StartHeight, recipe: Recipe, units: UnitSystem): string {
  const pack = reason.packUsed > 0 ? "a nearly empty pack" : "a full pack";
  const lost = quantityText(reason.lostM, "length", units);
  if (reason.kind === "scatter") return `${reason.runs} flights on ${pack}: three lose more than ${lost}`;
  const phase = recipe.phases.find(({ id }) => id === reason.before);
  return `freezing before "${phase?.label ?? reason.before}" on ${pack}: ${lost} lost`;
}
