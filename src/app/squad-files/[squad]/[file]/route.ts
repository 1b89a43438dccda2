import { downloadSquadFile } from "@/features/records";
import { downloadOverview } from "@/features/report";
import { answerDownload, isUuid } from "@/features/shell";

/** The overview of a squad as PDF or CSV, for its coaches; the squad whole, for its owners. */
export async function GET(
  _: Request,
  { params }: { params: Promise<{ squad: string; file: string }> },
): Promise<Response> {
  const { squad, file } = await params;
  if (file === "squad.json") return answerDownload((who) => downloadSquadFile(who, isUuid(squad) ? squad : ""));
  return answerDownload((who, units) => downloadOverview(who, isUuid(squad) ? squad : "", file, units));
}
