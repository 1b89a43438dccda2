import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MessageBoardLater } from "./message-board-later";
import { tell } from "./messages";

it("shows what was told before anything could show it, and takes back what is reported", async () => {
  const undo = jest.fn();
  tell("Session deleted", { undo });
  render(<MessageBoardLater />);
  expect(await screen.findByText("Session deleted")).toBeVisible();
  tell("The server is not answering", { kind: "error" });
  expect(await screen.findByText("The server is not answering")).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Undo" }));
  expect(undo).toHaveBeenCalledTimes(1);
});
