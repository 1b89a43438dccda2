import "server-only";
import { need, requireAccess } from "@/server/access";
import type { SignedIn } from "@/server/accounts";
import { Refusal } from "@/server/actions";
import { pdfOf } from "@/server/files";
import { loadProgress } from "@/server/progress";
import { listPilots, squadNames, syllabusOf } from "@/server/repositories";
import { debriefPaper } from "./debrief-paper";
import { loadTally } from "./load";

/** The debrief of a session as PDF, with the pilots whose records somebody may read. Throws a Refusal for what is not theirs to see. */
export async function downloadDebrief(who: SignedIn, sessionId: string): Promise<Response> {
  await requireAccess(who, [need("reader", "session", sessionId)]);
  const data = await loadTally(who, sessionId);
  if (!data) throw new Refusal(404, "That session is not in the records.");
  const { squadId } = data.session;
  const shown = new Set(data.pilots.map(({ id }) => id));
  const pilots = (await listPilots(who)).filter(({ id }) => shown.has(id));
  const [syllabus, names, progress] = await Promise.all([
    syllabusOf(squadId),
    squadNames([squadId]),
    loadProgress(pilots),
  ]);
  const paper = debriefPaper(data, syllabus, {
    title: names.get(squadId) ?? "",
    schoolOf: (pilotId) => progress.get(pilotId)?.school ?? {},
  });
  return new Response(await pdfOf(paper), {
    headers: {
      "content-type": "application/pdf",
      "content-disposition": `attachment; filename="debrief-${sessionId.slice(-6)}.pdf"`,
      "cache-control": "no-store",
    },
  });
}
