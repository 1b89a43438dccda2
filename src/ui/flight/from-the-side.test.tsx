import { screen } from "@testing-library/react";
import { airframePresets, CALM_AIR, firstSettings, flyAsSet, recipes } from "@/core";
import { renderScreen } from "../testing/render-screen";
import { FromTheSide } from "./from-the-side";

const fly = (id: string) =>
  flyAsSet({
    recipe: recipes[id],
    values: null,
    entryHeightM: 20,
    airframe: airframePresets["five-inch-freestyle"].airframe,
    settings: firstSettings,
    environment: CALM_AIR,
  });
const overWay = () => screen.queryByRole("img", { name: /^Path from the side/ });
const show = (id: string, over?: "way" | "time") => {
  const { flight, wayOut } = fly(id);
  return renderScreen(<FromTheSide flight={flight} over={over} cursor={null} wayOut={wayOut} height={230} />);
};

it("draws a trick that travels to scale over its way, and one on the spot over time", () => {
  const travelling = show("loop-over-float");
  expect(overWay()).not.toBeNull();
  travelling.unmount();
  show("flip-one-move-back");
  expect(overWay()).toBeNull();
  expect(screen.getByRole("img")).toBeVisible();
});

it("draws it the other way where that is asked for", () => {
  const asked = show("loop-over-float", "time");
  expect(overWay()).toBeNull();
  asked.unmount();
  show("flip-one-move-back", "way");
  expect(overWay()).not.toBeNull();
});
