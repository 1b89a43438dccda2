import type { Airframe } from "../airframe";
import { MODEL_VERSION, type Settings } from "../flight";
import { mirrored, type Environment, type FreezeMargins, type Recipe } from "../recipes";
import type { PilotErrors } from "../scatter";

/** What a minimum start height depends on. */
export interface StartHeightInputs {
  /** As the library or a coach has it, not yet solved. */
  readonly recipe: Recipe;
  readonly airframe: Airframe;
  readonly settings: Settings;
  readonly environment: Environment;
  readonly hands: PilotErrors;
  /** What a freeze costs. */
  readonly freeze: FreezeMargins;
}

/**
 * A name for all that a minimum start height depends on, the flight model included: 32 hexadecimal digits. The same inputs give the same name, and so does
 * their mirror image: to the left is as high as to the right.
 */
export function startHeightKey({ recipe, airframe, settings, environment, hands, freeze }: StartHeightInputs): string {
  const { siteElevationM, isaOffsetK, windNorthMps, windEastMps } = environment;
  const texts = [recipe, mirrored(recipe, ["roll", "yaw"], "", "")].map(({ id: _, label: __, ...flown }, i) =>
    ordered([
      MODEL_VERSION,
      freeze,
      flown,
      airframe,
      settings,
      { siteElevationM, isaOffsetK, windNorthMps, windEastMps: (i === 0 ? 1 : -1) * windEastMps + 0 },
      hands,
    ]),
  );
  return hash128(texts[0] < texts[1] ? texts[0] : texts[1]);
}

/** JSON with the fields of every object in the order of their names: a database may give them back in another. */
function ordered(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(ordered).join()}]`;
  if (typeof value !== "object" || value === null) return JSON.stringify(value) ?? "null";
  const fields = Object.entries(value).filter(([, field]) => field !== undefined);
  return `{${fields
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([name, field]) => `${JSON.stringify(name)}:${ordered(field)}`)
    .join()}}`;
}

/** Four lanes of multiplicative mixing (the 32-bit finalizer of MurmurHash3, public domain); for telling inputs apart, not for secrets. */
function hash128(text: string): string {
  const lanes = [0x9e3779b1, 0x85ebca77, 0xc2b2ae3d, 0x27d4eb2f];
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i);
    for (let lane = 0; lane < 4; lane++) {
      lanes[lane] = Math.imul(lanes[lane] ^ (code + lane * 0x1000), 0x01000193 + 2 * lane * 0x10001);
      lanes[lane] ^= lanes[lane] >>> 15;
    }
  }
  return lanes
    .map((lane, i) => {
      let h = lane ^ lanes[(i + 1) % 4];
      h = Math.imul(h ^ (h >>> 16), 0x85ebca6b);
      h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
      return ((h ^ (h >>> 16)) >>> 0).toString(16).padStart(8, "0");
    })
    .join("");
}
