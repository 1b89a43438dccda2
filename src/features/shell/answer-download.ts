import "server-only";
import { randomUUID } from "node:crypto";
import { currentAccount, type SignedIn } from "@/server/accounts";
import { databaseIsAway, Refusal } from "@/server/actions";
import { causeForLog, log } from "@/server/log";
import type { UnitSystem } from "@/words";
import { chosenUnits } from "./chosen-units";

/** Answers a download for whoever is signed in: the file, or in plain words why not; figures in the units chosen on the device. Every download route is this. */
export async function answerDownload(make: (who: SignedIn, units: UnitSystem) => Promise<Response>): Promise<Response> {
  const requestId = randomUUID();
  const plain = (status: number, message: string) =>
    new Response(`${message}\n`, { status, headers: { "content-type": "text/plain; charset=utf-8" } });
  try {
    const who = await currentAccount();
    if (!who) return plain(401, "You are not signed in.");
    return await make(who, await chosenUnits());
  } catch (error) {
    if (error instanceof Refusal) return plain(error.status, error.message);
    log("error", { requestId, cause: causeForLog(error) });
    return plain(
      databaseIsAway(error) ? 503 : 500,
      `The file cannot be made just now. Error ${requestId}, also in the server's log.`,
    );
  }
}
