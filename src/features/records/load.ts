import "server-only";
import type { SignedInCoach } from "@/server/accounts";
import type { Binned, Deed, Squad } from "@/contract";
import { listBin, listPilots, listSquads, listTrail } from "@/server/repositories";
import { builtInSyllabus, stepName } from "@/syllabus";

export interface RecordsData {
  readonly trail: readonly Deed[];
  /** Time before which to read on; null at the end. */
  readonly olderMs: number | null;
  readonly bin: readonly Binned[];
  readonly pilots: readonly { readonly id: string; readonly name: string }[];
  readonly squads: readonly Squad[];
}

const PAGE = 60;

/** The trail, newest first or from before a time, and the bin of every squad somebody coaches. */
export async function loadRecords(who: SignedInCoach, beforeMs?: number, now = new Date()): Promise<RecordsData> {
  const [squads, pilots] = await Promise.all([listSquads(who.coachId), listPilots(who)]);
  const squadIds = squads.map(({ id }) => id);
  const [trail, bin] = await Promise.all([
    listTrail(squadIds, { limit: PAGE + 1, beforeMs }),
    listBin(squadIds, now, who.coachId),
  ]);
  return {
    trail: trail.slice(0, PAGE),
    olderMs: trail.length > PAGE ? trail[PAGE - 1].atMs : null,
    bin: bin.map((one) => ({ ...one, what: inWords(one) })),
    pilots: pilots.map(({ id, name }) => ({ id, name })),
    squads,
  };
}

/** Steps by their names. */
function inWords({ kind, what }: Binned): string {
  if (kind !== "sign-off" && kind !== "attempt") return what;
  const [stepId, ...rest] = what.split(" ");
  return [stepName(builtInSyllabus, stepId), ...rest].join(", ");
}
