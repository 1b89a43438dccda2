import "server-only";
import { need, requireAccess } from "@/server/access";
import type { SignedIn } from "@/server/accounts";
import { there } from "@/server/actions";
import { findKeptTry } from "@/server/repositories";

/** The packed sticks of a kept try. Throws a Refusal for one that is not there or not theirs. */
export async function downloadTry(who: SignedIn, attemptId: string): Promise<Response> {
  await requireAccess(who, [need("reader", "attempt", attemptId)]);
  const packed = there(await findKeptTry(attemptId), "The sticks of that try");
  return new Response(new Uint8Array(packed), {
    headers: { "content-type": "application/octet-stream", "cache-control": "no-store" },
  });
}
