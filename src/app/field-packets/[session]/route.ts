import { downloadPacket } from "@/features/field";
import { answerDownload, isUuid } from "@/features/shell";

/** What a session needs in the field, for the devices of its coaches and of the pilots who fly in it. */
export async function GET(_: Request, { params }: { params: Promise<{ session: string }> }): Promise<Response> {
  const { session } = await params;
  return answerDownload((who) => downloadPacket(who, isUuid(session) ? session : ""));
}
