import { rateDps, type AxisRates } from "../rates";
import { figuresOf, type Figure } from "./figures";
import { gridOf, type Grid } from "./grid";
import { featuresOf, nameFigure, type Features, type Named } from "./name-figure";
import { punchesOf, steadyTurns } from "./steady";
import type { Tape } from "./tape";
import type { FoundTrick } from "./trick";
import { turnMeasures } from "./turn-measures";

/** A gap in a figure: what was turned in it is a guess. */
const WITH_A_GAP = 0.4;

/**
 * The tricks of a recording in the order of time, each named, counted and measured; what turned much and is none that is known is called unknown. From the
 * gyro alone: angles turned between two moments of rest, the right way up or upside down, and the throttle.
 */
export function findByTurning(tape: Tape, rates: AxisRates): FoundTrick[] {
  const pitchEndDps = rateDps(rates.pitch, 1);
  const grid = gridOf(tape);
  const turned = figuresOf(grid).flatMap((figure) => {
    const features = featuresOf(grid, figure);
    const named = nameFigure(features, pitchEndDps);
    return named ? [{ figure, features, named }] : [];
  });
  const free = (figure: Figure, beforeS = 0) =>
    turned.every((one) => figure.from >= one.figure.to || figure.to + beforeS * grid.hz <= one.figure.from);
  const steady = steadyTurns(grid).filter((figure) => free(figure));
  const punches = punchesOf(grid).filter((figure) => free(figure, BEFORE_A_TRICK_S));
  const all = [
    ...turned,
    ...steady.map((figure) => {
      const features = featuresOf(grid, figure);
      const angleDeg = features.whole.heading;
      return { figure, features, named: { kind: "orbit" as const, axis: "yaw" as const, angleDeg, confidence: 0.6 } };
    }),
    ...punches.map((figure) => ({
      figure,
      features: featuresOf(grid, figure),
      named: { kind: "punch" as const, axis: "pitch" as const, angleDeg: 0, confidence: 0.6 },
    })),
  ];
  return all.sort((a, b) => a.figure.from - b.figure.from).map((one) => trickOf(tape, grid, one));
}

/** A punch that leads into a trick is measured with that. */
const BEFORE_A_TRICK_S = 1.2;

interface NamedFigure {
  readonly figure: Figure;
  readonly features: Features;
  readonly named: Named;
}

function trickOf(tape: Tape, grid: Grid, { figure, features, named }: NamedFigure): FoundTrick {
  const { kind, axis, angleDeg } = named;
  // A roll about the camera's axis turns as far as roll and yaw together.
  const size =
    axis === "roll" && kind === "roll" ? Math.hypot(features.whole.roll, features.whole.yaw) : Math.abs(angleDeg);
  const turns = Math.max(0.5, Math.round(size / 180) / 2);
  const { hz, startS } = grid;
  const [fromS, toS] = [startS + figure.from / hz, startS + figure.to / hz];
  const gap = tape.gaps.some((one) => one.fromS < toS && one.toS > fromS);
  return {
    kind,
    axis,
    direction: directionOf(axis, angleDeg),
    turns,
    fromS,
    toS,
    confidence: gap ? Math.min(WITH_A_GAP, named.confidence) : named.confidence,
    measures: turnMeasures(grid, { ...figure, axis, askedDeg: 360 * turns, turned: features.whole }),
  };
}

function directionOf(axis: FoundTrick["axis"], angleDeg: number): FoundTrick["direction"] {
  if (axis === "pitch") return angleDeg >= 0 ? "back" : "front";
  return angleDeg >= 0 ? "right" : "left";
}
