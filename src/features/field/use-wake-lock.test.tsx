import { render, waitFor } from "@testing-library/react";
import { useWakeLock } from "./use-wake-lock";

function Lamp({ on }: { on: boolean }) {
  useWakeLock(on);
  return null;
}

/** A device that keeps its screen on when asked; what was asked of it. */
function device(refuses = false) {
  const releases: jest.Mock[] = [];
  const request = jest.fn(() => {
    if (refuses) return Promise.reject(new DOMException("low battery", "NotAllowedError"));
    const release = jest.fn(() => Promise.resolve());
    releases.push(release);
    return Promise.resolve({ release });
  });
  Object.defineProperty(navigator, "wakeLock", { value: { request }, configurable: true });
  return { request, releases };
}
const comeBack = (state: "visible" | "hidden") => {
  Object.defineProperty(document, "visibilityState", { value: state, configurable: true });
  document.dispatchEvent(new Event("visibilitychange"));
};

afterEach(() => {
  Reflect.deleteProperty(navigator, "wakeLock");
  comeBack("visible");
});

it("keeps the screen on while it is asked to, asks again when somebody comes back, and lets go at the end", async () => {
  const { request, releases } = device();
  const shown = render(<Lamp on />);
  await waitFor(() => expect(request).toHaveBeenCalledTimes(1));
  // The device lets go by itself when the page is hidden.
  comeBack("hidden");
  expect(request).toHaveBeenCalledTimes(1);
  comeBack("visible");
  await waitFor(() => expect(request).toHaveBeenCalledTimes(2));
  shown.rerender(<Lamp on={false} />);
  await waitFor(() => expect(releases[1]).toHaveBeenCalled());
  comeBack("visible");
  expect(request).toHaveBeenCalledTimes(2);
});

it("lets go at once of what is granted after the page was left", async () => {
  const { request, releases } = device();
  render(<Lamp on />).unmount();
  await waitFor(() => expect(request).toHaveBeenCalledTimes(1));
  await waitFor(() => expect(releases[0]).toHaveBeenCalled());
});

it("works without it on a device that refuses or has none", async () => {
  const { request } = device(true);
  render(<Lamp on />);
  await waitFor(() => expect(request).toHaveBeenCalled());
  Reflect.deleteProperty(navigator, "wakeLock");
  expect(() => render(<Lamp on />)).not.toThrow();
});
