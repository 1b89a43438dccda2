import { createHash } from "node:crypto";
import {
  copyFileSync,
  cpSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  utimesSync,
  writeFileSync,
} from "node:fs";
import { join, relative } from "node:path";
import { licencesText } from "./licences.mjs";
import { withLock } from "./lock.mjs";
import { own, ownFolder, root } from "./paths.mjs";
import { run } from "./processes.mjs";
import { say } from "./say.mjs";
import { buildServiceWorker } from "./service-worker.mjs";

const SOURCES = [
  "src",
  "public",
  "package.json",
  "package-lock.json",
  "next.config.ts",
  "tsconfig.json",
  "scripts/lib/server-start.cjs",
  "scripts/lib/licences.mjs",
  "scripts/lib/service-worker.mjs",
];
const KEPT_BUILDS = 3;

/** Folder of a production build of the sources as they are now; builds only when there is none. Shared by demo and tests. */
export async function ensureBuild() {
  return withLock("build", async () => {
    const builds = ownFolder("builds");
    const folder = join(builds, sourceHash());
    if (existsSync(join(folder, "server.js"))) {
      utimesSync(folder, new Date(), new Date());
      return folder;
    }
    say("Building (about a minute; next time only if the sources changed)");
    await run(join(root, "node_modules/.bin/next"), ["build"], { env: { NODE_ENV: "production" } });
    const made = `${folder}.new`;
    rmSync(made, { recursive: true, force: true });
    mkdirSync(made);
    // Links as they are: made absolute they would lead out of the build.
    cpSync(join(root, ".next/standalone"), made, { recursive: true, verbatimSymlinks: true });
    cpSync(join(root, ".next/static"), join(made, ".next/static"), { recursive: true });
    if (existsSync(join(root, "public"))) cpSync(join(root, "public"), join(made, "public"), { recursive: true });
    else mkdirSync(join(made, "public"));
    writeFileSync(join(made, "public/third-party-licences.txt"), licencesText());
    copyFileSync(join(root, "scripts/lib/server-start.cjs"), join(made, "start.cjs"));
    await buildServiceWorker(made);
    renameSync(made, folder);
    dropOldBuilds(builds);
    return folder;
  });
}

function sourceHash() {
  const hash = createHash("sha256").update(process.version);
  for (const source of SOURCES) addTo(hash, join(root, source));
  return hash.digest("hex").slice(0, 16);
}

function addTo(hash, path) {
  if (!existsSync(path)) return;
  if (statSync(path).isDirectory()) {
    for (const name of readdirSync(path).sort()) addTo(hash, join(path, name));
  } else if (!/\.test\.tsx?$/.test(path)) {
    hash.update(relative(root, path)).update(readFileSync(path));
  }
}

function dropOldBuilds(builds) {
  const byAge = readdirSync(builds)
    .map((name) => ({ path: join(builds, name), at: statSync(join(builds, name)).mtimeMs }))
    .sort((a, b) => b.at - a.at);
  for (const { path } of byAge.slice(KEPT_BUILDS))
    if (path.startsWith(own)) rmSync(path, { recursive: true, force: true });
}
