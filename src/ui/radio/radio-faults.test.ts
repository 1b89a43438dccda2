import { radioFaults } from "./radio-faults";
import { usualRadio } from "./radio-map";

const rest = Array.from({ length: 100 }, () => [0, 0, -1, 0]);
/** A slow sweep of every axis to its ends and back, each reading through what is wrong with its axis. */
const swept = (wrong: (share: number, axis: number) => number) =>
  Array.from({ length: 800 }, (_, i) => {
    const share = Math.sin((2 * Math.PI * i) / 800);
    return [0, 1, 2, 3].map((axis) => wrong(share, axis));
  });

it("finds nothing wrong with a good radio, and names what is", () => {
  expect(
    radioFaults(
      usualRadio,
      rest,
      swept((share) => share),
    ),
  ).toEqual([]);
  const dead = swept((share, axis) => (axis === 0 && Math.abs(share) < 0.08 ? 0 : share));
  expect(radioFaults(usualRadio, rest, dead)).toEqual([
    { stick: "roll", kind: "dead-spot", size: expect.closeTo(0.08, 1) as number },
  ]);
  const short = swept((share, axis) => (axis === 1 ? 0.8 * share : share));
  expect(radioFaults(usualRadio, rest, short)).toEqual([
    { stick: "pitch", kind: "short-end", size: expect.closeTo(0.8, 2) as number },
  ]);
  const shaking = rest.map(([roll, ...others], i) => [roll, ...others.slice(0, 2), i % 2 ? 0.03 : -0.03]);
  expect(
    radioFaults(
      usualRadio,
      shaking,
      swept((share) => share),
    ),
  ).toMatchObject([{ stick: "yaw", kind: "noisy" }]);
  const off = rest.map(() => [0.06, 0, -1, 0]);
  expect(radioFaults(usualRadio, off, [])).toMatchObject([{ stick: "roll", kind: "off-centre" }]);
  const turned = { ...usualRadio, pitch: { index: 1, rest: 0, moved: -1 } };
  expect(radioFaults(turned, rest, [])).toMatchObject([{ stick: "pitch", kind: "reversed" }]);
});
