import { requireFinite } from "./require";

export const RAD_PER_DEG = Math.PI / 180;
export const DEG_PER_RAD = 180 / Math.PI;

/** The same angle within (−180, 180] degrees. Throws a DomainError for an angle that is not finite. */
export function wrapDeg(angleDeg: number): number {
  const turned = requireFinite("angleDeg", angleDeg) % 360;
  if (turned > 180) return turned - 360;
  return turned <= -180 ? turned + 360 : turned;
}

/** A level vector along and across (to the right), turned by so many ° clockwise from above. */
export function turnedLevel(deg: number, along: number, across: number): readonly [along: number, across: number] {
  if (deg === 0) return [along, across];
  const [cos, sin] = [Math.cos(RAD_PER_DEG * deg), Math.sin(RAD_PER_DEG * deg)];
  return [cos * along - sin * across, sin * along + cos * across];
}
