import "server-only";
import { subscribe } from "node:diagnostics_channel";
import { createServer, type IncomingMessage, type Server, type ServerResponse } from "node:http";
import { collectDefaultMetrics, Gauge, Histogram, Registry } from "prom-client";
import { database } from "./database";
import { causeForLog, log } from "./log";

/** What Node says of each request that any server of this process was asked (node:diagnostics_channel). */
interface RequestMessage {
  readonly request: IncomingMessage;
  readonly response: ServerResponse;
  readonly server: Server;
}

/** Seconds by which requests are told apart: what nobody notices, what is felt, what is ill. Ours. */
const BUCKETS_S = [0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10];

/** What kind of thing an address is: few, so that the numbers stay few. */
export function kindOf(path: string): "action" | "file" | "health" | "page" {
  if (path.startsWith("/api/")) return "action";
  if (path.startsWith("/_next/") || /\.\w+$/.test(path)) return "file";
  return path === "/healthz" || path === "/readyz" ? "health" : "page";
}

/** The numbers of this process: its own, those of the pool, and how long requests took. Nothing in them names anybody. */
function createMetrics(): { readonly registry: Registry; readonly leaveOut: (server: Server) => void } {
  const registry = new Registry();
  collectDefaultMetrics({ register: registry, prefix: "bathygon_" });
  const requests = new Histogram({
    name: "bathygon_request_seconds",
    help: "Time from the first byte of a request to the last of its answer",
    labelNames: ["kind", "status"] as const,
    buckets: BUCKETS_S,
    registers: [registry],
  });
  new Gauge({
    name: "bathygon_database_connections",
    help: "Connections of the pool by state; waiting are requests that want one",
    labelNames: ["state"] as const,
    registers: [registry],
    collect() {
      const { pool } = database().client as {
        pool: { numUsed: () => number; numFree: () => number; numPendingAcquires: () => number };
      };
      this.set({ state: "used" }, pool.numUsed());
      this.set({ state: "free" }, pool.numFree());
      this.set({ state: "waiting" }, pool.numPendingAcquires());
    },
  });
  const begun = new WeakMap<IncomingMessage, number>();
  const leftOut = new WeakSet<Server>();
  subscribe("http.server.request.start", (message) => {
    begun.set((message as RequestMessage).request, performance.now());
  });
  subscribe("http.server.response.finish", (message) => {
    const { request, response, server } = message as RequestMessage;
    const startedMs = begun.get(request);
    if (startedMs === undefined || leftOut.has(server)) return;
    const kind = kindOf((request.url ?? "/").split("?")[0]);
    const status = `${Math.floor(response.statusCode / 100)}xx`;
    requests.observe({ kind, status }, (performance.now() - startedMs) / 1000);
  });
  return { registry, leaveOut: (server) => leftOut.add(server) };
}

/** Serves the numbers in the open text format on a port of their own, for whoever watches. */
export function serveMetrics(port: number, host: string): Server {
  const { registry, leaveOut } = createMetrics();
  const server = createServer((request, response) => {
    if (request.url !== "/metrics") {
      response.writeHead(404).end();
      return;
    }
    registry.metrics().then(
      (text) => response.writeHead(200, { "content-type": registry.contentType }).end(text),
      (error: Error) => response.writeHead(500).end(error.message),
    );
  });
  leaveOut(server);
  // Another process may have the port: squads are served without numbers too.
  server.on("error", (error) => log("error", { doing: "serve the numbers", port, cause: causeForLog(error) }));
  return server.listen(port, host);
}
