import { act, screen } from "@testing-library/react";
import { renderScreen } from "../testing/render-screen";
import { LightLeft } from "./light-left";

const place = { latitudeDeg: 53.37, longitudeDeg: 5.22 };
const showAt = (iso: string) => {
  jest.useFakeTimers({ now: new Date(iso), advanceTimers: false });
  return renderScreen(<p>Today: {<LightLeft place={place} />}</p>);
};
afterEach(() => jest.useRealTimers());

it("says until when there is light, in red with the minutes toward its end, and that it is gone", () => {
  const { container, unmount } = showAt("2026-11-29T12:00:00Z");
  expect(container).toHaveTextContent(/light until \d\d:\d\d, sunset \d\d:\d\d/);
  expect(container).not.toHaveTextContent("▲");
  unmount();
  // The sun sets there at about half past three that day, and twilight is over some 40 minutes later.
  const late = showAt("2026-11-29T15:55:00Z");
  expect(late.container).toHaveTextContent(/▲ light until \d\d:\d\d, \d+ min/);
  act(() => void jest.advanceTimersByTime(40 * 60_000));
  expect(screen.getByText(/the light is gone: land/)).toBeVisible();
});

it("says nothing of a site of which nobody said where it lies, nor where the sun stays up", () => {
  jest.useFakeTimers({ now: new Date("2026-06-21T12:00:00Z") });
  const { container } = renderScreen(
    <p>
      <LightLeft place={null} />
      <LightLeft place={{ latitudeDeg: 70, longitudeDeg: 25 }} />
    </p>,
  );
  expect(container).toHaveTextContent(/^$/);
});
