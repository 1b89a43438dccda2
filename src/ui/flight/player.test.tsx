import { act, renderHook, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { firstSettings, fromEuler } from "@/core";
import { BadFieldsProvider } from "../forms/bad-fields";
import { renderScreen } from "../testing/render-screen";
import { CameraView } from "./camera-view";
import { ParameterSlider } from "./parameter-slider";
import { PlayerBar } from "./player-bar";
import { usePlayer } from "./use-player";

describe("a moment of a flight", () => {
  const press = (player: { current: ReturnType<typeof usePlayer> }, key: string) =>
    act(() => player.current.keys.find((one) => one.key === key)!.run());

  it("is moved by keys, coarse and fine, and stays within the flight", () => {
    const { result } = renderHook(() => usePlayer(0.12));
    expect(result.current.cursorS).toBeNull();
    press(result, "ArrowRight");
    press(result, ".");
    expect(result.current.cursorS).toBeCloseTo(0.06, 10);
    press(result, ",");
    press(result, "ArrowLeft");
    press(result, "ArrowLeft");
    expect(result.current.cursorS).toBe(0);
    for (let n = 0; n < 5; n++) press(result, "ArrowRight");
    expect(result.current.cursorS).toBe(0.12);
  });

  it("stays in a flight that came out shorter, where it was in one that came out longer", () => {
    const { result, rerender } = renderHook(({ s }) => usePlayer(s), { initialProps: { s: 3 } });
    act(() => result.current.setCursorS(2.5));
    rerender({ s: 1.5 });
    expect(result.current.cursorS).toBe(1.5);
    rerender({ s: 4 });
    expect(result.current.cursorS).toBe(2.5);
  });

  it("runs at the speed asked for, and begins again at the end", () => {
    let frame: FrameRequestCallback = () => undefined;
    const request = jest.spyOn(globalThis, "requestAnimationFrame").mockImplementation((next) => {
      frame = next;
      return 1;
    });
    const clock = jest.spyOn(performance, "now").mockReturnValue(0);
    const { result } = renderHook(() => usePlayer(1, 0.5));
    press(result, " ");
    act(() => frame(1000));
    expect(result.current.cursorS).toBeCloseTo(0.5, 10);
    act(() => frame(1800));
    expect(result.current.cursorS).toBeCloseTo(0.9, 10);
    act(() => frame(2400));
    expect(result.current.cursorS).toBe(0);
    // Without the loop it stops at its end.
    press(result, "l");
    act(() => frame(4000));
    expect(result.current).toMatchObject({ cursorS: 1, playing: false });
    request.mockRestore();
    clock.mockRestore();
  });

  it("is told and moved in a bar", async () => {
    function Bar() {
      const player = usePlayer(2);
      return <PlayerBar player={player} durationS={2} />;
    }
    renderScreen(<Bar />);
    expect(screen.getByText("0.00 s")).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: "Play" }));
    expect(screen.getByRole("button", { name: "Pause" })).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: "Pause" }));
    await userEvent.click(screen.getByRole("button", { name: "A moment later" }));
    expect(screen.getByText(/^0\.\d[1-9] s$|^0\.[1-9]\d s$/)).toBeVisible();
    expect(screen.getByRole("button", { name: "Loop" })).toHaveAttribute("aria-pressed", "true");
    expect(screen.getByRole("slider", { name: "Moment of the trick" })).toHaveAttribute("max", "2");
  });
});

describe("what the camera sees", () => {
  const share = (rollDeg: number, pitchDeg: number, tiltDeg: number) => {
    const attitude = fromEuler({ rollDeg, pitchDeg, yawDeg: 0 });
    const { unmount } = renderScreen(
      <CameraView title="shown" attitude={attitude} tiltDeg={tiltDeg} lens={firstSettings.camera} />,
    );
    const label = screen.getByRole("img").getAttribute("aria-label")!;
    unmount();
    return Number(/(\d+)\s%/.exec(label)![1]);
  };

  it("is half ground where the camera looks level, whatever the bank", () => {
    for (const rollDeg of [0, 35, 90, 180]) expect(share(rollDeg, 0, 0)).toBe(50);
  });

  it("is half ground in a cruise as steep as the camera is tilted up: why tilt is flown with", () => {
    expect(share(0, -25, 25)).toBe(50);
    expect(share(0, 0, 25)).toBeLessThan(50);
    expect(share(0, -60, 25)).toBeGreaterThan(50);
  });

  it("is all sky looking straight up and all ground looking straight down", () => {
    expect(share(0, 90, 0)).toBe(0);
    expect(share(0, -90, 0)).toBe(100);
  });
});

it("a figure that is worked out carries a sign, one set by hand none; it moves in round steps of its range", async () => {
  const set = jest.fn();
  const slider = (worked: boolean, max: number) => (
    <BadFieldsProvider>
      <ParameterSlider name="p" label="Punch" unit="s" value={0.5} min={0} max={max} worked={worked} onSet={set} />
    </BadFieldsProvider>
  );
  const { unmount } = renderScreen(slider(true, 2));
  expect(screen.getByRole("slider", { name: "◆ Punch, s" })).toHaveAttribute("step", "0.01");
  unmount();
  renderScreen(slider(false, 180));
  expect(screen.getByRole("slider", { name: "Punch, s" })).toHaveAttribute("step", "1");
  const field = screen.getByRole("textbox");
  await userEvent.clear(field);
  await userEvent.type(field, "12");
  expect(set).toHaveBeenLastCalledWith("p", 12);
});
