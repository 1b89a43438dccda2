import { existsSync, readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { root } from "./paths.mjs";

/**
 * Licences under which something may be shipped; all ask for no more than their text beside it.
 * @public a test asks for it
 */
export const mayBeShipped = [
  "MIT",
  "Apache-2.0",
  "ISC",
  "0BSD",
  "BSD-2-Clause",
  "BSD-3-Clause",
  "BlueOak-1.0.0",
  "CC-BY-4.0",
  "OFL-1.1",
  "(MIT AND Zlib)",
  "MIT AND BSD-3-Clause",
  // Asks for nothing.
  "CC0-1.0",
];
/** The framework's picture scaler and the library in it, which is under the LGPL: not used, and left out of the build (next.config.ts). */
const leftOut = (name) => name === "sharp" || name.startsWith("@img/");

/**
 * Every package that a build may take in: name, version, licence, and the text that is shipped with it, "" where it has none.
 * @public a test asks for it
 */
export function shippedPackages() {
  const { packages } = JSON.parse(readFileSync(join(root, "package-lock.json"), "utf8"));
  return Object.entries(packages).flatMap(([place, { version, dev, devOptional, license }]) => {
    const name = place.split("node_modules/").at(-1);
    if (place === "" || dev || devOptional || leftOut(name) || !existsSync(join(root, place))) return [];
    const said = JSON.parse(readFileSync(join(root, place, "package.json"), "utf8"));
    return {
      name,
      version,
      licence: license ?? said.license ?? said.licenses?.[0]?.type ?? "not said",
      text: textOf(place),
    };
  });
}

function textOf(place) {
  const file = readdirSync(join(root, place)).find((name) => /^(licen[cs]e|copying|ofl)(\.|$)/i.test(name));
  return file ? readFileSync(join(root, place, file), "utf8").trim() : "";
}

/** The list that is shipped: what is built in, by whom, under which licence. */
export function licencesText() {
  const parts = shippedPackages().map(
    ({ name, version, licence, text }) => `${name} ${version}: ${licence}\n\n${text}`,
  );
  return `What others made and Bathygon is built with, each under its licence.\n\n${parts.join(`\n\n${"-".repeat(80)}\n\n`)}\n`;
}
