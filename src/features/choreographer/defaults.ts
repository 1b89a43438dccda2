import type { Guard, StickPlan, ThrottlePlan } from "@/core";
import type { ThrottleChoice } from "./words";

/** A practised pilot's eye: gain per s and delay, s; see the recipes that come with the program. */
const EYE = { gainPerS: 3, delayS: 0.2 } as const;

/** What a stick does when a kind is chosen, before it is set. */
export function firstStick(kind: StickPlan["kind"]): StickPlan {
  switch (kind) {
    case "hold":
      return { kind, at: 0.3 };
    case "rate":
      return { kind, dps: 200 };
    case "ramp":
      return { kind, from: 0, to: 0.5, overS: 0.3 };
    case "ease":
      return { kind, axis: "pitch", fromDeg: 270, toDeg: 330, from: 1, to: 0.3 };
    case "loop":
      return { kind, radiusM: 5 };
    case "eye":
      return { kind, see: "pitch", targetDeg: 0, ...EYE };
    default:
      return { kind };
  }
}

export function firstThrottle(choice: ThrottleChoice): ThrottlePlan {
  switch (choice) {
    case "hold":
      return { kind: choice, at: 0.3 };
    case "thrust":
      return { kind: choice, g: 1 };
    case "climb":
      return { kind: "eye", see: choice, targetMps: 0, gainPerS: 4, delayS: EYE.delayS };
    case "height":
      return { kind: "eye", see: choice, targetM: 0, gainPerS: 1.5, delayS: EYE.delayS };
    case "spot":
      return { kind: "eye", see: choice, gainPerS: 3, delayS: EYE.delayS };
    case "sustained":
      return { kind: choice };
    case "loop":
      return { kind: choice, radiusM: 5, share: 1, weightG: 0.5 };
  }
}

export function firstGuard(kind: Guard["kind"]): Guard {
  switch (kind) {
    case "time":
      return { kind, s: 0.3 };
    case "turned":
      return { kind, axis: "pitch", deg: 180 };
    case "climb":
      return { kind, is: "below", mps: 0 };
    case "ahead":
      return { kind, is: "below", mps: 1 };
    case "height":
      return { kind, is: "above", m: 2 };
    case "ground":
      return { kind, is: "below", m: 3 };
    case "along":
      return { kind, is: "above", m: 5 };
    case "pitch":
      return { kind, is: "above", deg: 30 };
    case "heading":
      return { kind, is: "above", deg: 90 };
    case "upright":
      return { kind, withinDeg: 30 };
  }
}
