import { downloadTry } from "@/features/practice";
import { answerDownload, isUuid } from "@/features/shell";

/** The packed sticks of a kept try, for its pilot and their coaches. */
export async function GET(_: Request, { params }: { params: Promise<{ attempt: string }> }): Promise<Response> {
  const { attempt } = await params;
  return answerDownload((who) => downloadTry(who, isUuid(attempt) ? attempt : ""));
}
