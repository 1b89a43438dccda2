"use client";

import { useDeferredValue, type ReactNode } from "react";

/** Draws its contents anew when there is time for it: what is under the hand comes first, and pictures in between are left out. */
export function WhenTime({ children }: { children: ReactNode }) {
  return useDeferredValue(children);
}
