import { answerDownload, isUuid } from "@/features/shell";
import { sitePicture } from "@/features/yard";

/** A picture of a site's plan, for everybody who may see the site. */
export async function GET(
  _: Request,
  { params }: { params: Promise<{ site: string; picture: string }> },
): Promise<Response> {
  const { site, picture } = await params;
  return answerDownload((who) => sitePicture(who, isUuid(site) ? site : "", isUuid(picture) ? picture : ""));
}
