import { inducedSpeedMps, requireAirframe, rotorThrustN, densityRatio, type Airframe } from "../airframe";
import { SEA_LEVEL_DENSITY_KGM3, STANDARD_GRAVITY_MPS2 } from "../atmosphere";
import { requireNumber } from "../numbers";
import { STATE_SIZE } from "./state";

/** Largest thrust difference per rotor spent on yaw, as a share of its full thrust. Common practice, no source. */
export const YAW_SHARE_LIMIT = 0.35;

/** What surrounds the aircraft, constant through a flight. */
export interface FlightMedium {
  readonly airDensityKgM3: number;
  readonly windNorthMps: number;
  readonly windEastMps: number;
  /** Four numbers, standard normal, one a rotor, by which its thrust is shaken in its own wake; moved on by whoever flies. Absent: no shake. */
  readonly shake?: Float64Array;
}

/** Equations of motion. */
export interface Derivative {
  /** Writes d(state)/dt into `out`. `commandRate` has how fast the three commanded rates change (rad/s²), for the feed-forward; at rest if left out. */
  (state: Float64Array, command: Float64Array, out: Float64Array, commandRate?: Float64Array): void;
  /** The same at `state + h · slope`, which is never written down: what a Runge-Kutta stage asks for. `stage` has the command rates and h. */
  readonly ahead: Ahead;
  /** From now on the air moves so, m/s. */
  readonly blow: (windNorthMps: number, windEastMps: number) => void;
}
export type Ahead = (
  state: Float64Array,
  slope: Float64Array,
  command: Float64Array,
  out: Float64Array,
  stage: Float64Array,
) => void;
/** Layout of a stage: how fast the three commanded rates change (rad/s²), and the h of `state + h · slope`. */
export const STAGE_SIZE = 4;

/** Where the wind stands among the numbers of an aircraft and its air. */
const WIND_AT = 11;
const AT_REST = new Float64Array(3);
const NO_SLOPE = new Float64Array(STATE_SIZE);

/**
 * The equations of motion of four rotors on a rigid body as a function that writes d(state)/dt into `out`.
 * Newton-Euler with gyroscopic term; quadratic body-axis drag F = −½ρ·CdA·|v|·v, and drag linear in speed from rotors and ducts along x and y; first-order
 * rotor lag; thrust along −z and reaction torque c·thrust of the still rotor, both with density; inflow and wake as in `rotorThrust`; thrust with the square of
 * the voltage (`BatterySag`). The rate controller and its mixing limits act continuously. In a climb the air turns each rotor at no less than the speed
 * at which it gives no thrust, and idle authority counts from there.
 */
