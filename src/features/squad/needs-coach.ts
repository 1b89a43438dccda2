import { chancePercent, percent } from "@/words";
import { GAP_DAYS } from "@/core";
import { directionNames, findStep, stepName, type Glance, type Syllabus } from "@/syllabus";

/** Why a pilot needs the coach, in a line with its counts. */
export interface Reason {
  readonly kind: ReasonKind;
  readonly text: string;
}

/** From what cannot wait to what can. The order is ours. */
const order = [
  "rest",
  "asks",
  "ready",
  "step-back",
  "stuck",
  "slipping",
  "check-first",
  "unsettled",
  "burst",
  "gap",
  "due",
  "one-sided",
  "no-aircraft",
] as const;
export type ReasonKind = (typeof order)[number];

/** Steps named in one reason; of more it is told how many. */
const MOST_NAMED = 3;

export interface PilotAtAGlance {
  readonly glance: Glance;
  /** Steps they ask to have signed off. */
  readonly asksFor: readonly string[];
  readonly checkFirst: readonly string[];
  readonly aircraftName: string | null;
}

/** Everything for which a pilot needs the coach, most pressing first. */
export function reasonsFor(
  { glance, asksFor, checkFirst, aircraftName }: PilotAtAGlance,
  syllabus: Syllabus,
): Reason[] {
  const { current, reviewsDue, slipping, favours, burst } = glance;
  const names = (ids: readonly string[]) => ids.map((id) => stepName(syllabus, id).toLowerCase()).join(", ");
  const advice = current?.advice;
  const idleDays = glance.idleDays ?? 0;
  const directionOf = (direction: string) =>
    current && (findStep(syllabus, current.stepId)?.directions.length ?? 0) > 1
      ? ` ${sideName(syllabus, current.stepId, direction)}`
      : "";
  const found: (Reason | null)[] = [
    advice?.kind === "rest" ? { kind: "rest", text: "crashes rise: rest" } : null,
    asksFor.length > 0 ? { kind: "asks", text: `sign-off requested: ${names(asksFor)}` } : null,
    advice?.kind === "advance" ? { kind: "ready", text: "ready for sign-off" } : null,
    advice?.kind === "step-back" ? { kind: "step-back", text: "almost nothing goes clean: step back" } : null,
    advice?.kind === "stuck"
      ? {
          kind: "stuck",
          text: `stuck on ${names([current?.stepId ?? ""])} for ${advice.weeks} weeks, ${advice.attempts} tries${directionOf(advice.direction)}`,
        }
      : null,
    slipping.length > 0
      ? {
          kind: "slipping",
          text: worstFirst(
            slipping,
            ({ clean, all }) => clean / all,
            ({ stepId, clean, all, days }) =>
              `${names([stepId])} slips: ${clean} of ${all} clean on the last ${days === 1 ? "day" : `${days} days`}`,
            "; ",
          ),
        }
      : null,
    checkFirst.length > 0 ? { kind: "check-first", text: `by eye first: ${checkFirst.join(", ")}` } : null,
    advice?.kind === "settle" ? { kind: "unsettled", text: "still settling in on a new setup" } : null,
    burst
      ? {
          kind: "burst",
          text: `${burst.flyingDays} flying days in ${burst.withinDays}, then none for ${burst.gapDays} days`,
        }
      : null,
    idleDays > GAP_DAYS && burst?.gapDays !== idleDays ? { kind: "gap", text: `no flight for ${idleDays} days` } : null,
    reviewsDue.length > 0
      ? {
          kind: "due",
          text: `review due: ${worstFirst(
            reviewsDue,
            ({ memory }) => memory,
            ({ stepId, memory }) => `${names([stepId])} (${percent(memory)} remembered)`,
          )}`,
        }
      : null,
    favours
      ? {
          kind: "one-sided",
          text: `favours ${sideName(syllabus, favours.stepId, favours.better)}, ${chancePercent(favours.chance)} sure`,
        }
      : null,
    aircraftName === null ? { kind: "no-aircraft", text: "no aircraft yet" } : null,
  ];
  return found.flatMap((one) => one ?? []).sort((a, b) => order.indexOf(a.kind) - order.indexOf(b.kind));
}

/** The worst few in words, and how many more there are. */
function worstFirst<One>(
  all: readonly One[],
  valueOf: (one: One) => number,
  inWords: (one: One) => string,
  between = ", ",
): string {
  const worst = [...all].sort((a, b) => valueOf(a) - valueOf(b)).slice(0, MOST_NAMED);
  const more = all.length - worst.length;
  return worst.map(inWords).join(between) + (more > 0 ? ` and ${more} more` : "");
}

function sideName(syllabus: Syllabus, stepId: string, direction: string): string {
  const step = findStep(syllabus, stepId);
  return (step && directionNames(step)[direction]) ?? direction;
}

/** Reasons that need the coach before anything else. */
export const pressing: ReadonlySet<ReasonKind> = new Set(["rest", "asks", "slipping", "check-first", "step-back"]);

/** Who needs the coach most first: by the most pressing reason, then by how many there are, then by how long they have not flown. */
export function byNeed<
  Row extends { readonly reasons: readonly Reason[]; readonly glance: Glance; readonly name: string },
>(a: Row, b: Row): number {
  const rank = ({ reasons }: Row) => (reasons.length > 0 ? order.indexOf(reasons[0].kind) : order.length);
  return (
    rank(a) - rank(b) ||
    b.reasons.length - a.reasons.length ||
    (a.glance.lastFlownMs ?? 0) - (b.glance.lastFlownMs ?? 0) ||
    a.name.localeCompare(b.name)
  );
}
