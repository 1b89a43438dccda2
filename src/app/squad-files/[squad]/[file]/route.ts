import { downloadOverview } from "@/features/report";
import { answerDownload, isUuid } from "@/features/shell";

/** The overview of a squad as PDF or CSV, for its coaches. */
export async function GET(
  _: Request,
  { params }: { params: Promise<{ squad: string; file: string }> },
): Promise<Response> {
  const { squad, file } = await params;
  return answerDownload((who, units) => downloadOverview(who, isUuid(squad) ? squad : "", file, units));
}
