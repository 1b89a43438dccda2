import { spawn } from "node:child_process";
import { join } from "node:path";
import { root } from "./paths.mjs";
import { stopChild } from "./processes.mjs";
import { PlainFailure } from "./say.mjs";

/** Starts the made-up aircraft for an application at an origin; gives the address that the application is told. */
export function startStandIn(origin, more = []) {
  const script = join(root, "scripts/stand-in/serve.ts");
  const child = spawn(
    process.execPath,
    ["--conditions=react-server", "--import", "tsx", script, `--origin=${origin}`, ...more],
    { cwd: root, stdio: ["ignore", "pipe", "inherit"] },
  );
  return new Promise((done, fail) => {
    let output = "";
    child.stdout.on("data", (chunk) => {
      output += chunk;
      const address = /^BATHYGON_STAND_IN=(\S+)$/m.exec(output)?.[1];
      if (address) done({ address, child, stop: () => stopChild(child) });
    });
    child.once("exit", () => fail(new PlainFailure("The made-up aircraft could not be started; see the lines above.")));
  });
}
