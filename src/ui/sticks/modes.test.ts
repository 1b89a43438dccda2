import { handName, onDial, stickModes } from "./modes";

const sticks = { roll: 0.3, pitch: 1, yaw: -0.2, throttle: 0 };

it("puts each axis in the hand that every stick mode gives it (common practice, no source)", () => {
  expect(handName(stickModes[1].left)).toBe("Pitch and yaw");
  expect(handName(stickModes[2].left)).toBe("Throttle and yaw");
  expect(handName(stickModes[3].left)).toBe("Pitch and roll");
  expect(handName(stickModes[4].left)).toBe("Throttle and roll");
  for (const { left, right } of Object.values(stickModes)) {
    expect([left.sideways, left.upright, right.sideways, right.upright].sort()).toEqual([
      "pitch",
      "roll",
      "throttle",
      "yaw",
    ]);
  }
});

it("draws a stick pulled back below the centre and a closed throttle at the bottom", () => {
  expect(onDial(stickModes[2].right, sticks)).toEqual({ x: 0.3, y: -1 });
  expect(onDial(stickModes[2].left, sticks)).toEqual({ x: -0.2, y: -1 });
});
