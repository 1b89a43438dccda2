// Starts the application's server. Copied into every build as start.cjs.
// TRACE is refused here: the framework cannot make a request of it, and would answer 500.
const http = require("node:http");

// The framework's own way to stop cuts off what is under way.
process.env.NEXT_MANUAL_SIG_HANDLE = "true";
/** So long a balancer may take to see that nothing more is to come here, ms. */
const drainMs = 1000 * Number(process.env.BATHYGON_DRAIN_S ?? 0);
/** What is under way then is given so long, ms. */
const LONGEST_STOP_MS = 30_000;
const servers = [];

const createServer = http.createServer;
http.createServer = function create(...given) {
  const server = createServer.apply(this, given);
  servers.push(server);
  const listeners = server.listeners("request");
  server.removeAllListeners("request");
  server.on("request", (request, response) => {
    if (request.method === "TRACE" || request.method === "TRACK") {
      response.writeHead(405, { allow: "GET, HEAD, POST" });
      response.end();
      return;
    }
    // Who is answered while it stops asks another process the next time.
    if (globalThis.bathygonStopping) response.setHeader("connection", "close");
    for (const listener of listeners) listener.call(server, request, response);
  });
  return server;
};

/** Answers what is under way, takes nothing more, and ends. */
async function stop() {
  if (globalThis.bathygonStopping) return;
  // From here readyz says no.
  globalThis.bathygonStopping = true;
  await new Promise((done) => setTimeout(done, drainMs));
  setTimeout(() => process.exit(1), LONGEST_STOP_MS).unref();
  await Promise.all(
    servers.map(
      (server) =>
        new Promise((done) => {
          server.close(done);
          server.closeIdleConnections();
        }),
    ),
  );
  process.exit(0);
}
for (const signal of ["SIGTERM", "SIGINT"]) process.on(signal, () => void stop());
require("./server.js");
