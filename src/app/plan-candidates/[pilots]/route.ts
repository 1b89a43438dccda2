import { downloadCandidates } from "@/features/plan";
import { answerDownload, isUuid } from "@/features/shell";

/** What some pilots could fly, their ids parted by commas, for a plan that takes them in. */
export async function GET(_: Request, { params }: { params: Promise<{ pilots: string }> }): Promise<Response> {
  const ids = decodeURIComponent((await params).pilots).split(",");
  return answerDownload((who) => downloadCandidates(who, ids.filter(isUuid)));
}
