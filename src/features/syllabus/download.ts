import "server-only";
import { need, requireAccess } from "@/server/access";
import type { SignedIn } from "@/server/accounts";
import { Refusal } from "@/server/actions";
import { pdfOf } from "@/server/files";
import { dayText, entryOf } from "@/core";
import { squadNames, syllabusOf, waysOf } from "@/server/repositories";
import type { UnitSystem } from "@/words";
import { bookletContent } from "./booklet";

/** A squad's syllabus in force as `syllabus.json` or `booklet.pdf`, for its coaches and pilots. Throws a Refusal for what there is not or is not theirs. */
export async function downloadSyllabus(
  who: SignedIn,
  squadId: string,
  file: string,
  units: UnitSystem = "metric",
  now = new Date(),
): Promise<Response> {
  await requireAccess(who, [need("reader", "squad", squadId)]);
  if (file !== "syllabus.json" && file !== "booklet.pdf") throw new Refusal(404, "There is no such file.");
  const [{ document, number }, names, ways] = await Promise.all([
    syllabusOf(squadId),
    squadNames([squadId]),
    waysOf([squadId]),
  ]);
  const headers = (type: string) => ({
    "content-type": type,
    "content-disposition": `attachment; filename="syllabus-${number}-${file}"`,
    "cache-control": "no-store",
  });
  if (file === "syllabus.json")
    return new Response(JSON.stringify(document, null, 1), { headers: headers("application/json; charset=utf-8") });
  const about = {
    squadName: names.get(squadId) ?? "",
    number,
    date: dayText(entryOf(ways, squadId).rules.timeZone, now.getTime()),
    units,
  };
  return new Response(await pdfOf(bookletContent(document, about)), { headers: headers("application/pdf") });
}
