import "server-only";
import { Refusal } from "../actions/errors";
import type { SignedIn } from "../accounts";
import { coachingOf, whereabouts, type Subject, type Whereabouts } from "./whereabouts";

/**
 * What somebody wants to be to a thing:
 * `reader` reads it: the coaches of its squad and of the squads its pilots are in now, and the pilots whose record it is part of.
 * `keeper` writes into it: the coaches of its squad, and a pilot in a session that they fly by themselves.
 * `coach` changes it: the coaches of its squad.
 * `owner` decides over its squad: the coaches who own that.
 */
export type Part = "reader" | "keeper" | "coach" | "owner";

/** One condition of an action, a page or a download. */
export interface Need {
  readonly part: Part;
  readonly of: Subject;
  readonly id: string;
  /** Also when it is in the bin: for bringing it back. */
  readonly evenBinned?: boolean;
}

const subjectNames: Readonly<Record<Subject, string>> = {
  squad: "That squad",
  pilot: "That pilot",
  aircraft: "That aircraft",
  setup: "That setup",
  load: "That load",
  session: "That session",
  attempt: "That attempt",
  milestone: "That sign-off",
  note: "That note",
  request: "That request",
  site: "That site",
  planned: "That plan",
  target: "That target",
  variant: "That way to fly a trick",
  invitation: "That invitation",
};

/** Shorthand: `need("coach", "pilot", pilotId)`. */
export const need = (part: Part, of: Subject, id: string): Need => ({ part, of, id });

/**
 * The one place that decides who may do what with whose records. Returns when every need is met; otherwise throws a Refusal: 404 for what
 * is not there or in the bin, 403 for what is not theirs.
 */
export async function requireAccess(who: SignedIn, needs: readonly Need[]): Promise<void> {
  for (const { part, of, id, evenBinned } of needs) {
    const at = await whereabouts(of, id);
    if (!at)
      throw new Refusal(404, `${subjectNames[of]} is not in the records. It may have been removed; reload the page.`);
    if (!(await plays(who, part, at))) throw new Refusal(403, `${subjectNames[of]} is not yours to ${verbs[part]}.`);
    if (at.binned && !evenBinned)
      throw new Refusal(404, `${subjectNames[of]} is in the bin. Bring it back first, under Records.`);
  }
}

const verbs: Readonly<Record<Part, string>> = {
  reader: "see",
  keeper: "write into",
  coach: "change",
  owner: "decide over; only its owners may",
};

async function plays(who: SignedIn, part: Part, at: Whereabouts): Promise<boolean> {
  if (who.pilotId !== null) {
    if (!at.pilotIds.includes(who.pilotId)) return false;
    return part === "reader" || (part === "keeper" && at.ownPractice);
  }
  if (who.coachId === null) return false;
  // What is bound to no squad is its maker's.
  if (at.squadId === null) return at.coachId === who.coachId;
  const coaching = await coachingOf(part === "reader" ? at.readingSquadIds : [at.squadId], who.coachId);
  return part === "owner" ? coaching === "owner" : coaching !== null;
}
