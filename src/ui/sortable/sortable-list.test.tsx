import { act, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { renderScreen } from "@/ui/testing/render-screen";
import { SortableLine, SortableList, saidOf } from "./sortable-list";

const ids = ["019a-1", "019a-2"];

it("says what is moved by its name, not by what it is called inside", async () => {
  renderScreen(
    <SortableList id="plan" ids={ids} onMove={() => undefined}>
      <SortableLine id={ids[0]} label="Hover">
        Hover
      </SortableLine>
      <SortableLine id={ids[1]} label="Slow flip">
        Slow flip
      </SortableLine>
    </SortableList>,
  );
  act(() => screen.getByRole("button", { name: "Move Hover" }).focus());
  await userEvent.keyboard(" ");
  expect(await screen.findByText(/^Hover/, { selector: "[role=status]" })).toBeInTheDocument();
  expect(document.body).not.toHaveTextContent("019a");
});

it("says at which place it is, and when it stays", () => {
  const said = saidOf(ids);
  const active = { id: ids[0], data: { current: { label: "Hover" } } } as never;
  const over = { id: ids[1] } as never;
  expect(said.onDragOver({ active, over })).toBe("Hover: place 2 of 2.");
  expect(said.onDragEnd({ active, over })).toBe("Hover is put down at place 2 of 2.");
  expect(said.onDragEnd({ active, over: null })).toBe("Hover stays where it was.");
});
