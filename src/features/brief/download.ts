import "server-only";
import { findStartHeight } from "@/server/repositories";

/** The minimum start height kept under a key, or null, as JSON. */
export async function downloadStartHeight(key: string): Promise<Response> {
  const kept = /^[0-9a-f]{32}$/.test(key) ? await findStartHeight(key) : null;
  return Response.json(kept, { headers: { "cache-control": "no-store" } });
}
