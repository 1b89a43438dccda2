import { downloadBriefs } from "@/features/field";
import { answerDownload, isUuid } from "@/features/shell";

/** The briefs of a session, unless they are still those of the tag asked with. */
export async function GET(request: Request, { params }: { params: Promise<{ session: string }> }): Promise<Response> {
  const { session } = await params;
  const unless = new URL(request.url).searchParams.get("unless");
  return answerDownload((who) => downloadBriefs(who, isUuid(session) ? session : "", unless));
}
