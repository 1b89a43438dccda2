import "server-only";
import { pdfOf } from "@/server/files";
import { need, requireAccess } from "@/server/access";
import type { SignedIn } from "@/server/accounts";
import { Refusal } from "@/server/actions";
import { findAircraft, findPilot, latestSetups } from "@/server/repositories";
import { cardContent } from "./card-content";
import { cardPapers, type CardPaper } from "./papers";

/** The newest setup of an aircraft as a one-page PDF. Throws a Refusal for a paper there is none for, and for what is not theirs. */
export async function setupCard(who: SignedIn, aircraftId: string, paper: string): Promise<Response> {
  await requireAccess(who, [need("reader", "aircraft", aircraftId)]);
  if (!cardPapers.some((known) => known === paper))
    throw new Refusal(404, `Cards are made for ${cardPapers.join(" and ")}.`);
  const aircraft = (await findAircraft(aircraftId))!;
  const [pilot, setups] = await Promise.all([findPilot(aircraft.pilotId), latestSetups([aircraft.pilotId])]);
  const setup = setups.get(aircraftId);
  if (!pilot || !setup) throw new Refusal(404, "That aircraft has no setup yet.");
  const body = await pdfOf(cardContent(pilot, aircraft, setup, paper as CardPaper));
  return new Response(body, {
    headers: {
      "content-type": "application/pdf",
      "content-disposition": `attachment; filename="setup-card-${aircraftId.slice(-6)}-${setup.number}-${paper}.pdf"`,
      "cache-control": "no-store",
    },
  });
}
