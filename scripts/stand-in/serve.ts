import { randomBytes } from "node:crypto";
import { createServer } from "node:http";
import { WebSocketServer } from "ws";
import { AircraftOnLine } from "./aircraft-on-line";

/**
 * Made-up aircraft on a socket of this machine: scripts/stand-in/serve.ts [--port=0] --origin=http://127.0.0.1:3000. Prints the address that the application
 * is told in BATHYGON_STAND_IN; whoever comes from another origin or without its secret is turned away. Every line gets an aircraft of its own.
 */
const option = (name: string) => process.argv.find((one) => one.startsWith(`--${name}=`))?.slice(name.length + 3);
const origin = option("origin") ?? "http://127.0.0.1:3000";
const token = option("token") ?? randomBytes(18).toString("base64url");
const TICK_MS = 20;
const [LEAST_HZ, MOST_HZ, USUAL_HZ] = [50, 1000, 250];
const LONGEST_LINE = 64 * 1024;
const MOST_LINES = 8;

const server = createServer((_, response) => response.writeHead(404).end());
const sockets = new WebSocketServer({ noServer: true, maxPayload: LONGEST_LINE });
server.on("upgrade", (request, socket, head) => {
  const url = new URL(request.url ?? "/", "http://127.0.0.1");
  const allowed = request.headers.origin === origin && url.searchParams.get("token") === token;
  if (!allowed || sockets.clients.size >= MOST_LINES) return socket.end("HTTP/1.1 403 Forbidden\r\n\r\n");
  sockets.handleUpgrade(request, socket, head, (client) => {
    const asked = Number(url.searchParams.get("hz") ?? USUAL_HZ);
    const hz = Number.isFinite(asked) ? Math.max(LEAST_HZ, Math.min(MOST_HZ, asked)) : USUAL_HZ;
    let waiting: string[] = [];
    const seed = Math.floor(Math.random() * 2 ** 31);
    const aircraft = new AircraftOnLine(url.searchParams.get("pilot") ?? "", hz, seed, (line) => waiting.push(line));
    const beganMs = performance.now();
    const send = () => {
      if (waiting.length > 0) client.send(waiting.join("\n"));
      waiting = [];
    };
    const timer = setInterval(() => {
      aircraft.flyTo((performance.now() - beganMs) / 1000);
      send();
    }, TICK_MS);
    client.on("message", (data: Buffer) => {
      for (const line of data.toString("utf8").split("\n")) if (line.trim()) aircraft.hear(line);
      send();
    });
    client.on("close", () => clearInterval(timer));
    client.on("error", () => client.terminate());
  });
});
server.listen(Number(option("port") ?? 0), "127.0.0.1", () => {
  const { port } = server.address() as { port: number };
  console.log(`BATHYGON_STAND_IN=ws://127.0.0.1:${port}/?token=${token}`);
});
for (const signal of ["SIGINT", "SIGTERM"] as const) process.on(signal, () => process.exit(0));
