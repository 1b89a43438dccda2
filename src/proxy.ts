import { NextResponse, type NextRequest } from "next/server";
import { databaseAnswers } from "@/server/database";

/** What pages may load and run: our own files, and scripts that carry this request's nonce. */
function contentSecurityPolicy(nonce: string): string {
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'`,
    // Style attributes and the style tags of the component library; styles cannot run anything.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data:",
    // A film of this device beside a recording: opened, never sent.
    "media-src 'self' blob:",
    "font-src 'self'",
    // Made-up aircraft on this machine, where there are any.
    `connect-src 'self'${standInOrigin()}`,
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join("; ");
}

/** The address of the made-up aircraft, as the policy names it. */
function standInOrigin(): string {
  const address = process.env.BATHYGON_STAND_IN;
  return address && URL.canParse(address) ? ` ${new URL(address).origin}` : "";
}

/** What a page needs before anything of it is made; nothing of ours is loaded for it. */
const AWAY_PAGE = `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Bathygon</title>
<meta name="viewport" content="width=device-width,initial-scale=1"><meta http-equiv="refresh" content="3"></head>
<body style="font-family:sans-serif;max-width:34rem;margin:4rem auto;padding:0 1.5rem;line-height:1.5">
<h1>The records cannot be read just now</h1><p>The application is up, but its database is not answering; most often it is being
restarted. Nothing is lost. This page looks again every few seconds and comes back by itself.</p></body></html>`;

/** A page without its database is answered as what it is: not an error, but not there now (503). */
async function away(request: NextRequest): Promise<NextResponse | null> {
  const page = request.method === "GET" && request.headers.get("sec-fetch-dest") !== "empty";
  if (!page || !request.headers.get("accept")?.includes("text/html") || (await databaseAnswers())) return null;
  return new NextResponse(AWAY_PAGE, {
    status: 503,
    headers: { "content-type": "text/html; charset=utf-8", "retry-after": "3", "cache-control": "no-store" },
  });
}

/** Gives every page an id for the log a fresh nonce and the policy that goes with it. */
export async function proxy(request: NextRequest): Promise<NextResponse> {
  const instead = await away(request);
  if (instead) return instead;
  const nonce = Buffer.from(crypto.randomUUID()).toString("base64");
  const policy = contentSecurityPolicy(nonce);
  const headers = new Headers(request.headers);
  headers.set("x-nonce", nonce);
  headers.set("x-bathygon-request", crypto.randomUUID());
  headers.set("content-security-policy", policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set("content-security-policy", policy);
  return response;
}

export const config = { matcher: [{ source: "/((?!_next/static|api/|healthz|readyz).*)" }] };
