import "server-only";
import { Refusal } from "./errors";
import { DEEPEST, tooDeep } from "./nesting";

/** Most actions need no more; what is longer is refused before it is parsed. */
const USUAL_BYTES = 64 * 1024;

/** Throws a Refusal for a request that another site makes a browser send. Before anything else is looked at. */
export function requireOwnPages(request: Request): void {
  if (!fromOwnPages(request)) throw new Refusal(403, "This came from another site and was refused.");
}

/** The JSON of a request. Throws a Refusal for anything else. */
export async function readBody(request: Request, longestBytes = USUAL_BYTES): Promise<unknown> {
  if (!/^application\/json\b/i.test(request.headers.get("content-type") ?? ""))
    throw new Refusal(415, "Only JSON is accepted here.");
  const text = await readText(request, longestBytes);
  if (text === null) throw new Refusal(413, `Longer than ${longestBytes / 1024} kB; nothing here needs that much.`);
  requireCounted(text);
  try {
    return JSON.parse(text) as unknown;
  } catch {
    throw new Refusal(400, "The request is not JSON.");
  }
}

/** Values of a whole file, of ten years of flying and more, and fields of one object. More is made to do harm. */
const MOST_VALUES = 1_500_000;
const MOST_KEYS = 5_000;

/**
 * Counts values, keys and levels in the text, before anything is made of it: parsing millions of small things would take the memory of everybody. Text
 * that is no JSON is left for the parser to say so.
 */
function requireCounted(text: string): void {
  // Commas of each open object; a list has as many as it likes, within the whole.
  const keys: number[] = [];
  let values = 1;
  let inText = false;
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i);
    if (inText) {
      if (code === BACKSLASH) i++;
      else if (code === QUOTE) inText = false;
      continue;
    }
    switch (code) {
      case QUOTE:
        inText = true;
        break;
      case OPEN_OBJECT:
      case OPEN_LIST:
        keys.push(code === OPEN_OBJECT ? 1 : Number.NEGATIVE_INFINITY);
        values++;
        if (keys.length > DEEPEST) throw tooDeep("The request");
        break;
      case CLOSE_OBJECT:
      case CLOSE_LIST:
        keys.pop();
        break;
      case COMMA:
        values++;
        if (keys.length > 0 && ++keys[keys.length - 1] > MOST_KEYS)
          throw new Refusal(422, `One object with more than ${MOST_KEYS} fields; nothing here has so many.`);
        break;
    }
    if (values > MOST_VALUES) throw new Refusal(413, `More than ${MOST_VALUES} values; nothing here needs that many.`);
  }
}
const QUOTE = 0x22;
const BACKSLASH = 0x5c;
const COMMA = 0x2c;
const OPEN_OBJECT = 0x7b;
const CLOSE_OBJECT = 0x7d;
const OPEN_LIST = 0x5b;
const CLOSE_LIST = 0x5d;

/** Browsers say where a request that writes comes from; another origin is refused. Programs that are no browser say nothing. */
function fromOwnPages(request: Request): boolean {
  const origin = request.headers.get("origin");
  if (origin === null) return request.headers.get("sec-fetch-site") !== "cross-site";
  try {
    // Where it is said under which address this is served, nothing that a request says of itself counts.
    const { host, origin: from } = new URL(origin);
    const own = process.env.BATHYGON_ORIGIN;
    return own ? from === new URL(own).origin : host === request.headers.get("host");
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
