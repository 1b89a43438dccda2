import { fireEvent, render, screen } from "@testing-library/react";
import { useState } from "react";
import { recipes, type Flight, type FlightContext, type Recipe } from "@/core";
import { WIDTH, type Scale } from "./timeline-scale";
import { useGrips, type Moves } from "./use-grips";

/** A recipe whose name says what was made of it. */
const named = (id: string): Recipe => ({ ...recipes["flip-slow-back"], id });
const scale = { sAt: (x: number) => x / 100, domainS: 7 } as Scale;
const moves = (orientation: Moves["orientation"]): Moves => ({
  orientation,
  to: ({ recipe }, { s, y }) => named(`${recipe.id} to ${s.toFixed(1)},${y.toFixed(0)}`),
  by: ({ recipe }, steps) => named(`${recipe.id} by ${steps}`),
});

/** A grip on a made-up drawing half as wide as the timeline is drawn; what came of it. */
function show({ orientation = "horizontal" as Moves["orientation"], pending = false } = {}) {
  const emitted: [recipe: string, gesture: string][] = [];
  const holds: boolean[] = [];
  function Drawing() {
    const [recipe, setRecipe] = useState(named("base"));
    const { frozenS, askedS, gripFor } = useGrips(
      (next, gesture) => {
        emitted.push([next.id, gesture]);
        setRecipe(next);
      },
      (held) => holds.push(held),
    );
    const base = { recipe, flight: {} as Flight, context: {} as FlightContext };
    return (
      <svg>
        <g {...gripFor(base, scale, pending)(moves(orientation))} aria-label="end" aria-valuenow={0} />
        <text>{`frozen ${frozenS}, asked ${askedS}`}</text>
      </svg>
    );
  }
  const { container } = render(<Drawing />);
  container.querySelector("svg")!.getBoundingClientRect = () => ({ left: 10, top: 20, width: WIDTH / 2 }) as DOMRect;
  return { emitted, holds, grip: screen.getByRole("slider") };
}
/** jsdom has no pointer events with a place: a mouse event by their name has one. */
const point = (grip: HTMLElement, type: string, at: { clientX?: number; clientY?: number } = {}) =>
  fireEvent(grip, new MouseEvent(`pointer${type}`, { bubbles: true, cancelable: true, ...at }));
const press = (grip: HTMLElement, ...keys: { key: string; shiftKey?: boolean }[]) =>
  keys.forEach((key) => fireEvent.keyDown(grip, key));

it("is dragged from where it was taken hold of, in the units of the drawing, all of it one gesture", () => {
  const { emitted, holds, grip } = show();
  point(grip, "move", { clientX: 60, clientY: 40 });
  expect(emitted).toEqual([]);
  point(grip, "down", { clientX: 60, clientY: 40 });
  // The timeline keeps its length while something is held.
  expect(screen.getByText("frozen 7, asked null")).toBeInTheDocument();
  point(grip, "move", { clientX: 60, clientY: 40 });
  point(grip, "move", { clientX: 110, clientY: 40 });
  // Fifty pixels from the left of a drawing at half its size.
  expect(emitted).toEqual([
    ["base to 1.0,40", "drag 2"],
    ["base to 2.0,40", "drag 2"],
  ]);
  expect(screen.getByText("frozen 7, asked 2")).toBeInTheDocument();
  expect(holds).toEqual([true]);
  point(grip, "up");
  expect(holds).toEqual([true, false]);
  expect(screen.getByText("frozen null, asked null")).toBeInTheDocument();
  point(grip, "move", { clientX: 300, clientY: 40 });
  expect(emitted).toHaveLength(2);
});

it("asks for no time where it is moved up and down, and lets go when the pointer is taken away", () => {
  const { emitted, grip } = show({ orientation: "vertical" });
  point(grip, "down");
  point(grip, "move", { clientX: 60, clientY: 70 });
  expect(emitted.at(-1)![0]).toBe("base to 1.0,100");
  expect(screen.getByText("frozen 7, asked null")).toBeInTheDocument();
  point(grip, "cancel");
  expect(screen.getByText("frozen null, asked null")).toBeInTheDocument();
});

it("goes by keys, ten at a time with shift; other keys are left to the page", () => {
  const { emitted, grip } = show();
  press(grip, { key: "ArrowRight" }, { key: "ArrowDown" }, { key: "ArrowUp", shiftKey: true }, { key: "x" });
  expect(emitted.map(([recipe]) => recipe)).toEqual(["base by 1", "base by 1 by -1", "base by 1 by -1 by 10"]);
  expect(new Set(emitted.map(([, gesture]) => gesture)).size).toBe(1);
});

it("keys pressed faster than it is flown add up from where it was, so that none is lost", () => {
  const { emitted, grip } = show({ pending: true });
  press(grip, { key: "ArrowRight" }, { key: "ArrowRight" }, { key: "ArrowRight", shiftKey: true });
  expect(emitted.map(([recipe]) => recipe)).toEqual(["base by 1", "base by 2", "base by 12"]);
});

it("a new hold is a gesture of its own, for undo", () => {
  const { emitted, grip } = show();
  press(grip, { key: "ArrowRight" });
  fireEvent.blur(grip);
  fireEvent.focus(grip);
  press(grip, { key: "ArrowLeft" });
  expect(emitted[1][1]).not.toBe(emitted[0][1]);
});
