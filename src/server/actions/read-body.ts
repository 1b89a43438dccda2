import "server-only";
import type { ActionResult } from "./run-action";

/** No action needs more; what is longer is refused before it is parsed. */
const LONGEST_BYTES = 64 * 1024;

const refuse = (status: number, message: string): ActionResult<unknown> => ({ ok: false, status, message, fields: {} });

/** The JSON of a request from our own pages, or why it is not taken. */
export async function readBody(request: Request): Promise<ActionResult<unknown>> {
  if (!fromOwnPages(request)) return refuse(403, "This came from another site and is not taken.");
  if (!/^application\/json\b/i.test(request.headers.get("content-type") ?? ""))
    return refuse(415, "Only JSON is taken here.");
  const text = await readText(request);
  if (text === null) return refuse(413, `Longer than ${LONGEST_BYTES / 1024} kB; nothing here needs that much.`);
  try {
    return { ok: true, data: JSON.parse(text) as unknown };
  } catch {
    return refuse(400, "The request is not JSON.");
  }
}

/** Browsers say where a request that writes comes from; another origin is refused. Programs that are no browser say nothing. */
function fromOwnPages(request: Request): boolean {
  const origin = request.headers.get("origin");
  if (origin === null) return request.headers.get("sec-fetch-site") !== "cross-site";
  try {
    return new URL(origin).host === request.headers.get("host");
  } catch {
    return false;
  }
}

/** The body as text, or null as soon as it is too long. */
async function readText(request: Request): Promise<string | null> {
  if (Number(request.headers.get("content-length") ?? 0) > LONGEST_BYTES) return null;
  if (!request.body) return "";
  const decoder = new TextDecoder();
  let text = "";
  let bytes = 0;
  const reader = request.body.getReader();
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return text + decoder.decode();
    bytes += value.byteLength;
    if (bytes > LONGEST_BYTES) {
      await reader.cancel();
      return null;
    }
    text += decoder.decode(value, { stream: true });
  }
}
