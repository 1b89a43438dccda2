import { requireAirframe, withMass, type Airframe } from "./airframe";

/** What an aircraft carries: another battery, another camera. */
export interface Load {
  /** All-up mass with it, kg. */
  readonly massKg: number;
  /** Full-throttle static thrust over weight with it, measured; null for the aircraft's own thrust over the new weight. */
  readonly thrustToWeight: number | null;
}

/** The aircraft with a load on it: inertia grows with the mass, as of `withMass`. Throws a DomainError for a load it cannot have. */
export function loadedAirframe(airframe: Airframe, { massKg, thrustToWeight }: Load): Airframe {
  const loaded = withMass(airframe, massKg);
  return requireAirframe(thrustToWeight === null ? loaded : { ...loaded, thrustToWeight });
}
