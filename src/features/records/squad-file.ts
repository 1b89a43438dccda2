import "server-only";
import { entryOf } from "@/core";
import { need, requireAccess } from "@/server/access";
import { isCoach, type SignedIn } from "@/server/accounts";
import { Refusal } from "@/server/actions";
import {
  inTransaction,
  leaveTrail,
  listLines,
  listPilots,
  listSites,
  listSquads,
  listSquadVariants,
  readRecord,
  syllabusOf,
} from "@/server/repositories";

/**
 * A squad whole, for its owners: name, school, rules, syllabus in force, sites, own ways to fly tricks, lines, and the record of every pilot as it goes out by itself.
 * Throws a Refusal for a squad that is not theirs. The trail tells who took it.
 */
export async function downloadSquadFile(who: SignedIn, squadId: string, now = new Date()): Promise<Response> {
  await requireAccess(who, [need("owner", "squad", squadId)]);
  if (!isCoach(who)) throw new Refusal(403, "You don’t have access to that squad.");
  const [squads, pilots, sites, variants, lines, syllabus] = await Promise.all([
    listSquads(who.coachId),
    listPilots(who),
    listSites([squadId]),
    listSquadVariants(squadId),
    listLines([squadId]),
    syllabusOf(squadId),
  ]);
  const { name, school, rules } = entryOf(new Map(squads.map((squad) => [squad.id, squad])), squadId);
  const records = [];
  // One after the other: a squad of thirty has a hundred thousand attempts.
  for (const { id } of pilots.filter((pilot) => pilot.squadId === squadId)) records.push(await readRecord(id, now));
  const done = { kind: "exported", file: "squad.json" } as const;
  await inTransaction((transaction) => leaveTrail(transaction, { who: who.name, done, squadId }, now));
  const whole = {
    format: "bathygon-squad",
    version: 1,
    exportedAt: now.toISOString(),
    squad: { id: squadId, name, school, rules },
    syllabus: { number: syllabus.number, document: syllabus.document },
    sites,
    variants,
    lines,
    pilots: records,
  };
  return new Response(JSON.stringify(whole, null, 1), {
    headers: {
      "content-type": "application/json; charset=utf-8",
      "content-disposition": `attachment; filename="squad-${squadId.slice(-6)}.json"`,
      "cache-control": "no-store",
    },
  });
}
