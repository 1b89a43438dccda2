import { numeral, percent } from "@/words";
import { mixFor, rateAtStick, stickForRateClamped, type Mix, type MixKind, type Settings } from "@/core";
import { handsFor } from "@/ui/sticks/modes";

/** Who turns one wish into roll and yaw: the pilot's two hands, or the flight controller set to the tilt. */
export type By = "hand" | "controller";

export interface MixRow {
  readonly name: string;
  readonly mix: Mix;
  /** How the hands move, in the pilot's stick mode. */
  readonly words: string;
}

/**
 * The mixes a pilot needs, to the right, at chosen speeds. By hand a turn goes by how far the nose is down, a roll about the view by the tilt; the
 * controller goes by the tilt it is set to.
 */
export function mixRows(
  settings: Settings,
  {
    stickMode,
    leanDeg,
    turnDps,
    spinDps,
    by,
  }: { stickMode: number; leanDeg: number; turnDps: number; spinDps: number; by: By },
): MixRow[] {
  const { rates, tiltDeg } = settings;
  const moves = [
    { name: "Turn, horizon level", kind: "level-turn", dps: turnDps, atDeg: leanDeg },
    { name: "Flat spin", kind: "level-turn", dps: spinDps, atDeg: leanDeg },
    { name: "Level-horizon roll", kind: "view-roll", dps: spinDps, atDeg: tiltDeg },
  ] as const;
  return moves.map(({ name, kind, dps, atDeg }) => {
    const mix = by === "hand" ? mixFor(kind, rates, atDeg, dps) : mixedByController(kind, settings, dps);
    return { name, mix, words: inWords(mix, stickMode) };
  });
}

/** With the controller mixing, the yaw stick turns the camera and the roll stick rolls about what it sees. */
function mixedByController(kind: MixKind, { rates, tiltDeg }: Settings, dps: number): Mix {
  const axis = kind === "level-turn" ? "yaw" : "roll";
  const one = dps > rateAtStick(rates[axis], 1) ? null : stickForRateClamped(rates[axis], dps);
  return {
    rates: mixFor(kind, rates, tiltDeg, dps).rates,
    rollStick: axis === "roll" ? one : 0,
    yawStick: axis === "yaw" ? one : 0,
    sticks: axis === "roll" ? "roll alone" : "yaw alone",
  };
}

/** Which hand goes where, in the pilot's stick mode. */
function inWords({ sticks }: Mix, stickMode: number): string {
  const { roll, yaw } = handsFor(stickMode);
  switch (sticks) {
    case "together":
      return `together: both sticks right (${roll} hand rolls, ${yaw} hand yaws)`;
    case "apart":
      return `apart: ${roll} hand right (roll), ${yaw} hand left (yaw)`;
    case "roll alone":
      return `${roll} hand right (roll), ${yaw} hand rests`;
    case "yaw alone":
      return `${yaw} hand right (yaw), ${roll} hand rests`;
  }
}

/** A stick position as a share of its travel; a rate the curve does not reach is beyond it. */
export const stickText = (value: number | null) => (value === null ? "beyond" : `${percent(Math.abs(value))}`);

/** Errors of tilt whose effect is shown. */
export const TILT_ERRORS_DEG = [1, 2, 5] as const;

/** How far a stick would have to go otherwise. */
export const changeText = (value: number | null) =>
  value === null ? "beyond" : `${value >= 0 ? "+" : "−"}${numeral(100 * Math.abs(value), 1)}\u202f%`;
