import { mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { ownFolder } from "./paths.mjs";
import { isAlive, pause } from "./processes.mjs";
import { say } from "./say.mjs";

/** Runs `work` while no other script of this checkout holds the lock; a lock whose owner is gone is taken over. */
export async function withLock(name, work) {
  const folder = join(ownFolder("locks"), name);
  let told = false;
  for (;;) {
    try {
      mkdirSync(folder);
      break;
    } catch (error) {
      if (error.code !== "EEXIST") throw error;
    }
    if (!ownerAlive(folder)) {
      rmSync(folder, { recursive: true, force: true });
      continue;
    }
    if (!told) say(`Waiting for another script that is at "${name}"`);
    told = true;
    await pause(300);
  }
  writeFileSync(join(folder, "pid"), String(process.pid));
  try {
    return await work();
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

function ownerAlive(folder) {
  for (let tries = 0; tries < 20; tries++) {
    try {
      return isAlive(Number(readFileSync(join(folder, "pid"), "utf8")));
    } catch {
      // The owner has made the folder and not yet written its id.
      Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 50);
    }
  }
  return false;
}
