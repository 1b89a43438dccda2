import { act, fireEvent, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { renderScreen } from "@/ui/testing/render-screen";
import type { AngleSensor } from "@/ui/sensors/angle-sensor";
import { Protractor } from "./protractor";

/** A phone that a test holds. */
function heldPhone() {
  let tell: ((angleDeg: number) => void) | null = null;
  const sensor: AngleSensor = (onAngle) => {
    tell = onAngle;
    return () => {
      tell = null;
    };
  };
  return { sensor, hold: (angleDeg: number) => act(() => tell?.(angleDeg)), listening: () => tell !== null };
}

it("takes the tilt from a phone held along the plate and along the camera, steadied over the readings", async () => {
  const phone = heldPhone();
  const onTilt = jest.fn();
  renderScreen(<Protractor onTilt={onTilt} sensor={phone.sensor} />);
  for (const [i, readings] of [
    [1.9, 2.1],
    [29.8, 30.2],
  ].entries()) {
    await userEvent.click(screen.getAllByRole("button", { name: "Read it with this phone" })[i]);
    readings.forEach(phone.hold);
    await userEvent.click(screen.getByRole("button", { name: "Take it" }));
    expect(phone.listening()).toBe(false);
  }
  await userEvent.click(screen.getByRole("button", { name: "Set the tilt to 28.0°" }));
  expect(onTilt).toHaveBeenCalledWith(28);
});

it("takes typed angles as well, and doubts what cannot be", () => {
  const onTilt = jest.fn();
  renderScreen(<Protractor onTilt={onTilt} />);
  const type = (label: RegExp, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });
  type(/plate/, "-2");
  type(/camera/, "23,4");
  fireEvent.click(screen.getByRole("button", { name: "Set the tilt to 25.4°" }));
  expect(onTilt).toHaveBeenCalledWith(25.4);
  type(/camera/, "170");
  expect(screen.getByRole("button", { name: "172.0° cannot be; measure again" })).toBeDisabled();
});

it("takes several readings to a mean with its spread, and keeps them", async () => {
  const onReadings = jest.fn(async () => true);
  const onTilt = jest.fn();
  renderScreen(<Protractor onTilt={onTilt} onReadings={onReadings} />);
  const read = (lens: string) => {
    fireEvent.change(screen.getByLabelText(/plate/), { target: { value: "0" } });
    fireEvent.change(screen.getByLabelText(/camera/), { target: { value: lens } });
  };
  read("24.6");
  await userEvent.click(screen.getByRole("button", { name: "Read once more" }));
  read("25.2");
  expect(screen.getByText(/^Read:/)).toHaveTextContent("Read: 24.6°, 25.2°; mean 24.9°, spread 0.6°");
  await userEvent.click(screen.getByRole("button", { name: "Set the tilt to 24.9°" }));
  expect(onTilt).toHaveBeenCalledWith(24.9);
  await userEvent.click(screen.getByRole("button", { name: "Keep these 2 readings" }));
  expect(onReadings).toHaveBeenCalledWith([24.6, 25.2]);
  expect(screen.queryByText(/^Read:/)).toBeNull();
});

it("says when there is no sensor, and offers a made-up one to try it", async () => {
  jest.useFakeTimers({ advanceTimers: true });
  renderScreen(<Protractor onTilt={() => {}} />);
  fireEvent.click(screen.getAllByRole("button", { name: "Read it with this phone" })[1]);
  await act(async () => {});
  await act(async () => {
    await jest.advanceTimersByTimeAsync(2100);
  });
  fireEvent.click(screen.getByRole("button", { name: "Try a made-up one" }));
  await act(async () => {
    await jest.advanceTimersByTimeAsync(500);
  });
  expect(screen.getByText(/^2[78]\.\d°$/)).toBeVisible();
  jest.useRealTimers();
});
