import { downloadStartHeight } from "@/features/brief";
import { answerDownload } from "@/features/shell";

/** A minimum start height that was worked out before, for whoever is signed in. */
export async function GET(_: Request, { params }: { params: Promise<{ key: string }> }): Promise<Response> {
  const { key } = await params;
  return answerDownload(() => downloadStartHeight(key));
}
