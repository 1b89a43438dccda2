import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useMemo } from "react";
import { renderScreen } from "../testing/render-screen";
import { keyName, useKeys } from "./keys";

function Screen({ onClean }: { onClean: () => void }) {
  const keys = useMemo(() => [{ key: "c", label: "Clean", run: onClean }], [onClean]);
  useKeys(keys);
  return <input aria-label="note" />;
}

it("runs a screen's key, but not while somebody types or holds Ctrl", async () => {
  const clean = jest.fn();
  renderScreen(<Screen onClean={clean} />);
  await userEvent.keyboard("c");
  expect(clean).toHaveBeenCalledTimes(1);
  await userEvent.type(screen.getByLabelText("note"), "calm");
  await userEvent.tab();
  await userEvent.keyboard("{Control>}c{/Control}");
  expect(clean).toHaveBeenCalledTimes(1);
});

it("lists the keys of the screen on ? and stays quiet behind the list", async () => {
  const clean = jest.fn();
  renderScreen(<Screen onClean={clean} />);
  await userEvent.keyboard("?");
  expect(screen.getByRole("dialog", { name: "Keys of this screen" })).toHaveTextContent("Clean");
  await userEvent.keyboard("c");
  expect(clean).not.toHaveBeenCalled();
});

it("forgets the keys of a screen that has gone", async () => {
  const clean = jest.fn();
  const { unmount } = renderScreen(<Screen onClean={clean} />);
  unmount();
  await userEvent.keyboard("c");
  expect(clean).not.toHaveBeenCalled();
});

it("names keys for people", () =>
  expect([keyName("ArrowLeft"), keyName(" "), keyName("c")]).toEqual(["←", "space", "c"]));
