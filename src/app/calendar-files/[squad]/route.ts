import { downloadCalendar } from "@/features/calendar";
import { answerDownload, isUuid } from "@/features/shell";

/** The sessions of a squad as iCalendar, for its coaches and pilots. */
export async function GET(_: Request, { params }: { params: Promise<{ squad: string }> }): Promise<Response> {
  const { squad } = await params;
  return answerDownload((who) => downloadCalendar(who, isUuid(squad) ? squad : ""));
}
