import { airframePresets, findTricks, firstSettings, LiveTape, readTape, type FoundTrick, type LiveCall } from "@/core";
import { MadeUpAircraft, NAMES, SOUND_MACHINE, type Act } from "./made-up-aircraft";
import { Line, type Misdeed } from "./misbehaviour";

const { airframe } = airframePresets["five-inch-freestyle"];
const flownBy = { rates: firstSettings.rates, tiltDeg: firstSettings.tiltDeg };
const tricks = [
  ...["flip-slow-back", "flip-ease-end-front", "roll-pure-left", "roll-level-right", "spin-level-left"],
  ...["hang-right", "split-s-float-left", "flip-one-move-front", "loop-open-power"],
];
const HZ = 100;
const EVERY_S = 0.1;
const named = ({ kind, direction, turns }: FoundTrick) => `${kind} ${direction} ${turns}`;

/** A live tape, a made-up aircraft and the line between them. */
function sky(seed: number) {
  const hands = { unsteady: 0.02, openThrottle: 0, lateS: 0.02 };
  const craft = new MadeUpAircraft({ airframe, settings: firstSettings }, hands, SOUND_MACHINE, HZ, seed);
  const live = new LiveTape(flownBy);
  const line = new Line(seed);
  const calls: (LiveCall & { readonly atS: number })[] = [];
  let next = 0;
  live.take(NAMES, 0);
  const fly = (act: Act, doing: ReadonlySet<Misdeed> = new Set()) => {
    for (const frame of craft.fly(act)) {
      for (const one of line.sent(frame, doing)) live.take(one, 1000 * frame.timeS);
      if (frame.timeS < next) continue;
      next = frame.timeS + EVERY_S;
      calls.push(...live.calls().map((call) => ({ ...call, atS: live.lengthS })));
    }
  };
  fly({ kind: "stand", untilS: 3 });
  return { craft, live, line, calls, fly };
}

it("ten minutes with lost frames, garbage, noise, restarts and a clock that jumps end with the tricks of its file, each called in time", () => {
  const { craft, live, line, calls, fly } = sky(8);
  const misdeeds: readonly Misdeed[] = ["lost-frames", "garbage", "noise"];
  let flown = 0;
  for (; craft.timeS < 600; flown++) {
    const doing = new Set(flown % 2 ? [misdeeds[Math.floor(flown / 2) % misdeeds.length]] : []);
    if (flown % 5 === 4) line.jump();
    if (flown % 7 === 6) live.take(NAMES, 1000 * craft.timeS);
    fly({ kind: "cruise", untilS: craft.timeS + 5 }, doing);
    fly({ kind: "trick", recipe: tricks[flown % tricks.length] }, doing);
  }
  fly({ kind: "cruise", untilS: craft.timeS + 3 });
  const ofFile = findTricks(readTape(live.text()), flownBy);
  expect(live.tricks.map(named)).toEqual(ofFile.map(named));
  expect(Math.abs(ofFile.length - flown)).toBeLessThanOrEqual(1);
  const latest = Math.max(...calls.filter(({ instead }) => instead === null).map(({ atS, trick }) => atS - trick.toS));
  expect(latest).toBeLessThan(0.5);
  expect(calls.filter(({ instead }) => instead).length).toBeLessThanOrEqual(1);
  expect(live.faults.garbage).toBeGreaterThan(20);
  expect(live.faults.restarts).toBeGreaterThan(3);
  expect(live.faults.jumps).toBeGreaterThan(3);
});

it("a line that was cut for a while leaves a gap, and goes on", () => {
  const { craft, live, fly } = sky(2);
  fly({ kind: "cruise", untilS: 10 });
  const before = live.rows;
  // Nobody hears these.
  expect([...craft.fly({ kind: "cruise", untilS: 16 })].length).toBeGreaterThan(500);
  fly({ kind: "cruise", untilS: 20 });
  fly({ kind: "trick", recipe: "flip-one-move-back" });
  fly({ kind: "cruise", untilS: craft.timeS + 1 });
  expect(live.faults).toMatchObject({ jumps: 0, gapsS: expect.closeTo(6, 0) });
  expect(live.rows).toBeGreaterThan(before + 400);
  expect(live.tricks.map(named)).toEqual(["flip back 1"]);
  expect(readTape(live.text()).gaps).toHaveLength(1);
});

it("what is no line of an aircraft is counted and stops nothing", () => {
  const live = new LiveTape(flownBy);
  for (const line of ["", "hello", "1,2,3", "\u0000\u0007", "NaN,0,0,0,0,0,0,0", `${"9".repeat(500)},`])
    expect(live.take(line, 0)).toBe("garbage");
  expect(live.take(NAMES, 0)).toBe("names");
  for (const line of ["0,0,0,0,0.3,0,0,0,9", "0.01,0,0,0,0.3,0,0,0"]) expect(live.take(line, 10)).toBe("row");
  for (const line of ["0.02,0,0,7,0.3,0,0,0", "0.02,0,0,0,0.3,1e9,0,0", "0.02,0,,0,0.3,0,0,0"])
    expect(live.take(line, 20)).toBe("garbage");
  expect(live.take("0.01,0,0,0,0.3,0,0,0", 20)).toBe("late");
  expect(live.faults).toEqual({ garbage: 9, late: 1, gapsS: 0, restarts: 0, jumps: 0 });
  expect(live.calls()).toEqual([]);
  expect(live.last).toEqual({ stick: [0, 0, 0], throttle: expect.closeTo(0.3, 5), gyroDps: [0, 0, 0] });
});
