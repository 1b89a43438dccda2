import { randomBytes, randomInt } from "node:crypto";
import { existsSync, readFileSync, writeFileSync } from "node:fs";

/** The secret kept in a file that only its owner reads, made at first use. */
export function keptSecret(file, make = () => randomBytes(24).toString("hex")) {
  if (!existsSync(file)) writeFileSync(file, make(), { mode: 0o600 });
  return readFileSync(file, "utf8").trim();
}

const WORDS =
  "brine pan sluice rake mill frame tower heron reed salt wall yard gull winter fog lamp rope tide crane ditch".split(
    " ",
  );

/** Five words and a number that somebody can type off a screen: about 31 bits, for made-up data on loopback. */
export function typablePassword() {
  const word = () => WORDS[randomInt(WORDS.length)];
  return `${word()}-${word()}-${word()}-${word()}-${word()}-${randomInt(100, 999)}`;
}
