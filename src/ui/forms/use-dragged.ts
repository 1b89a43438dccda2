"use client";

import { useEffect, useLayoutEffect, useRef, useState, useTransition } from "react";

/**
 * A value that is dragged and that much hangs on. The slider follows the hand at once; what hangs on it follows as fast as the machine can draw it, with
 * the newest value each time, and with the last one in any case.
 */
export function useDragged(value: number, onChange: (value: number) => void) {
  const [dragged, setDragged] = useState(value);
  const [drawing, start] = useTransition();
  const next = useRef<number | null>(null);
  const change = useRef(onChange);
  useEffect(() => {
    change.current = onChange;
  });
  // Before the screen is painted: the slider would jump back for a moment.
  useLayoutEffect(() => {
    if (drawing || next.current === null) return;
    const newest = next.current;
    next.current = null;
    start(() => change.current(newest));
  }, [drawing]);
  return {
    shown: drawing ? dragged : value,
    drag: (to: number) => {
      setDragged(to);
      if (drawing) next.current = to;
      else start(() => onChange(to));
    },
    /** Let go of: nothing waits any more. */
    settle: (at: number) => {
      next.current = null;
      setDragged(at);
      onChange(at);
    },
  };
}
