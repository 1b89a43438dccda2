import type { Airframe } from "../airframe";
import { createDerivative, createStep, requireSettings, type Settings } from "../flight";
import { requireEnvironment } from "./check-environment";
import { densityOf, type Environment } from "./environment";
import { Body } from "./body";
import { flownInto, metGround } from "./contact";
import { HALF_SPAN, SAMPLE_STEPS, STEP_S } from "./fly";
import { Gusts } from "./gusts";
import type { Obstacle } from "./obstacles";
import type { Seen } from "./pilot";
import { Recorder } from "./recorder";
import type { FlightEvent, Trace } from "./trace";

/** Longest a try is flown and kept, s. Ours. */
export const LONGEST_TRY_S = 600;

/** Where the sticks stand while a step is flown, and who turns them into a command. */
export interface Controls {
  roll: number;
  pitch: number;
  yaw: number;
  throttle: number;
  motor: number;
  command(seen: Seen, out: Float64Array): void;
}

/** The start of a try, which a record keeps: the state vector, and what stands about. */
export interface TryStart {
  readonly state: Float64Array;
  readonly obstacles: readonly Obstacle[];
}

/**
 * One try in the model, step by step at 500 Hz, live and again from its record: the same code flies both. With the start and the commands of every step it
 * is + − × ÷ √ only, so that it is the same to the last bit wherever it is flown (IEEE 754).
 */
export class TryFlight {
  readonly body: Body;
  readonly events: FlightEvent[] = [];
  /** Steps flown. */
  steps = 0;
  ended: FlightEvent | null = null;
  private readonly obstacles: readonly Obstacle[];
  private readonly recorder: Recorder;
  private readonly reachM: number;
  private readonly blowOn: (step: number) => void;

  constructor(
    { state, obstacles }: TryStart,
    aircraft: Airframe,
    settings: Settings,
    environment: Environment,
    private readonly controls: Controls,
  ) {
    requireSettings(settings);
    const { windNorthMps, windEastMps, entryHeightM, gusts } = requireEnvironment(environment);
    const airDensityKgM3 = densityOf(environment);
    const wind = { windNorthMps, windEastMps };
    const derivative = createDerivative(aircraft, { airDensityKgM3, ...wind }, settings.modes.idleAuthority);
    const step = createStep(derivative);
    const air = gusts && new Gusts(gusts);
    this.blowOn = (at) => {
      if (!air?.moveOn(at)) return;
      wind.windNorthMps = windNorthMps + air.northMps;
      wind.windEastMps = windEastMps + air.eastMps;
      derivative.blow(wind.windNorthMps, wind.windEastMps);
    };
    const never = { takeBack: () => undefined };
    const commands = { ...never, command: (seen: Seen, out: Float64Array) => controls.command(seen, out) };
    this.body = new Body(Float64Array.from(state), step, commands, settings.tiltDeg, entryHeightM, wind);
    const camera = { tiltDeg: settings.tiltDeg, ...settings.camera };
    this.recorder = new Recorder(this.body, controls, aircraft, camera, airDensityKgM3, STEP_S * SAMPLE_STEPS, false);
    this.reachM = HALF_SPAN * aircraft.motorDiagonalM;
    this.obstacles = obstacles;
    this.recorder.record(0, 0);
  }

  get timeS(): number {
    return this.steps * STEP_S;
  }

  get trace(): Trace {
    return this.recorder.trace;
  }

  /** Flies one step with the controls as they stand. */
  step(): void {
    if (this.ended) return;
    const { body } = this;
    const climbBefore = body.climbMps;
    this.blowOn(this.steps);
    body.advance(STEP_S);
    this.steps++;
    const { timeS } = this;
    const sampled = this.steps % SAMPLE_STEPS === 0;
    if (climbBefore > 0 && body.climbMps <= 0)
      this.events.push({ kind: "apex", detail: "", timeS, heightM: body.heightM });
    const met =
      (sampled && this.obstacles.length > 0 && flownInto(this.obstacles, body, this.reachM)) ||
      (body.heightM <= 0 ? metGround(body) : null);
    if (met) {
      this.ended = { ...met, timeS, heightM: body.heightM };
      this.events.push(this.ended);
    }
    if (sampled || met) this.recorder.record(0, timeS);
  }
}
