import { downloadDebrief } from "@/features/debrief";
import { answerDownload, isUuid } from "@/features/shell";

/** The debrief of a session as PDF, for its coaches and the pilots who flew in it. */
export async function GET(_: Request, { params }: { params: Promise<{ session: string }> }): Promise<Response> {
  const { session } = await params;
  return answerDownload((who) => downloadDebrief(who, isUuid(session) ? session : ""));
}
