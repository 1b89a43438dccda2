import { downloadTally } from "@/features/field";
import { answerDownload, isUuid } from "@/features/shell";

/** A session as it is now, for the devices of its coaches and of the pilots who fly in it. */
export async function GET(_: Request, { params }: { params: Promise<{ session: string }> }): Promise<Response> {
  const { session } = await params;
  return answerDownload((who) => downloadTally(who, isUuid(session) ? session : ""));
}
