"use client";

import { useDeferredValue, type ReactNode } from "react";

/**
 * While something beside it is `held`, draws its contents anew when there is time for it: what is under the hand comes first, and pictures in between
 * are left out. At once otherwise: a field that is typed into must never show what was before.
 */
export function WhenTime({ held, children }: { held: boolean; children: ReactNode }) {
  const later = useDeferredValue(children);
  return held ? later : children;
}
