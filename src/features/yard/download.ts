import "server-only";
import { need, requireAccess } from "@/server/access";
import type { SignedIn } from "@/server/accounts";
import { there } from "@/server/actions";
import { pdfOf } from "@/server/files";
import { findSite, findSitePicture, findSitePlan } from "@/server/repositories";
import type { UnitSystem } from "@/words";
import { coursePaper } from "./course-paper";

/** A course of a site's plan as it is saved, on one page of PDF. Throws a Refusal for one that is not there, and for what is not theirs. */
export async function coursePage(
  who: SignedIn,
  siteId: string,
  courseId: string,
  units: UnitSystem,
): Promise<Response> {
  await requireAccess(who, [need("reader", "site", siteId)]);
  const [site, kept] = await Promise.all([findSite(siteId), findSitePlan(siteId)]);
  const course = there(
    kept?.plan.courses.find(({ id }) => id === courseId),
    "That course",
  );
  const body = await pdfOf(coursePaper(there(site, "That site"), kept!.plan, course, units));
  return new Response(body, {
    headers: {
      "content-type": "application/pdf",
      "content-disposition": `attachment; filename="course-${courseId.replace(/[^\w-]/g, "").slice(-12)}.pdf"`,
      "cache-control": "no-store",
    },
  });
}

/** A picture of a site's plan. Throws a Refusal where there is none, and for what is not theirs. */
export async function sitePicture(who: SignedIn, siteId: string, pictureId: string): Promise<Response> {
  await requireAccess(who, [need("reader", "site", siteId)]);
  const { jpeg, hash } = there(await findSitePicture(siteId, pictureId), "That picture");
  return new Response(new Uint8Array(jpeg), {
    headers: { "content-type": "image/jpeg", etag: `"${hash}"`, "cache-control": "private, no-cache" },
  });
}
