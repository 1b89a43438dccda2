import { createHash } from "node:crypto";
import { existsSync, readFileSync, statfsSync, writeFileSync } from "node:fs";
import { delimiter, join } from "node:path";
import { withLock } from "./lock.mjs";
import { own, ownFolder, root } from "./paths.mjs";
import { run } from "./processes.mjs";
import { PlainFailure, say } from "./say.mjs";

const NEEDED_MB = 700;
/**
 * Debian packages by the command that shows they are there. The server's core package starts no service of its own, and its installer calls a
 * command of the client's core package without depending on it.
 */
export const databasePackages = {
  mariadbd: "mariadb-server-core",
  "mariadb-install-db": "mariadb-server-core",
  my_print_defaults: "mariadb-client-core",
};
/** For backup and restore. */
export const backupPackages = { ...databasePackages, "mariadb-dump": "mariadb-client", mariadb: "mariadb-client-core" };
/** Debian's Chromium without windows and menus, which take an eighth of its work and are looked at by nobody here. */
const BROWSER = "chromium-headless-shell";
export const browserPackages = { [BROWSER]: BROWSER };
/** Where that browser is; null before its package is there. */
export const findBrowser = () => findCommand(BROWSER);

/** Path of a command, or null. */
export function findCommand(name) {
  const folders = [...(process.env.PATH ?? "").split(delimiter), "/usr/sbin", "/usr/local/sbin", "/sbin"];
  return folders.map((folder) => join(folder, name)).find((path) => existsSync(path)) ?? null;
}

/** Fails plainly when the disk is nearly full. */
function requireDiskSpace() {
  const { bavail, bsize } = statfsSync(existsSync(own) ? own : root);
  const freeMb = Math.floor((bavail * bsize) / 1e6);
  if (freeMb < NEEDED_MB) {
    throw new PlainFailure(
      `Only ${freeMb} MB of disk are free and ${NEEDED_MB} MB are needed. Free some space and start again.`,
    );
  }
}

/**
 * Installs the Debian packages whose commands are missing.
 * @public a test asks for it
 */
export async function ensureDebianPackages(packages) {
  const missing = [
    ...new Set(
      Object.entries(packages)
        .filter(([command]) => !findCommand(command))
        .map(([, name]) => name),
    ),
  ];
  if (missing.length === 0) return;
  const list = missing.join(" ");
  if (!findCommand("apt-get")) {
    throw new PlainFailure(
      `Missing: ${list}. There is no apt-get here; install them with this system's package manager and start again.`,
    );
  }
  if (process.getuid?.() !== 0) {
    throw new PlainFailure(
      `Missing: ${list}. Install them as root and start again:\n  sudo apt-get install --no-install-recommends ${list}`,
    );
  }
  await withLock("debian-packages", async () => {
    say(`Installing Debian packages: ${list}`);
    const env = { DEBIAN_FRONTEND: "noninteractive" };
    await run("apt-get", ["update"], { env });
    await run("apt-get", ["install", "-y", "--no-install-recommends", ...missing], { env });
  });
}

/** Runs `npm ci` unless node_modules already matches the lock file. */
async function ensureNodeModules() {
  await withLock("node-modules", async () => {
    const wanted = createHash("sha256")
      .update(readFileSync(join(root, "package-lock.json")))
      .digest("hex");
    const stamp = join(root, "node_modules", ".bathygon-lock");
    if (existsSync(stamp) && readFileSync(stamp, "utf8") === wanted) return;
    say("Installing npm packages (npm ci)");
    await run("npm", ["ci", "--no-fund", "--no-audit"], { env: { NODE_ENV: "development" } });
    writeFileSync(stamp, wanted);
  });
}

/** Everything a script of this project needs before it starts. */
export async function prepareMachine(packages) {
  const [major] = process.versions.node.split(".").map(Number);
  if (major < 20) throw new PlainFailure(`Node 20 or newer is needed; this is ${process.version}.`);
  ownFolder();
  requireDiskSpace();
  await ensureDebianPackages(packages);
  await ensureNodeModules();
}
