import type { Page } from "@playwright/test";

/** Where the sticks of the made-up radio stand. */
export interface MadeUpSticks {
  readonly roll: number;
  readonly pitch: number;
  readonly yaw: number;
  readonly throttle: number;
}

/** Plugs a made-up radio into the gamepad interface of every page from now on: axes in the usual order, throttle −1 to 1. */
export async function plugIn(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const radio = { axes: [0, 0, -1, 0], plugged: true, timestamp: 1 };
    Object.assign(window, { madeUpRadio: radio });
    navigator.getGamepads = () =>
      radio.plugged
        ? ([
            { id: "Made-up radio", index: 0, axes: radio.axes, buttons: [], timestamp: radio.timestamp },
          ] as unknown as Gamepad[])
        : [null];
  });
}

interface RadioWindow {
  readonly madeUpRadio: { axes: number[]; plugged: boolean; timestamp: number };
}

/** Moves its sticks. */
export const moveSticks = (page: Page, { roll, pitch, yaw, throttle }: MadeUpSticks) =>
  page.evaluate(
    (axes) => {
      const { madeUpRadio } = window as unknown as RadioWindow;
      Object.assign(madeUpRadio, { axes, timestamp: performance.now() });
    },
    [roll, pitch, 2 * throttle - 1, yaw],
  );

/** Pulls its plug. */
export const pullPlug = (page: Page) =>
  page.evaluate(() => {
    (window as unknown as RadioWindow).madeUpRadio.plugged = false;
    window.dispatchEvent(new Event("gamepaddisconnected"));
  });
