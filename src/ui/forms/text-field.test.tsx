import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { TextField } from "./text-field";

it("is named by its label, described by its help, and says that what stands in it is wrong", () => {
  render(<TextField label="Pack, min" helperText="From 1 to 60 min" error value="x" onChange={() => undefined} />);
  const field = screen.getByRole("textbox", { name: "Pack, min" });
  expect(field).toHaveAccessibleDescription("From 1 to 60 min");
  expect(field).toBeInvalid();
});

it("takes several lines, what is told of its input, and keys pressed in it", async () => {
  const keys: string[] = [];
  function Note() {
    const [text, setText] = useState("");
    return (
      <TextField
        multiline
        minRows={3}
        value={text}
        onChange={({ target }) => setText(target.value)}
        onKeyDown={({ key }) => keys.push(key)}
        slotProps={{ htmlInput: { "aria-label": "Note", maxLength: 5 } }}
      />
    );
  }
  render(<Note />);
  const note = screen.getByRole("textbox", { name: "Note" });
  await userEvent.type(note, "a{Enter}bcdef");
  expect(note).toHaveValue("a\nbcd");
  expect(keys.slice(0, 2)).toEqual(["a", "Enter"]);
});

it("without a box it has neither frame nor label, and is still named", () => {
  const { container } = render(
    <TextField look="lined" defaultValue="12" slotProps={{ htmlInput: { "aria-label": "Minutes" } }} />,
  );
  expect(screen.getByRole("textbox", { name: "Minutes" })).toHaveValue("12");
  expect(container.querySelector("fieldset, label")).toBeNull();
});
