import { scaleLinear } from "d3-scale";
import type { Axis, TraceColumn } from "@/core";

/** A stick on the timeline. */
export type Lane = Axis | "throttle";
export const lanes: readonly Lane[] = ["throttle", "pitch", "roll", "yaw"];
export const laneNames: Readonly<Record<Lane, string>> = {
  throttle: "Throttle",
  pitch: "Pitch",
  roll: "Roll",
  yaw: "Yaw",
};
export const laneColumns = {
  throttle: "stickThrottle",
  pitch: "stickPitch",
  roll: "stickRoll",
  yaw: "stickYaw",
} as const satisfies Record<Lane, TraceColumn>;
/** What the top and the bottom of a lane are. */
export const laneWays: Readonly<Record<Lane, readonly [top: string, bottom: string]>> = {
  throttle: ["full", "shut"],
  pitch: ["back", "forward"],
  roll: ["right", "left"],
  yaw: ["right", "left"],
};

/** Size of the drawing; text keeps its size when it is shown as wide as this. */
export const WIDTH = 1060;
export const LEFT = 104;
export const RIGHT = 14;
/** Height of the strip of phases. */
export const STRIP = 44;
const LANE = 62;
/** A lane in which nothing moves. */
const QUIET = 24;
const GAP = 6;
const PAD = 5;

/** Where a lane lies. */
export interface LanePlace {
  readonly lane: Lane;
  readonly top: number;
  readonly height: number;
  readonly quiet: boolean;
}

/** Where times and stick positions lie in the drawing, and back. */
export interface Scale {
  readonly domainS: number;
  readonly lanes: readonly LanePlace[];
  readonly bottom: number;
  readonly x: (s: number) => number;
  readonly sAt: (x: number) => number;
  readonly y: (lane: Lane, at: number) => number;
  readonly stickAt: (lane: Lane, y: number) => number;
}

/** The scale of a timeline so many seconds long; lanes in which nothing moves are narrow. */
export function scaleOf(domainS: number, quiet: ReadonlySet<Lane>): Scale {
  let top = STRIP + GAP;
  const places = lanes.map((lane): LanePlace => {
    const place = { lane, top, height: quiet.has(lane) ? QUIET : LANE, quiet: quiet.has(lane) };
    top += place.height + GAP;
    return place;
  });
  const x = scaleLinear([0, domainS], [LEFT, WIDTH - RIGHT]);
  const placeOf = (lane: Lane) => places[lanes.indexOf(lane)];
  return {
    domainS,
    lanes: places,
    bottom: top - GAP,
    x,
    sAt: (at) => x.invert(at),
    y: (lane, at) => {
      const place = placeOf(lane);
      const share = lane === "throttle" ? at : 0.5 + 0.5 * at;
      return place.top + PAD + (1 - share) * (place.height - 2 * PAD);
    },
    stickAt: (lane, y) => {
      const place = placeOf(lane);
      const share = Math.max(0, Math.min(1, 1 - (y - place.top - PAD) / (place.height - 2 * PAD)));
      return lane === "throttle" ? share : 2 * share - 1;
    },
  };
}

/** Round moments, no more of them than can be read. */
export const ticksOf = (domainS: number): readonly number[] =>
  scaleLinear([0, domainS], [0, 1]).ticks(Math.min(12, 2 * domainS));
