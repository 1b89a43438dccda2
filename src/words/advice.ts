import type { Advice, DirectionCount, Focus } from "@/core";
import { directionName, stepName, type Syllabus } from "@/syllabus";
import { capital } from "./capital";
import { countWords, missingWords } from "./marks";
import { counted, percentRange } from "./numbers";

/** What to do next about a step, in one sentence with its counts. */
export function adviceWords(advice: Advice, stepId: string, syllabus: Syllabus): string {
  const nameOf = (direction: string) => directionName(syllabus, stepId, direction);
  const counts = (all: readonly DirectionCount[]) => capital(all.map((each) => standing(each, nameOf)).join(", "));
  switch (advice.kind) {
    case "begin":
      return "Not flown yet: read the brief, then begin with height to spare.";
    case "advance":
      return `${counts(advice.counts)}: the mark is met, ${
        advice.doubt
          ? `but the longer record of ${nameOf(advice.doubt.direction)} is ${percentRange(advice.doubt)} clean: sign off, or see it hold once more`
          : "sign it off"
      }.`;
    case "stay":
      return `${counts(advice.counts)}: stay, ${focusWords(advice.focus, nameOf)}.`;
    case "step-back":
      return `${advice.clean} clean of the last ${advice.of}: go back to ${stepName(syllabus, advice.toStepId)} and build it again.`;
    case "rest":
      return `${advice.crashes} crashes in ${advice.attempts} attempts on the last flying day, most of them late: rest before more of this.`;
    case "settle":
      return `${advice.onSetup === 0 ? "No attempt" : counted(advice.onSetup, "attempt")} on the new setup and ${advice.before} before it: fly it ${advice.more} more times before judging or changing again.`;
  }
}

type NameOf = (direction: string) => string;

function standing({ direction, attempts, rule }: DirectionCount, nameOf: NameOf): string {
  if (direction === null) return countWords(rule);
  return attempts === 0 ? `${nameOf(direction)} not flown` : `${nameOf(direction)} ${countWords(rule)}`;
}

function focusWords(focus: Focus, nameOf: NameOf): string {
  switch (focus.kind) {
    case "rules":
      return focus.missing.map(missingWords).join(", ");
    case "weaker-side":
      return `${nameOf(focus.direction)} first, the weaker side`;
    case "lowest-side":
      return `${nameOf(focus.direction)} first`;
    case "one-side":
      return `${nameOf(focus.direction)} needs ${missingWords(focus.missing)}`;
  }
}
