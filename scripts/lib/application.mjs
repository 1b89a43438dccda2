import { spawn } from "node:child_process";
import { join } from "node:path";
import { pause, run, stopChild } from "./processes.mjs";
import { root } from "./paths.mjs";
import { PlainFailure } from "./say.mjs";

/** Runs a TypeScript script of this folder with the application's modules at hand. */
export function runTypeScript(script, args, env, options = {}) {
  return run(
    process.execPath,
    ["--conditions=react-server", "--import", "tsx", join(root, "scripts", script), ...args],
    { env, ...options },
  );
}

/** Serves a production build on 127.0.0.1:`port` and waits until it answers. */
export async function startApplication(build, port, env) {
  const child = spawn(process.execPath, ["--max-old-space-size=256", join(build, "start.cjs")], {
    cwd: build,
    env: {
      ...process.env,
      NODE_ENV: "production",
      NEXT_TELEMETRY_DISABLED: "1",
      HOSTNAME: "127.0.0.1",
      PORT: String(port),
      ...env,
    },
    stdio: ["ignore", "pipe", "inherit"],
    detached: true,
  });
  // What the server prints about itself repeats what these scripts say.
  child.stdout.resume();
  const address = `http://127.0.0.1:${port}`;
  for (let waited = 0; ; waited += 100) {
    if (child.exitCode !== null || waited > 60_000)
      throw new PlainFailure("The application did not start; see the lines above.");
    const answer = await fetch(`${address}/healthz`).catch(() => null);
    if (answer?.ok) break;
    await pause(100);
  }
  return { child, pid: child.pid, address, stop: () => stopChild(child) };
}
