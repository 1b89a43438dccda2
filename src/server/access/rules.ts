import "server-only";
import { missing, Refusal } from "../actions/errors";
import type { SignedIn } from "../accounts";
import { coachingOf, whereabouts, type Subject, type Whereabouts } from "../repositories";

/**
 * What somebody wants to be to a thing:
 * `reader` reads it: the coaches of its squad and of the squads its pilots are in now, and the pilots whose record it is part of.
 * `keeper` writes into it: the coaches of its squad, and a pilot in a session that they fly by themselves or a recording they brought.
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
  homework: "That homework",
  variant: "That way to fly a trick",
  line: "That line",
  recording: "That recording",
  invitation: "That invitation",
};

/** Shorthand: `need("coach", "pilot", pilotId)`. */
export const need = (part: Part, of: Subject, id: string): Need => ({ part, of, id });

/** What was found on the way: nobody needs to read it again. Both throw for an id that was none of the needs. */
export interface Found {
  /** The squad of a thing. */
  readonly squadOf: (id: string) => string;
  /** The pilot whose record a thing is part of. */
  readonly pilotOf: (id: string) => string;
}

/**
 * The one place that decides who may do what with whose records. Gives what it found when every need is met; otherwise throws a Refusal: 404 for
 * what is not there or in the bin, 403 for what is not theirs.
 */
export async function requireAccess(who: SignedIn, needs: readonly Need[]): Promise<Found> {
  const found = new Map<string, Whereabouts>();
  const coaching = coachingOnce(who);
  for (const { part, of, id, evenBinned } of needs) {
    const at = await whereabouts(of, id);
    if (!at) throw missing(subjectNames[of]);
    if (!(await plays(who, part, at, coaching)))
      throw new Refusal(403, `${subjectNames[of]} is not yours to ${verbs[part]}.`);
    if (at.binned && !evenBinned)
      throw new Refusal(404, `${subjectNames[of]} is in the bin. Bring it back first, under Records.`);
    found.set(id, at);
  }
  const known = (id: string, part: string | null | undefined) => {
    if (!part) throw new Error(`${id} was not asked for.`);
    return part;
  };
  return {
    squadOf: (id) => known(id, found.get(id)?.squadId),
    pilotOf: (id) => known(id, found.get(id)?.pilotIds[0]),
  };
}

type Coaching = (squadIds: readonly string[]) => Promise<"owner" | "coach" | null>;

/** Whether and how somebody coaches some squads, each set of them looked up once. */
function coachingOnce({ coachId }: SignedIn): Coaching {
  const asked = new Map<string, Promise<"owner" | "coach" | null>>();
  return (squadIds) => {
    const key = [...new Set(squadIds)].sort().join(" ");
    const known = asked.get(key) ?? (coachId === null ? Promise.resolve(null) : coachingOf(squadIds, coachId));
    asked.set(key, known);
    return known;
  };
}

const verbs: Readonly<Record<Part, string>> = {
  reader: "see",
  keeper: "write into",
  coach: "change",
  owner: "manage; only its owners may",
};

async function plays(who: SignedIn, part: Part, at: Whereabouts, coachingOf: Coaching): Promise<boolean> {
  if (who.pilotId !== null) {
    if (!at.pilotIds.includes(who.pilotId)) return false;
    return part === "reader" || (part === "keeper" && at.ownPractice);
  }
  if (who.coachId === null) return false;
  // What is bound to no squad is its maker's.
  if (at.squadId === null) return at.coachId === who.coachId;
  const coaching = await coachingOf(part === "reader" ? at.readingSquadIds : [at.squadId]);
  return part === "owner" ? coaching === "owner" : coaching !== null;
}
