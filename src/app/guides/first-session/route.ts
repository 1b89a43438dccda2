import { downloadFirstSession } from "@/features/report";
import { answerDownload } from "@/features/shell";

/** The page for a coach's first session, to print. */
export async function GET(): Promise<Response> {
  return answerDownload(downloadFirstSession);
}
