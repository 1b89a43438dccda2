import { render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { Option, OptionHeading } from "./options";
import { SelectField, SelectSeveral } from "./select-field";

const stages = ["hover", "flips", "loops", "lines"];

function Stages({ told, disabled = false }: { told: (value: unknown) => void; disabled?: boolean }) {
  const [stage, setStage] = useState<string | number>(1);
  return (
    <SelectField
      label="Stage"
      helperText="Where the pilot stands"
      disabled={disabled}
      value={stage}
      onChange={({ target }) => {
        told(target.value);
        setStage(target.value);
      }}
    >
      <OptionHeading>By depth</OptionHeading>
      {stages.map((name, i) => (
        <Option key={name} value={i} disabled={name === "lines"}>
          {i} {name}
        </Option>
      ))}
    </SelectField>
  );
}

const field = () => screen.getByRole("combobox", { name: "Stage", hidden: true });

it("says what is chosen, and offers the rest when it is pressed: headings apart, what cannot be had not pressed", async () => {
  const told: unknown[] = [];
  render(<Stages told={(value) => told.push(value)} />);
  expect(field()).toHaveTextContent("1 flips");
  expect(field()).toHaveAccessibleDescription("Where the pilot stands");
  expect(screen.queryByRole("listbox")).toBeNull();
  await userEvent.click(field());
  const list = screen.getByRole("listbox", { name: "Stage" });
  expect(within(list).getAllByRole("option")).toHaveLength(4);
  expect(within(list).getByText("By depth")).toBeVisible();
  expect(within(list).getByRole("option", { selected: true })).toHaveTextContent("1 flips");
  expect(within(list).getByRole("option", { name: "3 lines" })).toHaveAttribute("aria-disabled", "true");
  await userEvent.click(within(list).getByRole("option", { name: "2 loops" }));
  // As it was offered: a number stays one.
  expect(told).toEqual([2]);
  expect(field()).toHaveTextContent("2 loops");
});

it("is worked by keys: opened, moved in, chosen, and left as it was by escape; the field has the focus again", async () => {
  const told: unknown[] = [];
  render(<Stages told={(value) => told.push(value)} />);
  await userEvent.tab();
  expect(field()).toHaveFocus();
  await userEvent.keyboard("{ArrowDown}");
  expect(field()).toHaveAttribute("aria-expanded", "true");
  await userEvent.keyboard("{ArrowDown}{Enter}");
  expect(told).toEqual([2]);
  await waitFor(() => expect(screen.queryByRole("listbox")).toBeNull());
  expect(field()).toHaveFocus();
  await userEvent.keyboard("{Enter}{Escape}");
  expect(told).toEqual([2]);
});

it("chooses by the first letter while it is closed, going round, and passes over what cannot be had", async () => {
  const told: unknown[] = [];
  render(<Stages told={(value) => told.push(value)} />);
  await userEvent.tab();
  await userEvent.keyboard("0");
  await userEvent.keyboard("3");
  await userEvent.keyboard("2");
  expect(told).toEqual([0, 2]);
  expect(screen.queryByRole("listbox")).toBeNull();
});

it("a letter that chooses is no key of the screen; one that chooses nothing is", async () => {
  const pressed: string[] = [];
  const listen = (event: KeyboardEvent) => !event.defaultPrevented && pressed.push(event.key);
  window.addEventListener("keydown", listen);
  render(<Stages told={() => undefined} />);
  field().focus();
  await userEvent.keyboard("0c");
  expect(pressed).toEqual(["c"]);
  window.removeEventListener("keydown", listen);
});

it("opens for nobody while it is disabled, and is told as such", async () => {
  render(<Stages disabled told={() => undefined} />);
  expect(field()).toHaveAttribute("aria-disabled", "true");
  await userEvent.tab();
  expect(field()).not.toHaveFocus();
  await userEvent.click(field(), { pointerEventsCheck: 0 });
  expect(screen.queryByRole("listbox")).toBeNull();
});

it("of several the list stays open, each press turns one on or off, and none has its own words", async () => {
  function Places() {
    const [places, setPlaces] = useState<readonly ("field" | "simulator")[]>([]);
    return (
      <SelectSeveral aria-label="Places" value={places} onChange={setPlaces} none="anywhere">
        <Option value="field">in the field</Option>
        <Option value="simulator">in the simulator</Option>
      </SelectSeveral>
    );
  }
  render(<Places />);
  const places = screen.getByRole("combobox", { name: "Places" });
  expect(places).toHaveTextContent("anywhere");
  await userEvent.click(places);
  await userEvent.click(screen.getByRole("option", { name: "in the field" }));
  await userEvent.click(screen.getByRole("option", { name: "in the simulator" }));
  expect(places).toHaveTextContent("in the field, in the simulator");
  await userEvent.click(screen.getByRole("option", { name: "in the field" }));
  expect(places).toHaveTextContent("in the simulator");
  expect(screen.getByRole("listbox")).toHaveAttribute("aria-multiselectable", "true");
});

it("tells whoever writes something else than options into it", () => {
  const quiet = jest.spyOn(console, "error").mockImplementation(() => undefined);
  expect(() =>
    render(
      <SelectField label="Stage" value="" onChange={() => undefined}>
        <b>loops</b>
      </SelectField>,
    ),
  ).toThrow("options and headings only");
  quiet.mockRestore();
});
