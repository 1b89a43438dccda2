import { pushFor, quizQuestions } from "./quiz";

// Common practice, no source: mode 2 has throttle and yaw left, mode 1 pitch and yaw, mode 3 pitch and roll, mode 4 throttle and roll.
it.each([
  [1, "right up", "left down", "right out-right", "left out-left"],
  [2, "left up", "right down", "right out-right", "left out-left"],
  [3, "right up", "left down", "left out-right", "right out-left"],
  [4, "left up", "right down", "left out-right", "right out-left"],
])("mode %d: climb, nose up, right wing down, nose left", (mode, ...wanted) => {
  const push = (axis: "throttle" | "pitch" | "roll" | "yaw", positive: boolean) => {
    const { side, way } = pushFor(mode, { axis, positive });
    return `${side} ${way}`;
  };
  expect([push("throttle", true), push("pitch", true), push("roll", true), push("yaw", false)]).toEqual(wanted);
});

it("asks all eight movements once, whatever the lot, each with another place to push", () => {
  for (const lot of [0, 0.5, 0.999]) {
    const asked = quizQuestions(2, () => lot).filter((one) => one.kind === "push");
    expect(new Set(asked.map(({ asks }) => asks)).size).toBe(8);
    expect(new Set(asked.map(({ side, way }) => `${side} ${way}`)).size).toBe(8);
  }
});
