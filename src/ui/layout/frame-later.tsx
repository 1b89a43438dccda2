"use client";

import { startTransition, useEffect, useState, type ReactNode } from "react";

/** Draws its contents anew some frames after what stands beside them: pictures that all change at once would together hold up the hand that changes them. */
export function FrameLater({ frames = 1, children }: { frames?: number; children: ReactNode }) {
  const [drawn, setDrawn] = useState(children);
  useEffect(() => {
    let frame = 0;
    const wait = (left: number) => {
      frame = requestAnimationFrame(() => (left > 1 ? wait(left - 1) : startTransition(() => setDrawn(children))));
    };
    wait(frames);
    return () => cancelAnimationFrame(frame);
  }, [frames, children]);
  return drawn;
}
