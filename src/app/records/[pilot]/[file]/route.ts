import { downloadRecord } from "@/features/records";
import { answerDownload, isUuid } from "@/features/shell";

/** A pilot's record as a file, for their coaches and themselves. */
export async function GET(
  _: Request,
  { params }: { params: Promise<{ pilot: string; file: string }> },
): Promise<Response> {
  const { pilot, file } = await params;
  return answerDownload((who) => downloadRecord(who, isUuid(pilot) ? pilot : "", file));
}
