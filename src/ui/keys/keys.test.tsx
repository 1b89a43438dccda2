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

it("leaves the space bar to the button that has the focus, and what was handled to whoever handled it", async () => {
  const [play, pressed] = [jest.fn(), jest.fn()];
  function Player() {
    useKeys(
      useMemo(
        () => [
          { key: " ", label: "Play", run: play },
          { key: "ArrowRight", label: "Later", run: play },
        ],
        [],
      ),
    );
    return (
      <button onClick={pressed} onKeyDown={(event) => event.key === "ArrowRight" && event.preventDefault()}>
        Drop it
      </button>
    );
  }
  renderScreen(<Player />);
  screen.getByRole("button").focus();
  await userEvent.keyboard(" {ArrowRight}");
  expect(pressed).toHaveBeenCalledTimes(1);
  expect(play).not.toHaveBeenCalled();
  screen.getByRole("button").blur();
  await userEvent.keyboard(" ");
  expect(play).toHaveBeenCalledTimes(1);
});
