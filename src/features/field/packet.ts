import { type PlannedBlock, tallyAfter, type TallyData, type TallyNote, type TallyPilot } from "@/contract";
import type { BriefData } from "@/features/brief/client";
import { usualRules, withRise } from "@/core";
import { routeOf } from "@/syllabus";
import { keepBriefs, keepTally, listKept, readBriefs, sentSoFar, type KeptSession } from "@/ui/outbox/device-store";

/** What a session needs in the field without a network. */
export interface FieldPacket {
  readonly tally: TallyData;
  /** Of every step of every pilot. */
  readonly briefs: readonly BriefData[];
}

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

/** The briefs of a session where the server has others than this device keeps; null else. They are kept before this resolves. */
export async function fetchBriefs(sessionId: string): Promise<FieldPacket["briefs"] | null> {
  const kept = await readBriefs(sessionId).catch(() => undefined);
  const response = await lookedUp(`/field-briefs/${sessionId}${kept ? `?unless=${encodeURIComponent(kept.tag)}` : ""}`);
  if (!response) return null;
  const answer: { readonly tag: string; readonly briefs: FieldPacket["briefs"] | null } = await response.json();
  if (answer.briefs === null) return null;
  await keepBriefs({ sessionId, tag: answer.tag, briefs: answer.briefs });
  return answer.briefs;
}

/** Keeps a session on this device as the server showed it. */
export function keepOnDevice(tally: TallyData, knownOf: readonly number[] = []): Promise<void> {
  const { accountId, session } = tally;
  return keepTally({ sessionId: session.id, accountId, keptAtMs: Date.now(), tally }, knownOf);
}

/** The briefs this device keeps of a session; none where it keeps none that can be read. */
export async function keptBriefs(sessionId: string): Promise<FieldPacket["briefs"]> {
  return briefsFrom((await readBriefs(sessionId))?.briefs);
}

/** The sessions on this device, the one kept last first. One that cannot be read is left out. */
export async function keptSessions(): Promise<readonly FieldPacket[]> {
  return (await listKept()).flatMap((kept) => packetFrom(kept) ?? []);
}

/** A session as this version of the program knows it, from whatever was kept, also by an earlier version; null for what is none. */
export function packetFrom({
  tally,
  briefs,
  sent,
}: Pick<KeptSession, "tally" | "briefs" | "sent">): FieldPacket | null {
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
  return { tally: sent.reduce(tallyAfter, known), briefs: briefsFrom(briefs) };
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
