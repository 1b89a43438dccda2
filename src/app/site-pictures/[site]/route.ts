import { answerDownload, isUuid } from "@/features/shell";
import { sitePicture } from "@/features/yard";

/** The picture under a site's plan, for everybody who may see the site. */
export async function GET(_: Request, { params }: { params: Promise<{ site: string }> }): Promise<Response> {
  const { site } = await params;
  return answerDownload((who) => sitePicture(who, isUuid(site) ? site : ""));
}
