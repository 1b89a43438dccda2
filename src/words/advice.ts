import { SETTLING_ATTEMPTS, type Advice, type DirectionCount, type Focus, type WayOn } from "@/core";
import { cueFor, directionName, findStep, onGround, stepName, type Syllabus } from "@/syllabus";
import { capital } from "./capital";
import { countWords, missingWords } from "./marks";
import { chancePercent, counted, percent, percentRange } from "./numbers";
import type { UnitSystem } from "./quantity";

/** To whom something is said, and in which units. */
export interface Listener {
  readonly units?: UnitSystem;
  readonly reader?: "coach" | "pilot";
}

type Counts<Kind extends Advice["kind"]> = Extract<Advice, { readonly kind: Kind }>;

/** What to do next about a step, in a sentence or two with its counts. */
export function adviceWords(advice: Advice, stepId: string, syllabus: Syllabus, to: Listener = {}): string {
  const nameOf = (direction: string) => directionName(syllabus, stepId, direction);
  const counts = (all: readonly DirectionCount[]) => capital(all.map((each) => standing(each, nameOf, to)).join(", "));
  switch (advice.kind) {
    case "begin": {
      const step = findStep(syllabus, stepId);
      return step && onGround(syllabus, step)
        ? "Not done yet: go through the brief."
        : "No attempts logged yet. Read the brief and start high.";
    }
    case "advance":
      return `${counts(advice.counts)}: pass mark met, ${metWords(advice, nameOf, to)}.`;
    case "confirm":
      return `${counts(advice.counts)}: pass mark met, but it may be luck. Keep flying until luck is ${chancePercent(advice.mostLuck)} or less.`;
    case "signed-off":
      return advice.counts.some(({ attempts }) => attempts > 0)
        ? `Signed off. ${counts(advice.counts)}: fly it again when its review is due.`
        : "Signed off, no attempts on record. Fly it once and its review gets a date.";
    case "stay":
      return `${counts(advice.counts)}: stay, ${focusWords(advice.focus, nameOf, to)}.`;
    case "stuck":
      return `Stuck: ${stuckCounts(advice, nameOf)}, over ${advice.weeks} weeks and ${advice.flyingDays} flying days. ${wayOnWords(advice.tryNext, stepId, syllabus)}`;
    case "step-back":
      return `${advice.clean} clean of the last ${advice.of}: go back to ${stepName(syllabus, advice.toStepId)} and build it again.`;
    case "rest":
      return advice.late === undefined || advice.chance === undefined
        ? `${advice.crashes} crashes in ${advice.attempts} attempts on the last flying day, most of them late: rest before more of this.`
        : `${advice.crashes} crashes in ${advice.attempts} attempts on the last flying day, ${advice.late} of them in its later half (by chance alone: ${chancePercent(advice.chance)}): rest before more of this.`;
    case "settle":
      return `${advice.onSetup === 0 ? "No attempt" : counted(advice.onSetup, "attempt")} on the new setup and ${advice.before} before it: fly it ${advice.more} more times before judging or changing again.`;
  }
}

type NameOf = (direction: string) => string;

function metWords({ doubt, aloneDecides }: Counts<"advance">, nameOf: NameOf, { reader }: Listener): string {
  const signOff = reader === "pilot" ? "ask your coach to sign it off" : "sign it off";
  if (doubt)
    return `but the longer record of ${nameOf(doubt.direction)} is ${percentRange(doubt)} clean: ${signOff}, or see it hold once more`;
  return aloneDecides ? `but only with what was flown alone: see it flown, then ${signOff}` : signOff;
}

const stuckCounts = ({ direction, early, late }: Counts<"stuck">, nameOf: NameOf) =>
  `${nameOf(direction)} ${early.clean} of ${early.attempts} clean, then ${late.clean} of ${late.attempts}`;

function wayOnWords(wayOn: WayOn, stepId: string, syllabus: Syllabus): string {
  switch (wayOn.kind) {
    case "one-setup":
      return `The setup changed ${wayOn.changes} times in between: keep this one for ${SETTLING_ATTEMPTS} attempts.`;
    case "step-back":
      return `Go back to ${stepName(syllabus, wayOn.toStepId)} and build it again.`;
    case "mend": {
      const fault = findStep(syllabus, stepId)?.faults.find(({ id }) => id === wayOn.faultId);
      const share = `${percent(wayOn.share)} of what goes wrong`;
      return fault
        ? `${fault.sees}, in ${share}: ${cueFor(fault, wayOn.direction)}`
        : `One fault is in ${share}: work at that alone.`;
    }
    case "other-way":
      return "Change one thing: another place, the simulator, or the step in parts.";
  }
}

/** How it stands, with the chance that what is met was luck. */
function standing({ direction, attempts, rule, luck }: DirectionCount, nameOf: NameOf, { units }: Listener): string {
  const lucky = luck == null ? "" : ` (${chancePercent(luck)} luck)`;
  if (direction === null) return `${countWords(rule, units)}${lucky}`;
  return attempts === 0 ? `${nameOf(direction)} not flown` : `${nameOf(direction)} ${countWords(rule, units)}${lucky}`;
}

function focusWords(focus: Focus, nameOf: NameOf, { units }: Listener): string {
  switch (focus.kind) {
    case "rules":
      return focus.missing.map((rule) => missingWords(rule, units)).join(", ");
    case "weaker-side":
      return `${nameOf(focus.direction)} first, the weaker side`;
    case "lowest-side":
      return `${nameOf(focus.direction)} first`;
    case "one-side":
      return `${nameOf(focus.direction)} needs ${missingWords(focus.missing, units)}`;
  }
}
