export const RAD_PER_DEG = Math.PI / 180;
export const DEG_PER_RAD = 180 / Math.PI;

/** The same angle within (−180, 180] degrees. */
export function wrapDeg(angleDeg: number): number {
  const turned = angleDeg % 360;
  if (turned > 180) return turned - 360;
  return turned <= -180 ? turned + 360 : turned;
}
