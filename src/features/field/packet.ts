import {
  type FieldPlan,
  type PlannedBlock,
  tallyAfter,
  type TallyData,
  type TallyNote,
  type TallyPilot,
} from "@/contract";
import type { BriefData } from "@/features/brief/client";
import { requireSitePlan, usualRules, withRise, type SitePlan } from "@/core";
import { routeOf } from "@/syllabus";
import { keepBriefs, keepTally, listKept, readBriefs, sentSoFar, type KeptSession } from "@/ui/outbox/device-store";

/** What a session needs in the field without a network. */
export interface FieldPacket {
  readonly tally: TallyData;
  /** Of every step of every pilot. */
  readonly briefs: readonly BriefData[];
  /** The courses of its site; null where none are drawn. */
  readonly plan: FieldPlan | null;
}

/** What of it changes with setups, syllabus and plan, not with taps. */
export type FieldBriefs = Pick<FieldPacket, "briefs" | "plan">;

/** Null when nothing answers, or somebody has to sign in first. */
async function lookedUp(address: string): Promise<Response | null> {
  try {
    const response = await fetch(address);
    return response.ok ? response : null;
  } catch {
    return null;
  }
}

/**
 * The session as the server has it now; null when nothing answers, or somebody has to sign in first. `keep` has this device keep it, and forget what it noted
 * as sent before: that is in the answer.
 */
export async function fetchTally(
  sessionId: string,
): Promise<{ readonly tally: TallyData; readonly keep: () => Promise<void> } | null> {
  const knownOf = await sentSoFar(sessionId).catch(() => []);
  const response = await lookedUp(`/field-tallies/${sessionId}`);
  if (!response) return null;
  const tally: TallyData = await response.json();
  return { tally, keep: () => keepOnDevice(tally, knownOf) };
}

/** The briefs of a session and the courses of its site where the server has others than this device keeps; null else. They are kept before this resolves. */
export async function fetchBriefs(sessionId: string): Promise<FieldBriefs | null> {
  const kept = await readBriefs(sessionId).catch(() => undefined);
  const response = await lookedUp(`/field-briefs/${sessionId}${kept ? `?unless=${encodeURIComponent(kept.tag)}` : ""}`);
  if (!response) return null;
  const answer: {
    readonly tag: string;
    readonly briefs: FieldPacket["briefs"] | null;
    readonly plan?: FieldPlan | null;
  } = await response.json();
  if (answer.briefs === null) return null;
  const { tag, briefs, plan = null } = answer;
  await keepBriefs({ sessionId, tag, briefs, plan });
  return { briefs, plan };
}

/** Keeps a session on this device as the server showed it. */
export function keepOnDevice(tally: TallyData, knownOf: readonly number[] = []): Promise<void> {
  const { accountId, session } = tally;
  return keepTally({ sessionId: session.id, accountId, keptAtMs: Date.now(), tally }, knownOf);
}

/** The briefs and courses this device keeps of a session; none where it keeps none that can be read. */
export async function keptBriefs(sessionId: string): Promise<FieldBriefs> {
  const kept = await readBriefs(sessionId);
  return { briefs: briefsFrom(kept?.briefs), plan: planFrom(kept?.plan) };
}

/** The sessions on this device, the one kept last first. One that cannot be read is left out. */
export async function keptSessions(): Promise<readonly FieldPacket[]> {
  return (await listKept()).flatMap((kept) => packetFrom(kept) ?? []);
}

/** A session as this version of the program knows it, from whatever was kept, also by an earlier version; null for what is none. */
export function packetFrom({
  tally,
  briefs,
  plan,
  sent,
}: Pick<KeptSession, "tally" | "briefs" | "sent"> & Partial<Pick<KeptSession, "plan">>): FieldPacket | null {
  if (!isTally(tally)) return null;
  const pilots = tally.pilots.map((pilot) => ({
    ...pilot,
    route: pilot.route ?? routeOf({}),
    rules: pilot.rules ?? usualRules,
    currentStepId: pilot.currentStepId ?? null,
    loadId: pilot.loadId ?? null,
    aircraft: pilot.aircraft ?? null,
    left: pilot.left ?? false,
    blocks: pilot.blocks.map(({ why, ...block }) => ({
      ...block,
      reason: block.reason ?? (why ? { kind: "said" as const, says: why } : null),
    })),
    // Once it stood with the steps.
    signedOff:
      pilot.signedOff ??
      pilot.steps.filter((step) => "signedOff" in step && step.signedOff).map(({ stepId }) => stepId),
  }));
  const notes = (tally.notes ?? []).map((note) => ({ ...note, forCoaches: note.forCoaches ?? false }));
  const known: TallyData = { ...tally, name: tally.name ?? "", others: tally.others ?? [], pilots, notes };
  return { tally: sent.reduce(tallyAfter, known), briefs: briefsFrom(briefs), plan: planFrom(plan) };
}

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === "object" && value !== null;

/** What every version kept of a session; the fields that came later may be missing. */
type EverKept = Omit<TallyData, "pilots" | "notes" | "name" | "others"> &
  Partial<Pick<TallyData, "name" | "others">> & {
    readonly notes?: readonly (Omit<TallyNote, "forCoaches"> & Partial<Pick<TallyNote, "forCoaches">>)[];
    readonly pilots: readonly (Omit<TallyPilot, "signedOff" | "blocks" | "aircraft" | "left" | "rules"> &
      Partial<Pick<TallyPilot, "signedOff" | "aircraft" | "left" | "rules">> & {
        /** Once the reason was a sentence. */
        readonly blocks: readonly (Omit<PlannedBlock, "reason"> &
          Partial<Pick<PlannedBlock, "reason">> & { readonly why?: string })[];
      })[];
  };

const isTally = (value: unknown): value is EverKept =>
  isObject(value) &&
  isObject(value.session) &&
  typeof value.session.id === "string" &&
  Array.isArray(value.session.pilots) &&
  Array.isArray(value.attempts) &&
  Array.isArray(value.pilots) &&
  value.pilots.length > 0 &&
  value.pilots.every((pilot) => isObject(pilot) && Array.isArray(pilot.steps) && Array.isArray(pilot.blocks));

const briefsFrom = (briefs: unknown): FieldPacket["briefs"] =>
  Array.isArray(briefs)
    ? withRise(briefs as readonly BriefData[]).filter((brief) => isObject(brief) && isObject(brief.standing))
    : [];

/** Courses as they were kept; null for what is no plan of a site, or one of another version. */
function planFrom(kept: unknown): FieldPlan | null {
  if (!isObject(kept) || typeof kept.siteName !== "string") return null;
  try {
    return { siteName: kept.siteName, plan: requireSitePlan(kept.plan as SitePlan) };
  } catch (error) {
    if (error instanceof RangeError || error instanceof TypeError) return null;
    throw error;
  }
}
