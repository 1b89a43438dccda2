// Starts the application's server. Copied into every build as start.cjs.
// TRACE is refused here: the framework cannot make a request of it, and would answer 500.
const http = require("node:http");

const createServer = http.createServer;
http.createServer = function create(...given) {
  const server = createServer.apply(this, given);
  const listeners = server.listeners("request");
  server.removeAllListeners("request");
  server.on("request", (request, response) => {
    if (request.method === "TRACE" || request.method === "TRACK") {
      response.writeHead(405, { allow: "GET, HEAD, POST" });
      response.end();
      return;
    }
    for (const listener of listeners) listener.call(server, request, response);
  });
  return server;
};
require("./server.js");
