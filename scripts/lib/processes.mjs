import { spawn } from "node:child_process";
import { readFileSync, readlinkSync } from "node:fs";
import { createServer, connect } from "node:net";
import { PlainFailure } from "./say.mjs";
import { root } from "./paths.mjs";

/** True while a process with this id runs. */
export function isAlive(pid) {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === "EPERM";
  }
}

/** Runs a command to its end and returns what it printed. Fails with its last lines when it does. */
export function run(command, args, { env = {}, quiet = true, cwd = root, allowFailure = false } = {}) {
  return new Promise((done, fail) => {
    const child = spawn(command, args, {
      cwd,
      env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1", ...env },
      stdio: ["ignore", "pipe", "pipe"],
    });
    let output = "";
    const keep = (chunk) => {
      output += chunk;
      if (!quiet) process.stdout.write(chunk);
    };
    child.stdout.on("data", keep);
    child.stderr.on("data", keep);
    child.on("error", fail);
    child.on("close", (code) => {
      if (code === 0 || allowFailure) done({ code, output });
      else if (/ENOSPC|No space left/.test(output)) fail(Object.assign(new Error("full"), { code: "ENOSPC" }));
      else fail(new PlainFailure(`${command} ${args.join(" ")} failed:\n${output.split("\n").slice(-25).join("\n")}`));
    });
  });
}

/** Waits until a child has ended, or kills it after `limitMs`. */
export function stopChild(child, limitMs = 10_000) {
  return new Promise((done) => {
    if (!child || child.exitCode !== null || child.signalCode !== null) return done();
    const timer = setTimeout(() => child.kill("SIGKILL"), limitMs);
    child.once("exit", () => {
      clearTimeout(timer);
      done();
    });
    child.kill("SIGTERM");
  });
}

/** A TCP port on 127.0.0.1 that nobody uses now. */
export function freePort() {
  return new Promise((done, fail) => {
    const server = createServer();
    server.on("error", fail);
    server.listen(0, "127.0.0.1", () => {
      const { port } = server.address();
      server.close(() => done(port));
    });
  });
}

/** True when nobody listens on this port of 127.0.0.1. */
export function portIsFree(port) {
  return new Promise((done) => {
    const server = createServer();
    server.once("error", () => done(false));
    server.listen(port, "127.0.0.1", () => server.close(() => done(true)));
  });
}

/** True when something accepts connections on this port of 127.0.0.1. */
export function answers(port) {
  return new Promise((done) => {
    const socket = connect(port, "127.0.0.1");
    socket.once("connect", () => {
      socket.destroy();
      done(true);
    });
    socket.once("error", () => done(false));
  });
}

export const pause = (ms) => new Promise((done) => setTimeout(done, ms));

/** Stops a process that an interrupted run left behind, if it still works in `folder`. Returns whether there was one. */
export async function stopLeftover(pid, folder) {
  if (!(pid > 0) || !workingFolder(pid).startsWith(folder)) return false;
  process.kill(pid, "SIGTERM");
  for (let waited = 0; isAlive(pid) && waited < 20_000; waited += 100) await pause(100);
  return true;
}

/** Where a process works; a process may rename itself, but not that. */
function workingFolder(pid) {
  try {
    return readlinkSync(`/proc/${pid}/cwd`);
  } catch {
    return "";
  }
}

/** Resident memory of a process in MB, from the kernel. */
export function residentMb(pid) {
  const found = /VmRSS:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, "utf8"));
  return Math.round(Number(found[1]) / 1024);
}
