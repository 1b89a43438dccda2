import { answerDownload, isUuid } from "@/features/shell";
import { downloadSyllabus } from "@/features/syllabus";

/** A squad's syllabus as JSON or as a booklet, for its coaches and pilots. */
export async function GET(
  _: Request,
  { params }: { params: Promise<{ squad: string; file: string }> },
): Promise<Response> {
  const { squad, file } = await params;
  return answerDownload((who, units) => downloadSyllabus(who, isUuid(squad) ? squad : "", file, units));
}
