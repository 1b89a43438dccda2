import { readiness } from "@/server/readiness";

/** For a balancer: 200 while requests may come here, else 503 with why not. */
export async function GET(): Promise<Response> {
  const state = await readiness();
  return Response.json(state, { status: state.ready ? 200 : 503, headers: { "cache-control": "no-store" } });
}
