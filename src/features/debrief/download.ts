import "server-only";
import { need, requireAccess } from "@/server/access";
import type { SignedIn } from "@/server/accounts";
import { Refusal } from "@/server/actions";
import { pdfOf } from "@/server/files";
import type { UnitSystem } from "@/words";
import { squadNames, syllabusOf } from "@/server/repositories";
import { debriefPaper } from "./debrief-paper";
import { loadTally } from "@/server/tally";

/**
 * The debrief of a session as PDF, with the pilots whose records somebody may read, or with one of them. Throws a Refusal for what is not theirs to see.
 */
export async function downloadDebrief(
  who: SignedIn,
  sessionId: string,
  pilotId: string | null = null,
  units: UnitSystem = "metric",
): Promise<Response> {
  await requireAccess(who, [need("reader", "session", sessionId)]);
  const data = await loadTally(who, sessionId);
  if (!data) throw new Refusal(404, "That session is not in the records.");
  if (pilotId !== null && !data.pilots.some(({ id }) => id === pilotId))
    throw new Refusal(404, "That pilot did not fly in this session.");
  const { squadId } = data.session;
  const [syllabus, names] = await Promise.all([syllabusOf(squadId), squadNames([squadId])]);
  const paper = debriefPaper(data, syllabus, names.get(squadId) ?? "", { pilotId, units });
  return new Response(await pdfOf(paper), {
    headers: {
      "content-type": "application/pdf",
      "content-disposition": `attachment; filename="debrief-${sessionId.slice(-6)}${pilotId ? `-${pilotId.slice(-6)}` : ""}.pdf"`,
      "cache-control": "no-store",
    },
  });
}
