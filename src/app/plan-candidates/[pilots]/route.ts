import { downloadCandidates } from "@/features/plan";
import { answerDownload, isUuid } from "@/features/shell";

/** What some pilots could fly, their ids parted by commas, for a plan that takes them in. */
export async function GET(_: Request, { params }: { params: Promise<{ pilots: string }> }): Promise<Response> {
  const ids = (await params).pilots.split(/,|%2C/i);
  return answerDownload((who) =>
    downloadCandidates(
      who,
      ids.map((id) => (isUuid(id) ? id : "")),
    ),
  );
}
