import { DEG_PER_RAD, DomainError, RAD_PER_DEG, requireNumber } from "../numbers";

/** What holds a track over the ground in wind. */
export interface Crab {
  /** Where to point, ° from north, clockwise, 0 to under 360. */
  readonly headingDeg: number;
  /** Nose against the track, °, positive to the right. */
  readonly crabDeg: number;
  readonly groundSpeedMps: number;
}

/** The wind triangle: heading and speed over the ground for a track at a speed through the air, with wind from a direction. Throws a DomainError where the wind is too much for it. */
export function crab(way: {
  readonly trackDeg: number;
  readonly airSpeedMps: number;
  readonly windFromDeg: number;
  readonly windMps: number;
}): Crab {
  const track = requireNumber("trackDeg", way.trackDeg, -720, 720);
  const speed = requireNumber("airSpeedMps", way.airSpeedMps, 0.1, 150);
  const from = requireNumber("windFromDeg", way.windFromDeg, -720, 720);
  const wind = requireNumber("windMps", way.windMps, 0, 40);
  const angle = RAD_PER_DEG * (from - track);
  const across = wind * Math.sin(angle);
  const against = wind * Math.cos(angle);
  const ground = Math.abs(across) <= speed ? Math.sqrt(speed * speed - across * across) - against : -1;
  if (ground <= 0)
    throw new DomainError(
      "windMps",
      wind,
      "wind in which the track can be held",
      `windMps is ${wind}; at ${speed} m/s through the air this track can't be held in it`,
    );
  const crabDeg = DEG_PER_RAD * Math.asin(across / speed);
  return { headingDeg: (((track + crabDeg) % 360) + 360) % 360, crabDeg, groundSpeedMps: ground };
}
