"use client";

import { useCallback, useEffect, useMemo, useRef } from "react";
import type { StickAxis, Sticks } from "@/core";
import { sticksOf } from "@/ui/radio/radio-map";
import { firstRadio, useRadioCount, useRadioMap, useRadioName } from "@/ui/radio/use-radio";
import { isHandKey, withKeys } from "./key-hands";

/** Which switches of a radio are on, as far as the browser shows them. */
const switchesOf = (pad: Gamepad): readonly boolean[] => pad.buttons.map(({ pressed }) => pressed);

/** The hands that fly: a radio where one was moved, else keys and the sticks on the screen; `switches` where the drill has the switch that levels it. */
export function useHands(flying: boolean, switches: boolean) {
  const radio = useRadioName();
  const radios = useRadioCount();
  const { map, known, keep } = useRadioMap(radio);
  const held = useRef<Set<string>>(new Set());
  const sticks = useRef<Sticks>({ roll: 0, pitch: 0, yaw: 0, throttle: 0 });
  /** When a stick or a key moved last, ms by the page's clock. */
  const moved = useRef<number | null>(null);
  const axes = useRef<readonly number[]>([]);
  /** Axes held by a finger on the screen. */
  const touched = useRef<Partial<Sticks>>({});
  useEffect(() => {
    if (!flying) return;
    const keys = held.current;
    const down = (event: KeyboardEvent) => {
      if (!isHandKey(event.code) || event.ctrlKey || event.metaKey || event.altKey) return;
      // The page neither scrolls nor takes them for keys of its own.
      event.preventDefault();
      event.stopPropagation();
      if (!keys.has(event.code)) moved.current = event.timeStamp;
      keys.add(event.code);
    };
    const up = (event: KeyboardEvent) => {
      if (keys.delete(event.code)) moved.current = event.timeStamp;
    };
    const letGo = () => keys.clear();
    window.addEventListener("keydown", down, true);
    window.addEventListener("keyup", up, true);
    window.addEventListener("blur", letGo);
    return () => {
      window.removeEventListener("keydown", down, true);
      window.removeEventListener("keyup", up, true);
      window.removeEventListener("blur", letGo);
      letGo();
    };
  }, [flying]);
  /** The switch that levels it, as the key or the button beside the picture left it; a switch of the radio turns it round. */
  const levelled = useRef(false);
  /** Switches of a radio that are on when a try begins are for something else, such as arming. */
  const atStart = useRef<readonly boolean[]>([]);
  const throwSwitch = useCallback(() => {
    levelled.current = !levelled.current;
    return levelled.current;
  }, []);
  /** A try that was begun with a radio is flown by it to its end. */
  const byRadio = useRef(false);
  /** Where they stand now; null once the radio that the try was begun with is gone. */
  const read = useCallback(
    (elapsedS: number): Sticks | null => {
      if (byRadio.current) {
        const pad = firstRadio();
        if (pad && pad.axes.some((at, i) => at !== axes.current[i])) {
          axes.current = [...pad.axes];
          moved.current = pad.timestamp || performance.now();
        }
        if (!pad) return null;
        const thrown = switchesOf(pad).some((on, i) => on !== (atStart.current[i] ?? false));
        return { ...sticksOf(map, pad.axes), levelled: switches && levelled.current !== thrown };
      }
      sticks.current = {
        ...withKeys(sticks.current, held.current, elapsedS),
        ...touched.current,
        levelled: switches && levelled.current,
      };
      return sticks.current;
    },
    [map, switches],
  );
  const begin = useCallback((throttle: number) => {
    const pad = firstRadio();
    byRadio.current = pad !== null;
    atStart.current = pad ? switchesOf(pad) : [];
    sticks.current = { roll: 0, pitch: 0, yaw: 0, throttle };
    touched.current = {};
    moved.current = null;
    levelled.current = false;
  }, []);
  const movedAtMs = useCallback(() => moved.current, []);
  /** A finger moves two axes, or lets go of them: what springs back does, the throttle stays. */
  const touch = useCallback((to: Partial<Sticks>, gone: readonly StickAxis[] = []) => {
    moved.current = performance.now();
    touched.current = { ...touched.current, ...to };
    for (const axis of gone) {
      const { [axis]: last, ...rest } = touched.current;
      touched.current = rest;
      if (axis === "throttle" && last !== undefined) sticks.current = { ...sticks.current, throttle: last };
    }
  }, []);
  return useMemo(
    () => ({
      radio,
      radios,
      radioMap: map,
      radioKnown: known,
      keepRadio: keep,
      read,
      begin,
      touch,
      throwSwitch,
      movedAtMs,
    }),
    [radio, radios, map, known, keep, read, begin, touch, throwSwitch, movedAtMs],
  );
}

export type Hands = ReturnType<typeof useHands>;
