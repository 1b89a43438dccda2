import { setupCard } from "@/features/setup";
import { answerDownload, isUuid } from "@/features/shell";

/** The setup card of an aircraft as PDF, for the pilot and their coaches. */
export async function GET(
  _: Request,
  { params }: { params: Promise<{ aircraft: string; paper: string }> },
): Promise<Response> {
  const { aircraft, paper } = await params;
  return answerDownload((who, units) => setupCard(who, isUuid(aircraft) ? aircraft : "", paper, units));
}
