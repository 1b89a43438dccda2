"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import { useDeviceState } from "../device/use-device-state";
import { readRadioMap, usualRadio, type RadioMap } from "./radio-map";

/** The first radio that is plugged in, by the browser's gamepad interface; null for none. */
export const firstRadio = (): Gamepad | null => allRadios().at(0) ?? null;

/** All that are plugged in, in the order of the browser. */
const allRadios = (): readonly Gamepad[] =>
  (typeof navigator.getGamepads === "function" ? navigator.getGamepads() : []).filter((pad) => pad !== null);

/** What the radio at hand is called; null while there is none. A browser shows one only once it was moved. */
export const useRadioName = (): string | null => useRadios(() => firstRadio()?.id ?? null, null);

/** How many radios are plugged in. */
export const useRadioCount = (): number => useRadios(() => allRadios().length, 0);

/** Something of what is plugged in, looked at again whenever that changes. */
function useRadios<Seen>(seen: () => Seen, none: Seen): Seen {
  const [now, setNow] = useState<Seen>(none);
  const look = useRef(seen);
  useEffect(() => {
    look.current = seen;
  });
  useEffect(() => {
    const change = () => setNow(look.current());
    change();
    for (const event of ["gamepadconnected", "gamepaddisconnected"]) window.addEventListener(event, change);
    return () => {
      for (const event of ["gamepadconnected", "gamepaddisconnected"]) window.removeEventListener(event, change);
    };
  }, []);
  return now;
}

/** Which stick is which axis of a radio, kept on this device; null where nobody has moved them yet. */
export function useRadioMap(name: string | null) {
  const [known, change] = useDeviceState<RadioMap | null>(`bathygon-radio-${name ?? "none"}`, null, readRadioMap);
  const keep = useCallback((map: RadioMap) => change(() => map), [change]);
  return { map: known ?? usualRadio, known: known !== null, keep };
}
