import type { Instrumentation } from "next";

/** What fails while a page is made is logged with the id of its request, and the digest that the page shows. */
export const onRequestError: Instrumentation.onRequestError = async (error, request, { routePath }) => {
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  const { causeForLog, log } = await import("@/server/log");
  const requestId = request.headers["x-bathygon-request"];
  const { digest } = error as Error & { digest?: string };
  log("error", { requestId, page: routePath, digest, cause: causeForLog(error) });
};
