import { currentAccount, deviceKind, setToken } from "@/server/accounts";
import { runAction, type ActionResult, type Asker } from "@/server/actions";
import { readBody } from "@/server/actions/read-body";
import { findAction } from "./registry";

/** The one address every action is sent to: JSON in, a typed result out, the HTTP status to match. */
export async function POST(request: Request, { params }: { params: Promise<{ action: string }> }): Promise<Response> {
  const action = findAction((await params).action);
  if (!action) return answer({ ok: false, status: 404, message: "There is no such action.", fields: {} });
  const body = await readBody(request);
  if (!body.ok) return answer(body);
  return answer(await runAction(action, body.data, askerOf(request)));
}

function askerOf(request: Request): Asker {
  return {
    identify: currentAccount,
    address: request.headers.get("x-forwarded-for")?.split(",")[0].trim() ?? "local",
    device: deviceKind(request.headers.get("user-agent") ?? ""),
    setToken,
  };
}

function answer(result: ActionResult<unknown>): Response {
  return Response.json(result, { status: result.ok ? 200 : result.status, headers: { "cache-control": "no-store" } });
}
