import { readFileSync } from "node:fs";
import { join } from "node:path";
import { root } from "./paths.mjs";

/** Pages that work without a network: nothing of anybody's is in them. */
const PAGES = ["/field", "/practice-here"];

/** Bundles the service worker of a finished build into its public folder, with the list of what it keeps. */
export async function buildServiceWorker(folder) {
  // Not there yet when this file is read on a fresh machine.
  const [{ build }, { getManifest }] = await Promise.all([import("esbuild"), import("@serwist/build")]);
  const buildId = readFileSync(join(folder, ".next/BUILD_ID"), "utf8").trim();
  const filesOf = async (globDirectory, modifyURLPrefix, named) => {
    const { manifestEntries, warnings } = await getManifest({
      globDirectory,
      globPatterns: ["**/*"],
      modifyURLPrefix: { "": modifyURLPrefix },
      maximumFileSizeToCacheInBytes: Number.MAX_SAFE_INTEGER,
      ...(named && { dontCacheBustURLsMatching: named }),
    });
    if (warnings.length > 0) throw new Error(warnings.join("\n"));
    return manifestEntries;
  };
  const precached = [
    // Their names change with their content.
    ...(await filesOf(join(folder, ".next/static"), "/_next/static/", /./)),
    ...(await filesOf(join(folder, "public"), "/")),
    ...PAGES.map((url) => ({ url, revision: buildId })),
  ];
  await build({
    entryPoints: [join(root, "src/workers/service-worker.ts")],
    outfile: join(folder, "public/sw.js"),
    bundle: true,
    minify: true,
    format: "iife",
    target: "es2022",
    define: { PRECACHED: JSON.stringify(precached), "process.env.NODE_ENV": '"production"' },
    logLevel: "warning",
  });
}
