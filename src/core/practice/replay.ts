import { requireAirframe, type Airframe } from "../airframe";
import { COMMAND_SIZE, type Settings } from "../flight";
import { TryFlight, type Controls, type Environment, type FlightEvent, type Seen, type Trace } from "../recipes";
import { findTricks, tapeOfTrace, type FoundTrick } from "../tape";
import { throttleAtStick } from "../throttle";
import { requireRecord, type PracticeRecord, type Switched } from "./record";

/** What a try comes to. */
export interface PracticeMeasures {
  readonly durationS: number;
  readonly lowestM: number;
  readonly highestM: number;
  readonly fastestMps: number;
  /** Way flown, m. */
  readonly wayM: number;
  /** How it touched down, or crashed; null while it flew to its end. */
  readonly ended: FlightEvent | null;
  /** When the switch that levels it was thrown. */
  readonly switched: readonly Switched[];
  /** The tricks in it, as a recording of it would show them, in the try's own time. */
  readonly tricks: readonly FoundTrick[];
}

export interface Replayed {
  readonly trace: Trace;
  readonly events: readonly FlightEvent[];
  readonly measures: PracticeMeasures;
}

/** A try flown again from its record, to the last bit. Throws a DomainError naming what can't be. */
export function replay(
  record: PracticeRecord,
  aircraft: Airframe,
  settings: Settings,
  environment: Environment,
): Replayed {
  const { steps, start, obstacles, commands, sticks } = requireRecord(record);
  requireAirframe(aircraft);
  const { shakeSeed: _, ...still } = environment;
  let row = 0;
  const controls: Controls = {
    ...{ roll: 0, pitch: 0, yaw: 0, throttle: 0, motor: 0 },
    command(_seen: Seen, out: Float64Array) {
      out.set(commands.subarray(row * COMMAND_SIZE, (row + 1) * COMMAND_SIZE));
    },
  };
  const read = (at: number) => {
    row = at;
    [controls.roll, controls.pitch, controls.yaw, controls.throttle] = sticks.subarray(
      at * COMMAND_SIZE,
      (at + 1) * COMMAND_SIZE,
    );
    controls.motor = throttleAtStick(settings.throttle, Math.max(0, Math.min(1, controls.throttle)));
  };
  read(0);
  const flight = new TryFlight({ state: Float64Array.from(start), obstacles }, aircraft, settings, still, controls);
  for (let i = 1; i <= steps && !flight.ended; i++) {
    read(i);
    flight.step();
  }
  return {
    trace: flight.trace,
    events: flight.events,
    measures: { ...measuresOf(flight, settings), switched: record.switched ?? [] },
  };
}

/** What a flight by hand comes to, as far as its path tells. */
export function measuresOf(
  { trace, ended, timeS }: Pick<TryFlight, "trace" | "ended" | "timeS">,
  { rates, tiltDeg }: Settings,
): Omit<PracticeMeasures, "switched"> {
  const { northM, eastM, heightM, vNorthMps, vEastMps, climbMps } = trace;
  const { tape, beginsS } = tapeOfTrace(trace);
  let [wayM, fastestMps, lowestM, highestM] = [0, 0, Infinity, -Infinity];
  heightM.forEach((height, i) => {
    lowestM = Math.min(lowestM, height);
    highestM = Math.max(highestM, height);
    fastestMps = Math.max(fastestMps, Math.hypot(vNorthMps[i], vEastMps[i], climbMps[i]));
    if (i > 0) wayM += Math.hypot(northM[i] - northM[i - 1], eastM[i] - eastM[i - 1], height - heightM[i - 1]);
  });
  const tricks = findTricks(tape, { rates, tiltDeg }).map((trick) => ({
    ...trick,
    fromS: trick.fromS - beginsS,
    toS: trick.toS - beginsS,
  }));
  return { durationS: timeS, lowestM, highestM, fastestMps, wayM, ended, tricks };
}