export function createDerivative(airframe: Airframe, medium: FlightMedium, idleAuthority: boolean): Derivative {
  requireAirframe(airframe);
  const mass = airframe.massKg;
  const gravity = STANDARD_GRAVITY_MPS2;
  const rotorMax = rotorThrustN(airframe);
  const idle = airframe.idleSpeedFraction;
  const idleThrust = rotorMax * idle * idle;
  const arm = airframe.motorDiagonalM / (2 * Math.SQRT2);
  const { x: ix, y: iy, z: iz } = airframe.inertiaKgM2;
  const c = airframe.torquePerThrustM;
  const { roll: rollLoop, pitch: pitchLoop, yaw: yawLoop } = airframe.rateLoopPerS;
  const rollGain = (ix * rollLoop) / (4 * arm);
  const pitchGain = (iy * pitchLoop) / (4 * arm);
  const yawGain = (iz * yawLoop) / (4 * c);
  const feed = airframe.feedForwardShare;
  const rollFeed = (ix * feed) / (4 * arm);
  const pitchFeed = (iy * feed) / (4 * arm);
  const yawFeed = (iz * feed) / (4 * c);
  const yawCap = YAW_SHARE_LIMIT * rotorMax;
  const density = requireNumber("airDensityKgM3", medium.airDensityKgM3, 0.1, 2);
  const halfRho = 0.5 * density;
  const windNorth = requireNumber("windNorthMps", medium.windNorthMps, -60, 60);
  const windEast = requireNumber("windEastMps", medium.windEastMps, -60, 60);
  const dragX = (halfRho * airframe.dragAreaM2.x) / mass;
  const dragY = (halfRho * airframe.dragAreaM2.y) / mass;
  const dragZ = (halfRho * airframe.dragAreaM2.z) / mass;
  const rotorDrag = (0.25 * airframe.linearDragNPerMps * density) / SEA_LEVEL_DENSITY_KGM3 / mass;
  const perUp = 1 / airframe.rotorUpS;
  const perDown = 1 / airframe.rotorDownS;
  const inThisAir = rotorMax * densityRatio(airframe, density);
  const rotorAcceleration = inThisAir / mass;
  const rollTorque = (arm * inThisAir) / ix;
  const pitchTorque = (arm * inThisAir) / iy;
  const yawTorque = (c * inThisAir) / iz;
  const gyroX = (iy - iz) / ix;
  const gyroY = (iz - ix) / iy;
  const gyroZ = (ix - iy) / iz;
  const perPitchSpeed = airframe.pitchSpeedMps === null ? 0 : 1 / airframe.pitchSpeedMps;
  const perInduced = 1 / inducedSpeedMps(airframe);
  const { wakeLossShare, wakeShakeShare } = airframe;
  const shake = medium.shake ?? new Float64Array(4);
  const { emptyShare, loadShare, fullThrottleS } = airframe.sag ?? { emptyShare: 0, loadShare: 0, fullThrottleS: 1 };
  const perPackS = 1 / fullThrottleS;

  // One array for all of them: a number that a function closes over is looked up and unwrapped at every use.
  const k = Float64Array.of(
    gravity,
    rotorMax,
    idleThrust,
    idle,
    rollGain,
    pitchGain,
    yawGain,
    rollFeed,
    pitchFeed,
    yawFeed,
    yawCap,
    windNorth,
    windEast,
    dragX,
    dragY,
    dragZ,
    rotorDrag,
    perUp,
    perDown,
    rotorAcceleration,
    rollTorque,
    pitchTorque,
    yawTorque,
    gyroX,
    gyroY,
    gyroZ,
    perPitchSpeed,
    perInduced,
    wakeLossShare,
    wakeShakeShare,
    emptyShare,
    loadShare,
    perPackS,
    idleAuthority ? 0 : 1,
    airframe.sag === null ? 0 : 1,
    wakeLossShare > 0 || (wakeShakeShare > 0 && medium.shake) ? 1 : 0,
  );

  const ahead: Ahead = (state, slope, command, out, stage) => motion(k, shake, state, slope, command, out, stage);
  const blow = (northMps: number, eastMps: number) => {
    k[WIND_AT] = northMps;
    k[WIND_AT + 1] = eastMps;
  };
  const stage = new Float64Array(STAGE_SIZE);
  return Object.assign(
    (state: Float64Array, command: Float64Array, out: Float64Array, commandRate: Float64Array = AT_REST) => {
      stage.set(commandRate);
      motion(k, shake, state, NO_SLOPE, command, out, stage);
    },
    { ahead, blow },
  );
}

