import { act, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { Fold } from "./fold";
import { whenOpened } from "./opened";
import { Progress } from "./progress";

it("what opens is not drawn before, and stays to be seen closing", async () => {
  let drawn = 0;
  const Part = ({ open, says }: { open: boolean; says: string }) => {
    drawn++;
    return <p>{open ? says : "closing"}</p>;
  };
  const Later = whenOpened(async () => Part);
  const { rerender } = render(<Later open={false} says="hello" />);
  await act(async () => undefined);
  expect(drawn).toBe(0);
  rerender(<Later open says="hello" />);
  expect(await screen.findByText("hello")).toBeVisible();
  rerender(<Later open={false} says="hello" />);
  expect(screen.getByText("closing")).toBeVisible();
});

it("a fold draws what is in it while it is open, under a heading of the page that is pressed", async () => {
  function Throttle() {
    const [mid] = useState("0.3");
    return (
      <Fold title="Throttle" beside={`mid ${mid}`} level={2}>
        <input aria-label="mid" defaultValue={mid} />
      </Fold>
    );
  }
  render(<Throttle />);
  const heading = screen.getByRole("heading", { level: 2, name: "Throttle mid 0.3" });
  const button = screen.getByRole("button", { name: "Throttle mid 0.3", expanded: false });
  expect(heading).toContainElement(button);
  expect(screen.queryByLabelText("mid")).toBeNull();
  await userEvent.click(button);
  expect(screen.getByRole("region", { name: "Throttle mid 0.3" })).toContainElement(screen.getByLabelText("mid"));
  await userEvent.click(button);
  expect(screen.queryByLabelText("mid")).toBeNull();
});

it("a bar says how far it is, or only that it goes on", () => {
  const { rerender } = render(<Progress aria-label="Reading" share={0.426} />);
  expect(screen.getByRole("progressbar", { name: "Reading" })).toHaveAttribute("aria-valuenow", "43");
  rerender(<Progress aria-label="Reading" />);
  expect(screen.getByRole("progressbar", { name: "Reading" })).not.toHaveAttribute("aria-valuenow");
});
