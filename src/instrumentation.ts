import type { Instrumentation } from "next";

/** Serves the numbers of this process where a port for them is named. */
export async function register(): Promise<void> {
  // Put in at the build, so that it is to be written out whole.
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  const { BATHYGON_METRICS_PORT: port, BATHYGON_METRICS_HOST: host = "127.0.0.1" } = process.env;
  if (!port) return;
  const { serveMetrics } = await import("@/server/metrics");
  serveMetrics(Number(port), host);
}

/** What fails while a page is made is logged with the id of its request, and the digest that the page shows. */
export const onRequestError: Instrumentation.onRequestError = async (error, request, { routePath }) => {
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  const { causeForLog, log } = await import("@/server/log");
  const requestId = request.headers["x-bathygon-request"];
  const { digest } = error as Error & { digest?: string };
  log("error", { requestId, page: routePath, digest, cause: causeForLog(error) });
};
