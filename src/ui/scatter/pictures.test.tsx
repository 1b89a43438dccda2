import { screen } from "@testing-library/react";
import type { ScatterRun } from "@/core";
import { renderScreen } from "../testing/render-screen";
import { Cloud, StopSpread, TradePlot } from "./pictures";

const drawing = (name: RegExp | string) => screen.getByRole("img", { name }) as unknown as SVGSVGElement;
const numbers = (element: Element, ...names: string[]) => names.map((name) => Number(element.getAttribute(name)));

describe("paths of scattered runs", () => {
  const run = (path: ScatterRun["path"], failure: ScatterRun["failure"] = null) => ({ path, failure }) as ScatterRun;
  const square = [
    [0, 0, 0],
    [10, 0, 0],
    [10, 0, 10],
  ] as NonNullable<ScatterRun["path"]>;

  it("are drawn to scale, a metre up as long as a metre along, those not clean dashed", () => {
    renderScreen(<Cloud runs={[run(square), run(square, { kind: "late" } as never), run(null)]} />);
    const lines = [...drawing("Paths of 2 runs from the side").querySelectorAll("path")];
    expect(lines.map((line) => line.hasAttribute("stroke-dasharray"))).toEqual([false, true]);
    const [[x0, y0], [x1], [, y2]] = lines[0]
      .getAttribute("d")!
      .slice(1)
      .split("L")
      .map((point) => point.split(",").map(Number));
    expect(x1 - x0).toBeCloseTo(y0 - y2, 0);
    expect(x1 - x0).toBeGreaterThan(50);
    expect(screen.getByText(/The first/)).toHaveTextContent(
      "The first 2 runs from the side, to scale; dashed: not clean.",
    );
  });

  it("have their heights along the side in round steps from the ground", () => {
    renderScreen(<Cloud runs={[run(square)]} />);
    const heights = [...drawing(/Paths of/).querySelectorAll("text")].map(({ textContent }) => textContent);
    expect(heights).toEqual([0, 2, 4, 6, 8, 10].map((metres) => `${metres}\u202fm`));
  });
});

describe("the spread of the stop", () => {
  const errors = [-30, -4, -3, -1, 0, 0, 1, 2, 3, 12];
  const bars = () =>
    [...drawing("Spread of the stop").querySelectorAll("rect")].map((bar) => {
      const [x, width, height] = numbers(bar, "x", "width", "height");
      return { middle: x + width / 2, height, filled: bar.getAttribute("fill") !== "none" };
    });

  it("counts every run once, as high as there are runs", () => {
    renderScreen(<StopSpread errorsDeg={errors} withinDeg={15} />);
    const heights = bars().map(({ height }) => height);
    const unit = Math.min(...heights.filter((height) => height > 0));
    expect(heights.reduce((sum, height) => sum + height, 0) / unit).toBeCloseTo(errors.length, 6);
  });

  it("fills what counts as clean, between two lines that stand as far from the middle", () => {
    renderScreen(<StopSpread errorsDeg={errors} withinDeg={15} />);
    const [left, right] = [...drawing("Spread of the stop").querySelectorAll("line[stroke-dasharray]")].map(
      (line) => numbers(line, "x1")[0],
    );
    expect((left + right) / 2).toBeCloseTo((40 + 420 - 8) / 2, 6);
    for (const { middle, filled } of bars()) expect(filled).toBe(middle > left && middle < right);
    expect(screen.getByText(/filled: within what counts as clean/)).toBeVisible();
  });

  it("has no limits for a step that asks for none, and signs past the mark with a plus", () => {
    renderScreen(<StopSpread errorsDeg={errors} withinDeg={null} />);
    expect(bars().every(({ filled }) => filled)).toBe(true);
    expect(screen.queryByText(/filled/)).toBeNull();
    const ticks = [...drawing("Spread of the stop").querySelectorAll("text")].map(({ textContent }) => textContent);
    expect(ticks).toEqual(["-30°", "-20°", "-10°", "0°", "+10°", "+20°", "+30°"]);
  });
});

describe("the trade of a knob", () => {
  const trade = (proposed: number | null) =>
    renderScreen(
      <TradePlot
        name="Pitch, end rate"
        points={[
          [500, 0],
          [600, 1],
          [700, 0.5],
        ]}
        now={500}
        proposed={proposed}
        text={(value) => `${value} °/s`}
      />,
    );
  const plot = () => drawing("Pitch, end rate: clean share where it was tried");

  it("shows the shares where it was tried, the higher the better, with the ends of its range", () => {
    trade(600);
    const points = [...plot().querySelectorAll("circle")].map((point) => numbers(point, "cx", "cy"));
    expect(points[0][0]).toBeLessThan(points[1][0]);
    expect(points[1][1]).toBeLessThan(points[2][1]);
    expect(points[2][1]).toBeCloseTo((points[0][1] + points[1][1]) / 2, 6);
    expect(plot()).toHaveTextContent("500 °/s");
    expect(plot()).toHaveTextContent("700 °/s");
  });

  it("marks where it stands, and where it is proposed to stand when that is elsewhere", () => {
    const marked = (proposed: number | null) => {
      const { unmount } = trade(proposed);
      const texts = screen.getByText(/dotted, now/).textContent;
      unmount();
      return texts;
    };
    expect(marked(600)).toBe("Pitch, end rate: dotted, now; line, proposed");
    expect(marked(null)).toBe("Pitch, end rate: dotted, now");
    expect(marked(500)).toBe("Pitch, end rate: dotted, now");
  });
});
