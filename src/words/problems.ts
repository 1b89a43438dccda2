import { numeral, quantityText, type UnitSystem } from "./quantity";
import type { Problem } from "@/core";

/** Why a trick does not go, as it stands after "This does not work:". */
export function problemWords(problem: Problem, units: UnitSystem): string {
  switch (problem.kind) {
    case "aim-not-met":
      return aimWords[problem.aim];
    case "too-little-punch":
      return `${aimWords["return-to-entry-height"]}: full throttle gives ${numeral(problem.fullG, 1)} g standing still, and ${numeral(problem.trimG, 1)} g of that flies on; see the throttle limit and the turning rate`;
    case "no-parameter":
      return `${problem.recipe} has no parameter for this goal`;
    case "meets-ground":
      return `it hits the ground after ${numeral(problem.timeS, 1)} s at ${quantityText(problem.speedMps, "speed", units)}, ${numeral(problem.tiltDeg, 0)}° off level; begin higher, or see the thrust and the rates`;
    case "flies-into":
      return `it flies into the ${problem.into} after ${numeral(problem.timeS, 1)} s`;
    case "phase-never-ends":
      return `"${problem.phase}" never finishes; see the thrust, the rates and the learning modes`;
    case "touches-ground":
      return `it touches the ground after ${numeral(problem.timeS, 1)} s, before the trick is over; begin higher`;
    case "never-lands":
      return "it does not come down to the ground in its time";
    case "not-upright":
      return "it does not end upright";
    case "not-over":
      return `it is not over after ${numeral(problem.timeS, 0)} s`;
  }
}

const noGap = "it never gets as far as the gap";
const noLoop = "no loop is flown, so nothing can stand in it";

/** What it means that an aim has no answer. */
const aimWords: Readonly<Record<Extract<Problem, { kind: "aim-not-met" }>["aim"], string>> = {
  "stop-on-mark": "the turn never comes round; see whether the rates or a learning mode hold it back",
  "return-to-entry-height": "no punch within reach ends where it began",
  "stop-at": "it does not stop there from any braking point; see the speed and the lean",
  heading: "it does not come out facing that way; see the rates",
  "loop-radius": "no loop of that size at this speed; it takes more speed or a smaller loop",
  "bar-ahead": noLoop,
  "bar-above": noLoop,
  "gap-ahead": noGap,
  "gap-beside": noGap,
  "gap-above": noGap,
};
