import { act, render, screen } from "@testing-library/react";
import { Suspense, use, useEffect, useState } from "react";
import { useDragged } from "./use-dragged";

/** Draws a value once it is let: as a page that takes its time. */
const gates = new Map<number, { readonly open: () => void; readonly opened: Promise<void> }>();
const gateOf = (value: number) => {
  let gate = gates.get(value);
  if (!gate) {
    let open = () => undefined as void;
    gate = { opened: new Promise<void>((done) => (open = done)), open: () => open() };
    gates.set(value, gate);
  }
  return gate;
};

function Drawn({ value }: { value: number }) {
  if (value !== 0) use(gateOf(value).opened);
  return <output>{value}</output>;
}

let hand: ReturnType<typeof useDragged>;
const told: number[] = [];

function Slider({ value, onChange }: { value: number; onChange: (value: number) => void }) {
  const dragged = useDragged(value, (next) => {
    told.push(next);
    onChange(next);
  });
  // What is on the screen is moved, not what is still being drawn.
  useEffect(() => {
    hand = dragged;
  });
  return <b data-testid="slider">{dragged.shown}</b>;
}

function Page() {
  const [value, setValue] = useState(0);
  return (
    <Suspense>
      <Slider value={value} onChange={setValue} />
      <Drawn value={value} />
    </Suspense>
  );
}

const opens = (value: number) =>
  act(async () => {
    gateOf(value).open();
    await new Promise((done) => setTimeout(done, 20));
  });
const slider = () => screen.getByTestId("slider").textContent;
const drawn = () => screen.getByRole("status").textContent;

it("follows the hand at once, and is drawn with the newest value as soon as there is time", async () => {
  render(<Page />);
  for (const to of [1, 2, 3]) await act(async () => hand.drag(to));
  expect([slider(), drawn()]).toEqual(["3", "0"]);
  await opens(1);
  // Two was never drawn: three was there by then.
  expect([slider(), drawn()]).toEqual(["3", "1"]);
  await opens(3);
  expect([slider(), drawn()]).toEqual(["3", "3"]);
  expect(told).toEqual([1, 3]);
  // Let go of, it is what it was let go at, and follows whatever changes it besides.
  gateOf(4).open();
  await act(async () => hand.settle(4));
  expect([slider(), drawn()]).toEqual(["4", "4"]);
});
