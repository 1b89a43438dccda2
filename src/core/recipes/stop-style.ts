import type { Phase, Recipe, RecipeParameter } from "./recipe";
import type { Value } from "./value";

/** How a turn over is stopped: eased over its last quarter, over its last twentieth, centred at once, or never quite. Common practice, no source. */
export type StopStyle = "ease-quarter" | "ease-end" | "snap" | "flow";

/** Where the easing begins and ends, °, and what is left of the stick there. */
const eased = {
  "ease-quarter": { beginDeg: 270, fromDeg: 270, toDeg: 320, left: 0.35, leadS: 0 },
  "ease-end": { beginDeg: 342, fromDeg: 300, toDeg: 335, left: 0.3, leadS: 0.07 },
} as const;
const easeStick: RecipeParameter = { label: "Stick left at the end", unit: "", value: 0.35, min: 0.1, max: 0.8 };
const flowStick: RecipeParameter = { label: "Stick left in", unit: "", value: 0.2, min: 0.05, max: 0.5 };

/**
 * The same turn over stopped in another way. Only what turns once round with the stick right in and is centred at a mark can be; everything else comes
 * back as it is.
 */
export function stoppedAs(recipe: Recipe, style: StopStyle): Recipe {
  const { turn, phases } = recipe;
  const stopAt = phases.findIndex(({ id }) => id === turn?.stopPhase);
  const last: Phase | undefined = phases[stopAt - 1];
  const [until] = last?.until ?? [];
  const stick = last?.roll?.kind === "hold" ? last.roll.at : null;
  if (!turn || until?.kind !== "turned" || !last.mark || last.until.length !== 1 || typeof stick !== "number")
    return recipe;
  if (style === "snap" || Math.abs(stick) !== 1) return recipe;
  const left = (param: string): Value => ({ param, ...(stick < 0 && { times: -1 }) });
  if (style === "flow")
    return {
      ...recipe,
      parameters: { ...recipe.parameters, flowStick },
      phases: phases.map((phase, i) =>
        i === stopAt
          ? { ...phase, label: "Let it run on", roll: { kind: "hold", at: left("flowStick") }, yaw: last.yaw }
          : phase,
      ),
      // Nothing stands still, so that there is no stop to measure.
      turn: null,
      solveFor: recipe.solveFor.filter(({ aim }) => aim.kind !== "stop-on-mark"),
    };
  const { beginDeg, fromDeg, toDeg, left: atEnd, leadS } = eased[style];
  const { axis } = until;
  const centreDeg = { ...recipe.parameters.centreDeg, value: style === "ease-quarter" ? 350 : 352 };
  return {
    ...recipe,
    parameters: { ...recipe.parameters, centreDeg, easeStick: { ...easeStick, value: atEnd } },
    phases: phases.flatMap((phase, i): readonly Phase[] => {
      if (i !== stopAt - 1) return [phase];
      return [
        { ...phase, until: [{ ...until, deg: beginDeg, ...(leadS > 0 && { leadS }) }] },
        {
          ...phase,
          id: "ease",
          label: style === "ease-quarter" ? "Ease out through the last quarter" : "Slow only the last twentieth",
          roll: { kind: "ease", axis, fromDeg, toDeg, from: stick, to: left("easeStick") },
          mark: false,
        },
      ];
    }),
  };
}
