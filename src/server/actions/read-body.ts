import "server-only";
import { Refusal } from "./errors";

/** Most actions need no more; what is longer is refused before it is parsed. */
const USUAL_BYTES = 64 * 1024;

/** Throws a Refusal for a request that another site makes a browser send. Before anything else is looked at. */
export function requireOwnPages(request: Request): void {
  if (!fromOwnPages(request)) throw new Refusal(403, "This came from another site and is not taken.");
}

/** The JSON of a request. Throws a Refusal for anything else. */
export async function readBody(request: Request, longestBytes = USUAL_BYTES): Promise<unknown> {
  if (!/^application\/json\b/i.test(request.headers.get("content-type") ?? ""))
    throw new Refusal(415, "Only JSON is taken here.");
  const text = await readText(request, longestBytes);
  if (text === null) throw new Refusal(413, `Longer than ${longestBytes / 1024} kB; nothing here needs that much.`);
  try {
    return JSON.parse(text) as unknown;
  } catch {
    throw new Refusal(400, "The request is not JSON.");
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
async function readText(request: Request, longestBytes: number): Promise<string | null> {
  if (Number(request.headers.get("content-length") ?? 0) > longestBytes) return null;
  if (!request.body) return "";
  const decoder = new TextDecoder();
  let text = "";
  let bytes = 0;
  const reader = request.body.getReader();
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return text + decoder.decode();
    bytes += value.byteLength;
    if (bytes > longestBytes) {
      await reader.cancel();
      return null;
    }
    text += decoder.decode(value, { stream: true });
  }
}
