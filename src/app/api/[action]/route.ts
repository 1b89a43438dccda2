import { randomUUID } from "node:crypto";
import { currentAccount, deviceKind, setToken } from "@/server/accounts";
import type { ActionResult } from "@/contract";
import { runAction, type Asker } from "@/server/actions";
import { readBody, requireOwnPages } from "@/server/actions/read-body";
import { unitsIn } from "@/features/shell";
import { log } from "@/server/log";
import { findAction } from "./registry";

/** The one address every action is sent to: JSON in, a typed result out, the HTTP status to match. */
export async function POST(request: Request, { params }: { params: Promise<{ action: string }> }): Promise<Response> {
  const startedMs = Date.now();
  const requestId = randomUUID();
  const { action: name } = await params;
  const action = findAction(name);
  const result: ActionResult<unknown> = action
    ? await runAction(action, () => readBody(request, action.longestBytes), askerOf(request, requestId))
    : { ok: false, status: 404, message: "There is no such action.", fields: {} };
  const status = result.ok ? 200 : result.status;
  log("info", { requestId, action: action ? name : "unknown", status, ms: Date.now() - startedMs });
  return Response.json(result, { status, headers: { "cache-control": "no-store", "x-request-id": requestId } });
}

function momentOf(text: string | null): number | null {
  return text !== null && /^\d{1,15}$/.test(text) ? Number(text) : null;
}

function askerOf(request: Request, requestId: string): Asker {
  return {
    identify: () => {
      requireOwnPages(request);
      return currentAccount();
    },
    // The last hop is what the nearest proxy, or the server itself, saw; whatever stands before it the visitor may have written.
    address: request.headers.get("x-forwarded-for")?.split(",").at(-1)?.trim() ?? "local",
    doneByAccountId: request.headers.get("x-bathygon-account"),
    deviceNowMs: momentOf(request.headers.get("x-bathygon-device-ms")),
    device: deviceKind(request.headers.get("user-agent") ?? ""),
    units: unitsIn(request),
    requestId,
    setToken,
  };
}
