import { densityRatio, rotorThrust, type Airframe } from "../airframe";
import { horizonInFrame, type Camera } from "../camera";
import { DEG_PER_RAD } from "../numbers";
import type { Body } from "./body";
import type { SticksNow } from "./stick-command";
import { emptyTrace, type Trace } from "./trace";

/** Writes down a flight at equal times. `briefly` only what an outcome is told from. */
export class Recorder {
  readonly trace: Trace;
  private readonly staticG: number;

  constructor(
    private readonly body: Body,
    private readonly hands: SticksNow,
    private readonly aircraft: Airframe,
    private readonly camera: Camera,
    airDensityKgM3: number,
    sampleS: number,
    private readonly briefly: boolean,
  ) {
    this.trace = emptyTrace(sampleS);
    this.staticG = (aircraft.thrustToWeight * densityRatio(aircraft, airDensityKgM3)) / 4;
  }

  record(phase: number, timeS: number): void {
    const { trace, hands } = this;
    const { state, turned, seen } = this.body;
    trace.timeS.push(timeS);
    trace.northM.push(state[0]);
    trace.eastM.push(state[1]);
    trace.heightM.push(-state[2]);
    trace.qx.push(state[7]);
    trace.qy.push(state[8]);
    trace.turnedRollDeg.push(turned.roll);
    trace.turnedPitchDeg.push(turned.pitch);
    trace.turnedYawDeg.push(turned.yaw);
    trace.turnedViewDeg.push(turned.view);
    if (this.briefly) return;
    const attitude = { w: state[6], x: state[7], y: state[8], z: state[9] };
    const horizon = horizonInFrame(attitude, this.camera);
    trace.phase.push(phase);
    trace.stickRoll.push(hands.roll);
    trace.stickPitch.push(hands.pitch);
    trace.stickYaw.push(hands.yaw);
    trace.stickThrottle.push(hands.throttle);
    trace.throttle.push(hands.motor);
    trace.vNorthMps.push(state[3]);
    trace.vEastMps.push(state[4]);
    trace.climbMps.push(-state[5]);
    trace.qw.push(attitude.w);
    trace.qz.push(attitude.z);
    trace.rollDps.push(state[10] * DEG_PER_RAD);
    trace.pitchDps.push(state[11] * DEG_PER_RAD);
    trace.yawDps.push(state[12] * DEG_PER_RAD);
    trace.rotor0.push(state[13]);
    trace.rotor1.push(state[14]);
    trace.rotor2.push(state[15]);
    trace.rotor3.push(state[16]);
    trace.viewElevationDeg.push(horizon.axisElevationDeg);
    trace.viewHeadingDeg.push(horizon.axisHeadingDeg);
    trace.horizonSlopeDeg.push(horizon.slopeDeg);
    let thrustG = 0;
    for (let rotor = 13; rotor < 17; rotor++)
      thrustG += this.staticG * rotorThrust(this.aircraft, state[rotor], seen.axialMps);
    trace.thrustG.push(thrustG);
  }
}
