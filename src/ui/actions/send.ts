import type { ActionInput, ActionName, ActionOutput, ActionResult } from "@/contract";

/** What an action answers, as the browser sees it: the status is 0 when nothing answered. */
export type SendResult<Name extends ActionName> = ActionResult<ActionOutput<Name>>;

const UNREACHABLE = {
  ok: false,
  status: 0,
  message: "No connection. What you entered is still here; try again when it is back.",
  fields: {},
} as const;

/** What was done earlier is sent for the account that did it, with the clock of the device beside it. */
export interface SentLater {
  readonly accountId: string;
}

/** Sends an action to the server. Never throws: a dead network is a result too. */
export async function send<Name extends ActionName>(
  action: Name,
  input: ActionInput<Name>,
  later?: SentLater,
): Promise<SendResult<Name>> {
  let response: Response;
  try {
    response = await fetch(`/api/${action}`, {
      method: "POST",
      headers: {
        "content-type": "application/json",
        ...(later && { "x-bathygon-account": later.accountId, "x-bathygon-device-ms": String(Date.now()) }),
      },
      body: JSON.stringify(input),
    });
  } catch {
    return UNREACHABLE;
  }
  try {
    const body: SendResult<Name> = await response.json();
    return body.ok ? body : { ...body, status: response.status };
  } catch {
    return {
      ...UNREACHABLE,
      status: response.status,
      message: "The answer could not be read. What you entered is still here; try again.",
    };
  }
}

/** True when sending the same thing again later, or after signing in, may succeed. */
export function isTemporary(status: number): boolean {
  return status === 0 || status >= 500 || status === 429 || status === 401;
}
