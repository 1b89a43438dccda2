"use client";

import { useEffect } from "react";
import type { Later } from "./later";

/**
 * Fetches parts that are shown later once the page is up: in the field the network may be gone by then. `parts` are those of the first time. What fails
 * is asked for again when it is shown.
 */
export function useSoon(parts: readonly Pick<Later<never>, "load">[]): void {
  useEffect(() => {
    void Promise.allSettled(parts.map(({ load }) => load()));
    // oxlint-disable-next-line react/exhaustive-deps -- once for a page
  }, []);
}
