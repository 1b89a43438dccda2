import { screen } from "@testing-library/react";
import { airframePresets, CALM_AIR, fly, recipes, firstSettings } from "@/core";
import { renderScreen } from "../testing/render-screen";
import { SideView } from "./side-view";

const flightFrom = (entryHeightM: number) =>
  fly(recipes["flip-slow-back"], airframePresets["five-inch-freestyle"].airframe, firstSettings, {
    ...CALM_AIR,
    entryHeightM,
  }).trace;
const show = (entryHeightM: number, units: "metric" | "imperial" = "metric") =>
  renderScreen(
    <SideView
      trace={flightFrom(entryHeightM)}
      phases={[{ number: 1, sample: 20 }]}
      level={{ heightM: entryHeightM, text: "begin no lower" }}
      cursor={40}
      everyS={0.15}
    />,
    { preferences: { theme: "light", units } },
  );

it("cuts the picture off below a high path and says how far the ground is", () => {
  show(40);
  expect(screen.getByText(/^ground .* below the lowest point$/)).toBeInTheDocument();
  expect(screen.getByText(/begin no lower/)).toBeInTheDocument();
});

it("draws the ground where it belongs under a low path", () => {
  show(2);
  expect(screen.queryByText(/below the lowest point/)).toBeNull();
});

it("says the highest and lowest point in the units chosen, for people who do not see it", () => {
  show(40, "imperial");
  expect(screen.getByRole("img", { name: /highest point \d+\u202fft/ })).toBeInTheDocument();
});

it("marks where a flight meets the ground", () => {
  show(40);
  expect(screen.queryByText("hits the ground")).toBeNull();
  const fall = fly(
    recipes["flip-slow-back"],
    airframePresets["five-inch-freestyle"].airframe,
    firstSettings,
    { ...CALM_AIR, entryHeightM: 1 },
    {
      atS: 0.2,
      phases: [{ id: "fall", label: "fall", throttle: { kind: "hold", at: 0 }, until: [], maxS: 9 }],
    },
  ).trace;
  renderScreen(<SideView trace={fall} phases={[]} level={null} cursor={null} everyS={0.15} />);
  expect(screen.getByText("hits the ground")).toBeInTheDocument();
});
