import { wilsonInterval, type Interval, Z90 } from "@/core";
import type { DigestedStep } from "./digested-step";
import { skillOf, type Syllabus } from "./syllabus";
import type { Step } from "./types";

/** How it ended where other tricks went wrong. A bail is not clean there and no crash either: it is credited to the skill of bailing out. */
export interface BailCredit {
  readonly bailed: number;
  readonly crashed: number;
  /** 90 % Wilson interval of the share that was bailed. */
  readonly interval: Interval;
}

/** The key of the skill that bails are credited to. */
const BAIL_SKILL = "bail";

/** What other tricks credit to a step of the bail skill; null for any other step, and where nothing went wrong. */
export function bailCreditOf(
  syllabus: Syllabus,
  step: Step,
  flown: ReadonlyMap<string, DigestedStep>,
): BailCredit | null {
  const skill = skillOf(syllabus, step);
  if (skill.id !== BAIL_SKILL) return null;
  const own = new Set(skill.steps.map(({ id }) => id));
  const counts = [...flown].flatMap(([id, { digest }]) =>
    own.has(id) ? [] : digest.tallies.map(({ counts: one }) => one),
  );
  const bailed = counts.reduce((sum, one) => sum + one.bailed, 0);
  const crashed = counts.reduce((sum, one) => sum + one.crashed, 0);
  return bailed + crashed === 0 ? null : { bailed, crashed, interval: wilsonInterval(bailed, bailed + crashed, Z90) };
}
