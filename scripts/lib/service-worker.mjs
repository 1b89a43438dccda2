import { createHash } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import { join, relative, sep } from "node:path";
import { root } from "./paths.mjs";

/** Pages that work without a network: nothing of anybody's is in them. */
const PAGES = ["/field"];

function filesIn(folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesIn(join(folder, entry.name)) : [join(folder, entry.name)],
  );
}

const webPath = (folder, file) => `/${relative(folder, file).split(sep).join("/")}`;
const revisionOf = (file) => createHash("sha256").update(readFileSync(file)).digest("hex").slice(0, 16);

/** Bundles the service worker of a finished build into its public folder, with the list of what it keeps. */
export async function buildServiceWorker(folder) {
  const buildId = readFileSync(join(folder, ".next/BUILD_ID"), "utf8").trim();
  const statics = join(folder, ".next/static");
  const publics = join(folder, "public");
  const precached = [
    // Their names change with their content.
    ...filesIn(statics).map((file) => ({ url: `/_next/static${webPath(statics, file)}`, revision: null })),
    ...filesIn(publics).map((file) => ({ url: webPath(publics, file), revision: revisionOf(file) })),
    ...PAGES.map((url) => ({ url, revision: buildId })),
  ];
  // Not there yet when this file is read on a fresh machine.
  const { build } = await import("esbuild");
  await build({
    entryPoints: [join(root, "src/workers/service-worker.ts")],
    outfile: join(publics, "sw.js"),
    bundle: true,
    minify: true,
    format: "iife",
    target: "es2022",
    define: { PRECACHED: JSON.stringify(precached), "process.env.NODE_ENV": '"production"' },
    logLevel: "warning",
  });
}