/** d(state)/dt at `s + stage[3] · slope` for the numbers `k` of an aircraft and its air. One function for all flights, on local numbers, without allocation. */
function motion(
  k: Float64Array,
  shake: Float64Array,
  s: Float64Array,
  slope: Float64Array,
  command: Float64Array,
  out: Float64Array,
  stage: Float64Array,
): void {
  const ahead = stage[3];
  const gravity = k[0];
  const rotorMax = k[1];
  const idleThrust = k[2];
  const idle = k[3];
  const rollGain = k[4];
  const pitchGain = k[5];
  const yawGain = k[6];
  const rollFeed = k[7];
  const pitchFeed = k[8];
  const yawFeed = k[9];
  const yawCap = k[10];
  const windNorth = k[11];
  const windEast = k[12];
  const dragX = k[13];
  const dragY = k[14];
  const dragZ = k[15];
  const rotorDrag = k[16];
  const perUp = k[17];
  const perDown = k[18];
  const rotorAcceleration = k[19];
  const rollTorque = k[20];
  const pitchTorque = k[21];
  const yawTorque = k[22];
  const gyroX = k[23];
  const gyroY = k[24];
  const gyroZ = k[25];
  const perPitchSpeed = k[26];
  const perInduced = k[27];
  const wakeLossShare = k[28];
  const wakeShakeShare = k[29];
  const emptyShare = k[30];
  const loadShare = k[31];
  const perPackS = k[32];
  const withoutAuthority = k[33];
  const sags = k[34];
  const inWake = k[35];

  const vn = s[3] + ahead * slope[3];
  const ve = s[4] + ahead * slope[4];
  const vd = s[5] + ahead * slope[5];
  const w = s[6] + ahead * slope[6];
  const x = s[7] + ahead * slope[7];
  const y = s[8] + ahead * slope[8];
  const z = s[9] + ahead * slope[9];
  const p = s[10] + ahead * slope[10];
  const q = s[11] + ahead * slope[11];
  const r = s[12] + ahead * slope[12];

  // Air-relative velocity in body axes (rows of the transposed direction cosine matrix).
  const an = vn - windNorth;
  const ae = ve - windEast;
  const m00 = 1 - 2 * (y * y + z * z);
  const m01 = 2 * (x * y - w * z);
  const m02 = 2 * (x * z + w * y);
  const m10 = 2 * (x * y + w * z);
  const m11 = 1 - 2 * (x * x + z * z);
  const m12 = 2 * (y * z - w * x);
  const m20 = 2 * (x * z - w * y);
  const m21 = 2 * (y * z + w * x);
  const m22 = 1 - 2 * (x * x + y * y);
  const u = m00 * an + m10 * ae + m20 * vd;
  const v = m01 * an + m11 * ae + m21 * vd;
  const h = m02 * an + m12 * ae + m22 * vd;

  // Speed fraction at which a rotor gives no thrust in this inflow: the air keeps it turning that fast.
  const windmill = -h * perPitchSpeed;
  const least = windmill > idle ? rotorMax * windmill * windmill : idleThrust;
  const room = rotorMax - least;

  // Wanted thrust of each rotor.
  const roll = rollGain * (command[0] - p) + rollFeed * stage[0];
  const pitch = pitchGain * (command[1] - q) + pitchFeed * stage[1];
  let yaw = yawGain * (command[2] - r) + yawFeed * stage[2];
  if (yaw > yawCap) yaw = yawCap;
  else if (yaw < -yawCap) yaw = -yawCap;
  let d0 = -roll + pitch + yaw;
  let d1 = -roll - pitch - yaw;
  let d2 = roll - pitch + yaw;
  let d3 = roll + pitch - yaw;
  let low = d0 < d1 ? d0 : d1;
  if (d2 < low) low = d2;
  if (d3 < low) low = d3;
  let high = d0 > d1 ? d0 : d1;
  if (d2 > high) high = d2;
  if (d3 > high) high = d3;
  let mean = command[3] * rotorMax;
  if (mean < least) mean = least;
  else if (mean > rotorMax) mean = rotorMax;
  let scale = high - low > room ? room / (high - low) : 1;
  // Without idle authority nothing raises the mean: differences shrink to the room below it.
  if (withoutAuthority > 0 && mean + scale * low < least) scale = (mean - least) / -low;
  d0 *= scale;
  d1 *= scale;
  d2 *= scale;
  d3 *= scale;
  if (mean + scale * low < least) mean = least - scale * low;
  if (mean + scale * high > rotorMax) mean = rotorMax - scale * high;

  const n0 = s[13] + ahead * slope[13];
  const n1 = s[14] + ahead * slope[14];
  const n2 = s[15] + ahead * slope[15];
  const n3 = s[16] + ahead * slope[16];
  const still0 = n0 * n0;
  const still1 = n1 * n1;
  const still2 = n2 * n2;
  const still3 = n3 * n3;

  // Voltage over that at which the thrust of this command was measured: what is used of the pack, and a load other than that command's own.
  let voltage = 1;
  if (sags > 0) {
    const load = 0.25 * (n0 * still0 + n3 * still3 + (n1 * still1 + n2 * still2));
    const share = mean / rotorMax;
    voltage = 1 - emptyShare * (s[17] + ahead * slope[17]) - loadShare * (load - share * Math.sqrt(share));
    out[17] = load * perPackS;
  } else out[17] = 0;

  // Rotor lag towards the speed that gives the wanted thrust.
  const e0 = voltage * Math.sqrt(Math.abs(mean + d0) / rotorMax) - n0;
  const e1 = voltage * Math.sqrt(Math.abs(mean + d1) / rotorMax) - n1;
  const e2 = voltage * Math.sqrt(Math.abs(mean + d2) / rotorMax) - n2;
  const e3 = voltage * Math.sqrt(Math.abs(mean + d3) / rotorMax) - n3;
  out[13] = e0 > 0 ? e0 * perUp : e0 * perDown;
  out[14] = e1 > 0 ? e1 * perUp : e1 * perDown;
  out[15] = e2 > 0 ? e2 * perUp : e2 * perDown;
  out[16] = e3 > 0 ? e3 * perUp : e3 * perDown;

  // Thrust in this inflow (`rotorThrust`, written out).
  let t0 = still0;
  let t1 = still1;
  let t2 = still2;
  let t3 = still3;
  if (windmill > 0) {
    t0 = n0 > windmill ? still0 - n0 * windmill : 0;
    t1 = n1 > windmill ? still1 - n1 * windmill : 0;
    t2 = n2 > windmill ? still2 - n2 * windmill : 0;
    t3 = n3 > windmill ? still3 - n3 * windmill : 0;
  } else if (inWake > 0 && h > 0) {
    const sink = h * perInduced;
    t0 *= 1 - inOwnWake(sink, n0, wakeLossShare, wakeShakeShare, shake[0]);
    t1 *= 1 - inOwnWake(sink, n1, wakeLossShare, wakeShakeShare, shake[1]);
    t2 *= 1 - inOwnWake(sink, n2, wakeLossShare, wakeShakeShare, shake[2]);
    t3 *= 1 - inOwnWake(sink, n3, wakeLossShare, wakeShakeShare, shake[3]);
  }

  const speed = Math.sqrt(u * u + v * v + h * h);
  const slowed = rotorDrag * (n0 + n3 + (n1 + n2));
  const fx = -dragX * speed * u - slowed * u;
  const fy = -dragY * speed * v - slowed * v;
  const fz = -dragZ * speed * h - rotorAcceleration * (t0 + t3 + (t1 + t2));

  out[0] = vn;
  out[1] = ve;
  out[2] = vd;
  out[3] = m00 * fx + m01 * fy + m02 * fz;
  out[4] = m10 * fx + m11 * fy + m12 * fz;
  out[5] = m20 * fx + m21 * fy + m22 * fz + gravity;
  out[6] = -0.5 * (x * p + y * q + z * r);
  out[7] = 0.5 * (w * p + y * r - z * q);
  out[8] = 0.5 * (w * q + z * p - x * r);
  out[9] = 0.5 * (w * r + x * q - y * p);
  out[10] = rollTorque * (t2 + t3 - (t0 + t1)) + gyroX * q * r;
  out[11] = pitchTorque * (t0 + t3 - (t1 + t2)) + gyroY * p * r;
  out[12] = yawTorque * (still0 + still2 - (still1 + still3)) + gyroZ * p * q;
}

/** Share of its thrust that a rotor loses in its own wake (`wakeDepth`, written out). `sink` is the speed of sinking over the induced speed at full speed. */
function inOwnWake(sink: number, n: number, lossShare: number, shakeShare: number, shake: number): number {
  if (sink <= 0.5 * n || sink >= 1.5 * n) return 0;
  const over = sink / n;
  const inside = (over - 0.5) * (1.5 - over);
  const depth = 16 * inside * inside;
  return depth * (lossShare + shakeShare * shake);
}
