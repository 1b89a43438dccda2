import type { Airframe } from "./airframe";

/** A starting point for an aircraft nobody has measured yet. */
export interface AirframePreset {
  readonly id: string;
  readonly name: string;
  readonly airframe: Airframe;
}

const list: readonly AirframePreset[] = [
  {
    id: "indoor-65",
    name: "65 mm indoor",
    airframe: {
      massKg: 0.028,
      thrustToWeight: 3.4,
      motorDiagonalM: 0.065,
      inertiaKgM2: { x: 0.0000115, y: 0.000013, z: 0.000021 },
      torquePerThrustM: 0.0035,
      rotorUpS: 0.02,
      rotorDownS: 0.032,
      idleSpeedFraction: 0.07,
      dragAreaM2: { x: 0.0022, y: 0.0024, z: 0.0032 },
      thrustCurve: 0.6,
      pitchSpeedMps: 18,
      propellerDiameterM: 0.031,
      wakeLossShare: 0.2,
      wakeShakeShare: 0.15,
      measuredDensityKgM3: 1.225,
      linearDragNPerMps: 0.045,
      rateLoopPerS: { roll: 34, pitch: 34, yaw: 14 },
      feedForwardShare: 0.7,
      sag: { emptyShare: 0.16, loadShare: 0.14, fullThrottleS: 55 },
    },
  },
  {
    id: "ducted-two-and-half-inch",
    name: "2.5 inch ducted",
    airframe: {
      massKg: 0.22,
      thrustToWeight: 4.4,
      motorDiagonalM: 0.115,
      inertiaKgM2: { x: 0.00028, y: 0.00032, z: 0.0005 },
      torquePerThrustM: 0.007,
      rotorUpS: 0.018,
      rotorDownS: 0.026,
      idleSpeedFraction: 0.06,
      dragAreaM2: { x: 0.007, y: 0.008, z: 0.013 },
      thrustCurve: 0.65,
      pitchSpeedMps: 30,
      propellerDiameterM: 0.064,
      wakeLossShare: 0.2,
      wakeShakeShare: 0.15,
      measuredDensityKgM3: 1.225,
      linearDragNPerMps: 0.11,
      rateLoopPerS: { roll: 36, pitch: 34, yaw: 14 },
      feedForwardShare: 0.8,
      sag: { emptyShare: 0.14, loadShare: 0.12, fullThrottleS: 60 },
    },
  },
  {
    id: "three-inch",
    name: "3 inch",
    airframe: {
      massKg: 0.25,
      thrustToWeight: 6.5,
      motorDiagonalM: 0.135,
      inertiaKgM2: { x: 0.00043, y: 0.00049, z: 0.0008 },
      torquePerThrustM: 0.0085,
      rotorUpS: 0.018,
      rotorDownS: 0.026,
      idleSpeedFraction: 0.055,
      dragAreaM2: { x: 0.005, y: 0.006, z: 0.013 },
      thrustCurve: 0.65,
      pitchSpeedMps: 42,
      propellerDiameterM: 0.076,
      wakeLossShare: 0.2,
      wakeShakeShare: 0.15,
      measuredDensityKgM3: 1.225,
      linearDragNPerMps: 0.07,
      rateLoopPerS: { roll: 40, pitch: 38, yaw: 16 },
      feedForwardShare: 0.8,
      sag: { emptyShare: 0.14, loadShare: 0.12, fullThrottleS: 45 },
    },
  },
  {
    id: "five-inch-freestyle",
    name: "5 inch freestyle",
    airframe: {
      massKg: 0.65,
      thrustToWeight: 7.5,
      motorDiagonalM: 0.22,
      inertiaKgM2: { x: 0.003, y: 0.0034, z: 0.0055 },
      torquePerThrustM: 0.014,
      rotorUpS: 0.022,
      rotorDownS: 0.03,
      idleSpeedFraction: 0.055,
      dragAreaM2: { x: 0.012, y: 0.014, z: 0.03 },
      thrustCurve: 0.7,
      pitchSpeedMps: 48,
      propellerDiameterM: 0.13,
      wakeLossShare: 0.2,
      wakeShakeShare: 0.15,
      measuredDensityKgM3: 1.225,
      linearDragNPerMps: 0.1,
      rateLoopPerS: { roll: 36, pitch: 34, yaw: 14 },
      feedForwardShare: 0.8,
      sag: { emptyShare: 0.14, loadShare: 0.12, fullThrottleS: 40 },
    },
  },
  {
    id: "seven-inch",
    name: "7 inch",
    airframe: {
      massKg: 1.15,
      thrustToWeight: 3.4,
      motorDiagonalM: 0.3,
      inertiaKgM2: { x: 0.0095, y: 0.0105, z: 0.0175 },
      torquePerThrustM: 0.02,
      rotorUpS: 0.035,
      rotorDownS: 0.048,
      idleSpeedFraction: 0.055,
      dragAreaM2: { x: 0.02, y: 0.023, z: 0.052 },
      thrustCurve: 0.6,
      pitchSpeedMps: 38,
      propellerDiameterM: 0.178,
      wakeLossShare: 0.2,
      wakeShakeShare: 0.15,
      measuredDensityKgM3: 1.225,
      linearDragNPerMps: 0.2,
      rateLoopPerS: { roll: 24, pitch: 22, yaw: 9 },
      feedForwardShare: 0.8,
      sag: { emptyShare: 0.14, loadShare: 0.1, fullThrottleS: 150 },
    },
  },
];

/**
 * An airframe that was kept before some of its numbers were known: what it lacks is the estimate of its kind, of the five-inch where the kind is unknown
 * too. What it has stays as it is.
 */
export function completedAirframe(kept: Partial<Airframe>, presetId: string): Airframe {
  const known = Object.fromEntries(Object.entries(kept).filter(([, value]) => value !== undefined));
  return { ...(airframePresets[presetId] ?? airframePresets["five-inch-freestyle"]).airframe, ...known };
}

/** Presets by id. Every number is an estimate, to be replaced by measurement. */
export const airframePresets: Readonly<Record<string, AirframePreset>> = Object.fromEntries(
  list.map((preset) => [preset.id, preset]),
);
