import type { FleetDifference } from "@/core";
import { numeral, quantityText, type UnitSystem } from "@/words";

const percent = (share: number) => `${Math.abs(Math.round(100 * share))}\u202f%`;
/** Smaller differences are not spoken of. Our choice. */
const FELT = { tiltDeg: 0.5, feelPercent: 1, speedShare: 0.01, stick: 0.01, horizonDeg: 1 };

/** What an aircraft changes for hands that know another: the most telling thing first, then each difference with its number. */
export function fleetWords(difference: FleetDifference, units: UnitSystem): { headline: string; lines: string[] } {
  const { tiltDeg, feel, cruise, turn, horizonOffDeg } = difference;
  const lines: string[] = [];
  if (Math.abs(tiltDeg) >= FELT.tiltDeg)
    lines.push(`${numeral(Math.abs(tiltDeg), 0)}° ${tiltDeg < 0 ? "less" : "more"} tilt`);
  if (feel.percent >= FELT.feelPercent)
    lines.push(
      `curves ${numeral(feel.percent, 0)}\u202f% apart in feel, ${feel.fasterPercent < 0 ? "slower" : "faster"} on the whole, most on ${feel.worstAxis} (${numeral(feel.worstPercent, 0)}\u202f%)`,
    );
  if (cruise && Math.abs(cruise.speedShare) >= FELT.speedShare)
    lines.push(
      `level cruise ${percent(cruise.speedShare)} ${cruise.speedMps < 0 ? "slower" : "faster"} (${quantityText(Math.abs(cruise.speedMps), "speed", units)})`,
    );
  if (cruise && Math.abs(cruise.throttleStick) >= FELT.stick)
    lines.push(
      `cruises with ${percent(cruise.throttleStick)} of the stick ${cruise.throttleStick < 0 ? "less" : "more"} throttle`,
    );
  if (turn && Math.max(Math.abs(turn.rollStick), Math.abs(turn.yawStick)) >= FELT.stick)
    lines.push(`in a turn ${moreOrLess(turn.rollStick)} roll stick, ${moreOrLess(turn.yawStick)} yaw stick`);
  if (horizonOffDeg !== null && Math.abs(horizonOffDeg) >= FELT.horizonDeg)
    lines.push(`with the old mix the horizon leans ${numeral(Math.abs(horizonOffDeg), 0)}° after half a turn`);
  return { headline: headlineOf(difference, lines), lines };
}

const moreOrLess = (share: number) => `${percent(share)} ${share < 0 ? "less" : "more"}`;

function headlineOf({ horizonOffDeg, feel, cruise }: FleetDifference, lines: readonly string[]): string {
  if (lines.length === 0) return "No difference you would feel.";
  const lean = horizonOffDeg ?? 0;
  if (lean >= 2) return "Less tilt: needs less roll with yaw, or the nose climbs out of turns.";
  if (lean <= -2) return "More tilt: needs more roll with yaw, or the nose drops in turns.";
  if (feel.percent >= 5)
    return feel.fasterPercent > 0 ? "Turns faster than you are used to." : "Turns slower than you are used to.";
  if (cruise && Math.abs(cruise.throttleStick) >= 0.04)
    return cruise.throttleStick > 0 ? "Sinks at your usual throttle." : "Climbs at your usual throttle.";
  return "Nearly the same; a pack is enough to get used to it.";
}
