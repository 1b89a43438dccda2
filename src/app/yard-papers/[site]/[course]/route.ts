import { answerDownload, isUuid } from "@/features/shell";
import { coursePage } from "@/features/yard";

/** A course of a site on one page, for everybody who may see the site. */
export async function GET(
  _: Request,
  { params }: { params: Promise<{ site: string; course: string }> },
): Promise<Response> {
  const { site, course } = await params;
  return answerDownload((who, units) => coursePage(who, isUuid(site) ? site : "", course, units));
}
