import { answerDownload, isUuid } from "@/features/shell";
import { downloadRecording } from "@/features/tape";

/** A kept recording as the file it was, or one packed piece of it, for its pilot and their coaches. */
export async function GET(
  _: Request,
  { params }: { params: Promise<{ recording: string; file: string }> },
): Promise<Response> {
  const { recording, file } = await params;
  return answerDownload((who) => downloadRecording(who, isUuid(recording) ? recording : "", file));
}
