import type { Drill, NextThing } from "@/core";
import type { Homework } from "@/contract";
import { lower } from "./capital";
import { failureWords } from "./failures";
import { counted, percent } from "./numbers";
import { numeral, quantityText, type UnitSystem } from "./quantity";
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
      return `Stay within ${quantityText(task.radiusM, "length", units)} for ${quantityText(task.seconds, "time", units, 0)}${task.noseWithinDeg === null ? "" : ", nose where it is"}.`;
    case "land":
      return `Land within ${quantityText(task.withinM, "length", units)} of the spot.`;
    case "course":
      return courseTaskWords(task, units);
    case "call":
      return callTasks[task.answer];
    case "tricks":
      return `Fly ${task.tricks.map(({ kind, direction }) => `${lower(trickKindNames[kind])} ${directionNames[direction]}`).join(", then ")}.`;
    case "free":
      return "Fly it as the model does.";
  }
}

const callTasks = {
  stop: "Fly at it. When the call comes, stop before it.",
  level: "Dive. When the call comes, level out.",
  switch: "Hold it high and level. When the call comes, switch self-level on, let it settle, and switch it off again.",
} as const;
const callMends = {
  stop: "The call came and it never stopped: lean back at once, with a blip of throttle.",
  level: "The call came and it kept diving: pull level at once, then throttle.",
  switch: "The call came and the switch was not thrown there and back: find it without looking.",
} as const;

function courseTaskWords(task: Extract<Drill["task"], { kind: "course" }>, units: UnitSystem): string {
  const length = (m: number) => quantityText(m, "length", units);
  const marks = counted(task.at.length, "mark");
  const what = task.haltMps === null ? `Pass ${marks} in order` : `Stop over ${marks} in order`;
  const nose = task.nose === "backward" ? ", tail first" : "";
  const turned = task.turnedDeg === undefined ? "" : ", turning once round by yaw on the way";
  const smooth = task.mostJerkDegPerS2 === undefined ? "" : ", without a jerk";
  return `${what}${nose}${turned}${smooth}, between ${length(task.lowestM)} and ${length(task.highestM)} up.`;
}

/** The one next thing after a try. */
export function nextThingWords(next: NextThing, units: UnitSystem): string {
  const length = (m: number) => quantityText(m, "length", units);
  switch (next.kind) {
    case "passed":
      return "Clean. Do it again the same way.";
    case "answered":
      return `Clean: you answered ${quantityText(next.reactionS, "time", units)} after the call.`;
    case "before-the-call":
      return "You answered before the call came: keep flying until it does.";
    case "no-answer":
      return callMends[next.answer];
    case "lost-height":
      return `Height changed by ${length(next.byM)}: keep the throttle where it is while it levels.`;
    case "jerked":
      return `The hardest corner was ${percent(next.degPerS2 / next.mostDegPerS2 - 1)} over the limit: start every turn from still, and end it so.`;
    case "line-broke":
      return `The line broke at trick ${next.at}, ${lower(trickKindNames[next.wants])}: fly up to it, then that one alone.`;
    case "missed-mark":
      return `Flown, but it ${failureWords({ kind: next.mark })}: ${markMends[next.mark]}`;
    case "off-height":
      return next.heightM < next.lowestM
        ? `Mark ${next.place} passed at ${length(next.heightM)}, too low: a little more throttle before it.`
        : `Mark ${next.place} passed at ${length(next.heightM)}, too high: ease the throttle before it.`;
    case "did-not-halt":
      return `Over mark ${next.place} at ${quantityText(next.speedMps, "speed", units)}: lean back earlier and stop first.`;
    case "wrong-way-round":
      return next.nose === "backward"
        ? `Mark ${next.place} passed nose first: keep the tail ahead.`
        : `Mark ${next.place} passed tail first: yaw the nose into the turn.`;
    case "turned-too-little":
      return `Turned ${whole(next.deg, units)} of ${whole(next.wantsDeg, units)}: more yaw, steadily.`;
    case "other-turns":
      return `${turnsWords(next.turns)} instead of ${turnsWords(next.wantsTurns)}: look at the ghost's sticks once.`;
    case "crashed":
      return `Into the ${next.into} at ${quantityText(next.speedMps, "speed", units)}: more height first, then the same again.`;
    case "not-flown":
      return "Nothing turned over: move the stick further, in one movement.";
    case "other-trick":
      if (next.found === "unknown") return "No trick can be told from it: look at the ghost's sticks once.";
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

const turnsWords = (turns: number) => (turns === 1 ? "One turn" : `${numeral(turns, turns % 1 === 0 ? 0 : 1)} turns`);

/** What to do about a mark that was missed. */
const markMends: Readonly<Record<Extract<NextThing, { kind: "missed-mark" }>["mark"], string>> = {
  "height-band": "trim the throttle before you begin.",
  "end-height": "punch a little more, or a little less.",
  view: "look where the picture goes, and keep it there.",
  heading: "lead the last part, and look where you want to end.",
  horizon: "roll with the yaw.",
  line: "begin level, and keep yaw still.",
  bounce: "let the stick go, not past the middle.",
  round: "one even pull from beginning to end.",
  circle: "smaller corrections; let the sticks rest.",
  spot: "start the descent so that it ends there.",
  "throttle-closed": "close the throttle before you turn over.",
  "in-picture": "turn with it before it leaves the picture.",
};

const directionNames = { back: "backward", front: "forward", right: "right", left: "left" } as const;

/** How homework stands, with its mark. */
export function homeworkWords(
  { tries, done, dueAtMs }: Pick<Homework, "tries" | "done" | "dueAtMs">,
  nowMs: number,
): { readonly mark: string; readonly says: string } {
  const clean = `${Math.min(done, tries)} of ${counted(tries, "clean try", "clean tries")}`;
  if (done >= tries) return { mark: "■", says: `done, ${clean}` };
  return dueAtMs < nowMs ? { mark: "▲", says: `overdue, ${clean}` } : { mark: "◆", says: clean };
}
