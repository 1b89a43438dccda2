import { screen, within } from "@testing-library/react";
import { airframePresets, CALM_AIR, fly, recipes, firstSettings } from "@/core";
import { renderScreen } from "../testing/render-screen";
import { StickDials } from "./stick-dials";

const { trace } = fly(
  recipes["flip-one-move-back"],
  airframePresets["five-inch-freestyle"].airframe,
  firstSettings,
  CALM_AIR,
);
const at = (timeS: number) => Math.round(timeS / trace.sampleS);
const phases = [
  { number: 1, sample: at(0.3) },
  { number: 2, sample: at(0.72) },
  { number: 3, sample: at(1) },
];

it("shows each phase on the hand that moves in it: throttle in the one, pitch in the other", () => {
  renderScreen(<StickDials trace={trace} stickMode={2} phases={phases} cursor={null} />);
  const left = screen.getByRole("img", { name: /^left hand, Throttle and yaw/ });
  const right = screen.getByRole("img", { name: /^right hand, Pitch and roll/ });
  expect(within(left).getByText("1")).toBeInTheDocument();
  expect(within(left).getByText("2")).toBeInTheDocument();
  expect(within(right).queryByText("1")).toBeNull();
  expect(within(right).getByText("3")).toBeInTheDocument();
});

it("changes hands with the stick mode", () => {
  renderScreen(<StickDials trace={trace} stickMode={1} phases={phases} cursor={at(1)} />);
  expect(screen.getByRole("img", { name: /^left hand, Pitch and yaw/ })).toBeInTheDocument();
  expect(screen.getByRole("img", { name: /^right hand, Throttle and roll/ })).toBeInTheDocument();
});
