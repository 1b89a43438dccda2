"use client";

import { useEffect, useState } from "react";
import { useDeviceState } from "../device/use-device-state";
import { readRadioMap, usualRadio, type RadioMap } from "./radio-map";

/** The first radio that is plugged in, by the browser's gamepad interface; null for none. */
export const firstRadio = (): Gamepad | null =>
  (typeof navigator.getGamepads === "function" ? navigator.getGamepads() : []).find((pad) => pad !== null) ?? null;

/** What the radio at hand is called; null while there is none. A browser shows one only once it was moved. */
export function useRadioName(): string | null {
  const [name, setName] = useState<string | null>(null);
  useEffect(() => {
    const look = () => setName(firstRadio()?.id ?? null);
    look();
    for (const event of ["gamepadconnected", "gamepaddisconnected"]) window.addEventListener(event, look);
    return () => {
      for (const event of ["gamepadconnected", "gamepaddisconnected"]) window.removeEventListener(event, look);
    };
  }, []);
  return name;
}

/** Which stick is which axis of a radio, kept on this device; null where nobody has moved them yet. */
export function useRadioMap(name: string | null) {
  const [known, change] = useDeviceState<RadioMap | null>(`bathygon-radio-${name ?? "none"}`, null, readRadioMap);
  return { map: known ?? usualRadio, known: known !== null, keep: (map: RadioMap) => change(() => map) };
}
