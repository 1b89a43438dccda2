import "server-only";
import { need, requireAccess } from "@/server/access";
import type { SignedIn } from "@/server/accounts";
import { Refusal } from "@/server/actions";
import { MOST_CANDIDATES } from "./limits";
import { loadCandidates } from "./load";

/** What those pilots could fly. Throws a Refusal where one of them is not theirs to see. */
export async function downloadCandidates(who: SignedIn, pilotIds: readonly string[]): Promise<Response> {
  if (pilotIds.length > MOST_CANDIDATES) throw new Refusal(400, `At most ${MOST_CANDIDATES} pilots at a time.`);
  await requireAccess(
    who,
    pilotIds.map((id) => need("reader", "pilot", id)),
  );
  return Response.json(await loadCandidates(who, pilotIds), { headers: { "cache-control": "no-store" } });
}
