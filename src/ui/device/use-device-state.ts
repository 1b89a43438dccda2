"use client";

import { useCallback, useEffect, useState } from "react";
import { readDevice, writeDevice } from "./device-storage";

/**
 * State that this browser keeps under a name over reloads: the one door to it. `read` makes the state of whatever was kept, by an earlier version, by somebody
 * else's hand or half: null for what is no such state. Known no sooner than after the first drawing, which the server has made without it.
 */
export function useDeviceState<State>(
  name: string,
  initial: State,
  read: (kept: unknown) => State | null,
): readonly [State, (change: (before: State) => State) => void] {
  const [state, setState] = useState(initial);
  useEffect(() => {
    const kept = readDevice(name);
    const known = kept === null ? null : read(kept);
    // The browser has it, so it can be read no sooner than here.
    if (known !== null) setState(known);
    // oxlint-disable-next-line react/exhaustive-deps -- another reader of the same does not make it be read again
  }, [name]);
  const change = useCallback(
    (next: (before: State) => State) =>
      setState((before) => {
        const after = next(before);
        writeDevice(name, after);
        return after;
      }),
    [name],
  );
  return [state, change];
}
