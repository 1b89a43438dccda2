import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { PlannedBlock } from "@/contract";
import { builtInSyllabus } from "@/syllabus";
import { renderScreen } from "@/ui/testing/render-screen";
import { BlockSwitch } from "./block-switch";

const block = (kind: PlannedBlock["kind"], stepId: string | null, minutes: number): PlannedBlock => ({
  kind,
  stepId,
  minutes,
  firstDirection: null,
  reason: null,
});
const blocks = [block("warm-up", "stop-course", 2), block("main", "flip-slow", 4), block("free", null, 0)];
const onChoose = jest.fn();
const onAdd = jest.fn();
const show = (at = 1) => renderScreen(<BlockSwitch blocks={blocks} at={at} onChoose={onChoose} onAdd={onAdd} />);
const plan = () => within(screen.getByRole("group", { name: "Plan of this pilot" }));

it("shows what is flown in order, what part of the session it is and for how long, and which is flown now", () => {
  show();
  const [warmUp, main, free] = plan().getAllByRole("button");
  expect(warmUp).toHaveTextContent(/^Warm-up 2 min.*Stop course$/);
  expect(main).toHaveTextContent("Main drill 4 minSlow flip");
  // Minutes that nobody planned are not said.
  expect(free).toHaveTextContent(/^Free.*Free flying$/);
  expect(free).not.toHaveTextContent("min");
  expect([warmUp, main, free].map((one) => one.getAttribute("aria-pressed"))).toEqual(["false", "true", "false"]);
});

it("goes to a block by a tap, also where the same step comes twice", async () => {
  renderScreen(<BlockSwitch blocks={[...blocks, blocks[1]]} at={1} onChoose={onChoose} onAdd={onAdd} />);
  await userEvent.click(plan().getAllByRole("button", { name: /Slow flip/ })[1]);
  expect(onChoose).toHaveBeenCalledWith(3);
});

it("takes up any other step of the syllabus, in the order of its skills, and closes the list", async () => {
  show();
  await userEvent.click(screen.getByRole("button", { name: "Another step" }));
  const list = within(screen.getByRole("dialog", { name: "Fly another step now" }));
  expect(list.getAllByRole("button").map((one) => one.textContent)).toEqual(
    builtInSyllabus.skills.flatMap(({ steps }) => steps.map(({ name }) => name)),
  );
  await userEvent.click(list.getByRole("button", { name: "Pure roll" }));
  expect(onAdd).toHaveBeenCalledWith("roll-pure");
  await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
});
