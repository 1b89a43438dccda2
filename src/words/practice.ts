import type { Drill, NextThing } from "@/core";
import { lower } from "./capital";
import { percent } from "./numbers";
import { quantityText, type UnitSystem } from "./quantity";
import { trickKindNames } from "./tape";

const whole = (deg: number, units: UnitSystem) => quantityText(deg, "angle", units, 0);

/** What a drill asks for, in a line. */
export function taskWords({ task }: Pick<Drill, "task">, units: UnitSystem): string {
  switch (task.kind) {
    case "trick":
      return task.withinDeg === null
        ? "Fly it as the model does."
        : `Fly it, and stop within ${whole(task.withinDeg, units)}.`;
    case "hold":
      return `Stay within ${quantityText(task.radiusM, "length", units)} for ${quantityText(task.seconds, "time", units, 0)}.`;
    case "land":
      return `Land within ${quantityText(task.withinM, "length", units)} of the spot.`;
    case "course":
      return task.haltMps === null ? "Pass every mark in order." : "Halt over every mark in order.";
    case "free":
      return "Fly it as the model does; nothing is measured here.";
  }
}

/** The one next thing after a try. */
export function nextThingWords(next: NextThing, units: UnitSystem): string {
  const length = (m: number) => quantityText(m, "length", units);
  switch (next.kind) {
    case "passed":
      return "That counts. Once more the same.";
    case "crashed":
      return `Into the ${next.into} at ${quantityText(next.speedMps, "speed", units)}: more height first, then the same again.`;
    case "not-flown":
      return "Nothing turned over: move the stick further, in one movement.";
    case "other-trick":
      return `It came out as ${lower(trickKindNames[next.found])}, ${directionNames[next.direction]}: look at the ghost's sticks once.`;
    case "stopped-past":
      return `Stopped ${whole(next.deg, units)} past: centre earlier.`;
    case "stopped-short":
      return `Stopped ${whole(next.deg, units)} short: hold it longer before you centre.`;
    case "throttle-open":
      return `Throttle at ${percent(next.share)} upside down: close it before you turn over.`;
    case "left-circle":
      return `Held ${quantityText(next.heldS, "time", units, 1)} of ${quantityText(next.wantsS, "time", units, 0)}: smaller nudges, and let go at once.`;
    case "off-spot":
      return `${length(next.m)} from the spot: begin the descent ${next.m > next.withinM ? "so that it ends there" : "as you did"}.`;
    case "not-landed":
      return "It never touched down: less throttle all the way.";
    case "missed-place":
      return `Mark ${next.place} missed by ${length(next.nearestM - next.withinM)}: slower, and straight at it.`;
  }
}

const directionNames = { back: "backward", front: "forward", right: "right", left: "left" } as const;
