import { downloadSquads } from "@/features/field";
import { answerDownload } from "@/features/shell";

/** The squads of a coach, for a device that is to begin sessions without a network. */
export async function GET(): Promise<Response> {
  return answerDownload(downloadSquads);
}
