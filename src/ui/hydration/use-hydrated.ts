"use client";

import { useSyncExternalStore } from "react";

const never = () => () => {};

/** True once the page answers to taps and keys; false in what the server wrote. */
export function useHydrated(): boolean {
  return useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
}
