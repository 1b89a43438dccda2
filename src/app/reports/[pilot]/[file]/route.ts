import { downloadReport } from "@/features/report";
import { answerDownload, isUuid } from "@/features/shell";

/** A pilot's season as PDF or CSV and the certificates of their stages, for their coaches and themselves. */
export async function GET(
  request: Request,
  { params }: { params: Promise<{ pilot: string; file: string }> },
): Promise<Response> {
  const { pilot, file } = await params;
  const since = new URL(request.url).searchParams.get("since");
  return answerDownload((who, units) => downloadReport(who, isUuid(pilot) ? pilot : "", file, since, units));
}
