import { DomainError, requireNumber } from "../numbers";
import { MOST_WIND_MPS, type Environment } from "./environment";
import { requireGusts } from "./gusts";
import { requireObstacle } from "./obstacles";

/** Returns the environment when every field is in range, else throws a DomainError naming the field. */
export function requireEnvironment(environment: Environment): Environment {
  requireNumber("entryHeightM", environment?.entryHeightM, 0.1, 1000);
  requireNumber("siteElevationM", environment.siteElevationM, -450, 5000);
  requireNumber("isaOffsetK", environment.isaOffsetK, -60, 60);
  requireNumber("windNorthMps", environment.windNorthMps, -MOST_WIND_MPS, MOST_WIND_MPS);
  requireNumber("windEastMps", environment.windEastMps, -MOST_WIND_MPS, MOST_WIND_MPS);
  requireNumber("stickNoise", environment.stickNoise, 0, 0.5);
  requireNumber("seed", environment.seed, 0, 4294967295);
  if (environment.packUsed !== undefined) requireNumber("packUsed", environment.packUsed, 0, 1);
  if (environment.shakeSeed !== undefined) requireNumber("shakeSeed", environment.shakeSeed, 0, 4294967295);
  if (environment.gusts !== undefined) requireGusts(environment.gusts);
  environment.obstacles?.forEach((one, i) => requireObstacle(one, `obstacles[${i}]`));
  const { ceilingM } = environment;
  if (ceilingM !== null && ceilingM !== undefined) {
    requireNumber("ceilingM", ceilingM, 0.5, 5000);
    if (ceilingM <= environment.entryHeightM)
      throw new DomainError(
        "ceilingM",
        ceilingM,
        `above ${environment.entryHeightM}`,
        `ceilingM is ${ceilingM}; the flight begins at ${environment.entryHeightM} m, already above the local ceiling`,
      );
  }
  return environment;
}
