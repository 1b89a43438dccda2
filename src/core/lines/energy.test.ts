import { airframePresets } from "../airframe";
import { firstSettings, STATE, STATE_SIZE, type Derivative, type Step } from "../flight";
import { CALM_AIR } from "../recipes";
import { flyLine, type Line } from ".";

const five = airframePresets["five-inch-freestyle"].airframe;
const g = 9.80665;
const work = {
  j: 0,
  steps: 0,
  lastJ: 0,
  last: new Float64Array(STATE_SIZE),
  first: null as Float64Array | null,
  end: new Float64Array(STATE_SIZE),
};

/** Work done on the aircraft in a step by all but its weight, with the weights of Kutta's method at its own four stages; a step that is taken back is taken back here. */
function tally(
  derivative: Derivative,
  before: Float64Array,
  after: Float64Array,
  start: Float64Array,
  end: Float64Array,
  dtS: number,
) {
  const middle = start.map((value, i) => 0.5 * (value + end[i]));
  const stage = new Float64Array(4);
  for (let i = 0; i < 3; i++) stage[i] = (end[i] - start[i]) / dtS;
  let slopes: Float64Array = new Float64Array(STATE_SIZE);
  const power = (offS: number, command: Float64Array) => {
    stage[3] = offS;
    const found = new Float64Array(STATE_SIZE);
    derivative.ahead(before, slopes, command, found, stage);
    const v = [3, 4, 5].map((i) => before[i] + offS * slopes[i]);
    slopes = found;
    return five.massKg * (v[0] * found[3] + v[1] * found[4] + v[2] * (found[5] - g));
  };
  const [p1, p2, p3, p4] = [power(0, start), power(0.5 * dtS, middle), power(0.5 * dtS, middle), power(dtS, end)];
  const j = (dtS / 6) * (p1 + 2 * p2 + 2 * p3 + p4);
  if (work.steps > 0 && before.every((value, i) => value === work.last[i])) work.j -= work.lastJ;
  work.j += j;
  work.lastJ = j;
  work.last.set(before);
  work.first ??= Float64Array.from(before);
  work.end.set(after);
  work.steps++;
}

jest.mock("../flight/integrator", () => {
  const real = jest.requireActual<{ createStep: (derivative: Derivative) => Step }>("../flight/integrator");
  return {
    createStep: (derivative: Derivative): Step => {
      const step = real.createStep(derivative);
      return (state, start, end, dtS) => {
        const [before, from, to] = [state, start, end].map((array) => Float64Array.from(array));
        step(state, start, end, dtS);
        tally(derivative, before, state, from, to, dtS);
      };
    },
  };
});

const energyJ = (state: Float64Array) =>
  five.massKg *
  (0.5 * (state[STATE.vNorth] ** 2 + state[STATE.vEast] ** 2 + state[STATE.vDown] ** 2) - g * state[STATE.down]);

it("over a whole line energy comes and goes by the work of thrust and drag alone, to a millionth", () => {
  const line: Line = {
    id: "line",
    label: "Line",
    start: { kind: "cruise" },
    headingDeg: 20,
    anchors: [],
    items: [
      { kind: "trick", recipe: "roll-level-right" },
      { kind: "join", join: { kind: "turn", deg: 120 } },
      { kind: "trick", recipe: "loop-open-power" },
      { kind: "join", join: { kind: "climb", m: 4 } },
      { kind: "trick", recipe: "split-s-float-left" },
    ],
  };
  const windy = { ...CALM_AIR, entryHeightM: 40, windEastMps: 2 };
  const planned = flyLine(line, five, firstSettings, windy).items.map(({ recipe }) => recipe);
  Object.assign(work, { j: 0, steps: 0, lastJ: 0, first: null });
  const { measures } = flyLine(line, five, firstSettings, windy, { planned });
  expect(measures.complete).toBe(true);
  expect(work.steps).toBeGreaterThan(5000);
  const gained = energyJ(work.end) - energyJ(work.first!);
  expect(Math.abs(gained - work.j)).toBeLessThan(1e-6 * energyJ(work.first!));
});
