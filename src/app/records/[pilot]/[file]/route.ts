import { randomUUID } from "node:crypto";
import { currentAccount } from "@/server/accounts";
import { databaseIsAway, Refusal } from "@/server/actions";
import { causeForLog, log } from "@/server/log";
import { downloadRecord } from "@/features/records";
import { isUuid } from "@/features/shell";

/** A pilot's record as a file, for their coaches and themselves. */
export async function GET(
  _: Request,
  { params }: { params: Promise<{ pilot: string; file: string }> },
): Promise<Response> {
  const { pilot, file } = await params;
  const requestId = randomUUID();
  const plain = (status: number, message: string) =>
    new Response(`${message}\n`, { status, headers: { "content-type": "text/plain; charset=utf-8" } });
  try {
    const who = await currentAccount();
    if (!who) return plain(401, "You are not signed in.");
    return await downloadRecord(who, isUuid(pilot) ? pilot : "", file);
  } catch (error) {
    if (error instanceof Refusal) return plain(error.status, error.message);
    log("error", { requestId, cause: causeForLog(error) });
    return plain(
      databaseIsAway(error) ? 503 : 500,
      `The record cannot be read just now. Error ${requestId}, also in the server's log.`,
    );
  }
}
