import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { database } from "./database";
import { kindOf, serveMetrics } from "./metrics";

const portOf = (server: Server) => (server.address() as AddressInfo).port;
const listening = async (server: Server) => {
  if (!server.listening) await new Promise((done) => server.once("listening", done));
  return `http://127.0.0.1:${portOf(server)}`;
};

it("tells few kinds of requests apart", () => {
  expect(["/api/sign-in", "/_next/static/x.js", "/manifest.json", "/readyz", "/squad", "/"].map(kindOf)).toEqual([
    "action",
    "file",
    "file",
    "health",
    "page",
    "page",
  ]);
});

it("counts requests by kind and status, its own left out, beside the pool and the process", async () => {
  const metrics = serveMetrics(0, "127.0.0.1");
  const application = createServer((request, response) =>
    response.writeHead(request.url === "/squad?pilot=1" ? 200 : 503).end("x"),
  ).listen(0, "127.0.0.1");
  const [watched, own] = [await listening(application), await listening(metrics)];
  for (const path of ["/squad?pilot=1", "/squad?pilot=1", "/api/log-attempt"])
    await (await fetch(watched + path)).text();
  await (await fetch(`${own}/metrics`)).text();
  const text = await (await fetch(`${own}/metrics`)).text();
  expect(text).toContain('bathygon_request_seconds_count{kind="page",status="2xx"} 2');
  expect(text).toContain('bathygon_request_seconds_count{kind="action",status="5xx"} 1');
  expect(text.match(/bathygon_request_seconds_count/g)).toHaveLength(2);
  expect(text).toMatch(/bathygon_database_connections\{state="waiting"\} 0/);
  expect(text).toContain("bathygon_process_cpu_seconds_total");
  // Nothing of an address but its kind.
  expect(text).not.toContain("pilot=1");
  expect((await fetch(`${own}/elsewhere`)).status).toBe(404);
  for (const server of [metrics, application]) {
    server.closeAllConnections();
    server.close();
  }
  await database().destroy();
});
