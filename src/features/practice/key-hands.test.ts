import { isHandKey, withKeys } from "./key-hands";

const rest = { roll: 0, pitch: 0, yaw: 0, throttle: 0.3 };
const held = (sticks: typeof rest, keys: readonly string[], seconds: number) => {
  let now = sticks;
  for (let i = 0; i < Math.round(seconds * 60); i++) now = withKeys(now, new Set(keys), 1 / 60);
  return now;
};

it("moves a stick to its end while its key is held and lets it come back; the throttle stays where it was left", () => {
  const rolled = held(rest, ["ArrowRight", "KeyW"], 0.5);
  expect(rolled).toMatchObject({ roll: 1, pitch: 0, yaw: 0 });
  expect(rolled.throttle).toBeCloseTo(0.3 + 0.45, 6);
  expect(held(rolled, [], 0.3)).toEqual({ ...rolled, roll: 0 });
  // Both at once is neither; the other way is quicker than out, as a thumb is.
  expect(held(rest, ["ArrowLeft", "ArrowRight"], 1).roll).toBe(0);
  expect(held(rolled, ["ArrowLeft"], 0.2).roll).toBeLessThan(0);
  expect(held(rest, ["KeyS"], 5).throttle).toBe(0);
  expect(held(rest, ["ArrowUp", "KeyA"], 1)).toMatchObject({ pitch: -1, yaw: -1 });
});

it("is the same however many frames a second there are", () => {
  const sixty = held(rest, ["ArrowDown"], 0.2).pitch;
  let slow = rest;
  for (let i = 0; i < 6; i++) slow = withKeys(slow, new Set(["ArrowDown"]), 1 / 30);
  expect(slow.pitch).toBeCloseTo(sixty, 6);
  expect(isHandKey("KeyW") && !isHandKey("Enter")).toBe(true);
});
