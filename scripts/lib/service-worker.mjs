import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { root } from "./paths.mjs";

/** Pages that work without a network: nothing of anybody's is in them. */
const PAGES = ["/field", "/practice-here"];

/** Everything that runs in the field, on a page opened with a network or without. */
const FIELD = "server/app/(field)";
/** How the files of a build name each other, those fetched later and workers among them. */
const CHUNK = /static\/chunks\/[\w.~-]+\.(?:js|css)/g;

/** The script and style files that the field pages of a build may ask for, as named in it. */
function fieldChunks(built) {
  const read = (file) => readFileSync(join(built, file), "utf8");
  const manifests = readdirSync(join(built, FIELD), { recursive: true, encoding: "utf8" })
    .filter((file) => file.endsWith("page_client-reference-manifest.js"))
    .map((file) => join(FIELD, file));
  const { rootMainFiles, polyfillFiles } = JSON.parse(read("build-manifest.json"));
  const found = new Set([...rootMainFiles, ...polyfillFiles, ...manifests.flatMap((file) => read(file).match(CHUNK))]);
  // What is added while it is gone through is gone through too.
  for (const file of found) for (const named of read(file).match(CHUNK) ?? []) found.add(named);
  return found;
}

/** Bundles the service worker of a finished build into its public folder, with the list of what it keeps. */
export async function buildServiceWorker(folder) {
  // Not there yet when this file is read on a fresh machine.
  const [{ build }, { getManifest }] = await Promise.all([import("esbuild"), import("@serwist/build")]);
  const buildId = readFileSync(join(folder, ".next/BUILD_ID"), "utf8").trim();
  const chunks = fieldChunks(join(folder, ".next"));
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
    ...(await filesOf(join(folder, ".next/static"), "/_next/static/", /./)).filter(
      ({ url }) => !url.startsWith("/_next/static/chunks/") || chunks.has(url.replace("/_next/", "")),
    ),
    ...(await filesOf(join(folder, "public/icons"), "/icons/")),
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
