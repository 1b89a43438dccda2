import { downloadDebrief } from "@/features/debrief";
import { answerDownload, isUuid } from "@/features/shell";

/** The debrief of a session as PDF, for its coaches and the pilots who flew in it; `?pilot=` of one of them. */
export async function GET(request: Request, { params }: { params: Promise<{ session: string }> }): Promise<Response> {
  const { session } = await params;
  const pilot = new URL(request.url).searchParams.get("pilot");
  const pilotId = pilot === null || isUuid(pilot) ? pilot : "";
  return answerDownload((who, units) => downloadDebrief(who, isUuid(session) ? session : "", pilotId, units));
}
