"use client";

import { memo, useEffect, useRef, useState, type ReactNode } from "react";
import { Box } from "./box";

/** Keeps what it shows as it was while nobody looks: its contents change only when `live`. */
const Kept = memo(
  function Kept({ children }: { live: boolean; children: ReactNode }) {
    return children;
  },
  (_, next) => !next.live,
);

/**
 * Draws its contents once they come into view, or from the start where they are wanted `early`, and leaves them as they are while they are out of it.
 * For what costs time.
 */
export function WhenSeen(props: { minHeight: number; early?: boolean; children: ReactNode }) {
  const { minHeight, early = false, children } = props;
  const box = useRef<HTMLDivElement>(null);
  const [seen, setSeen] = useState(false);
  const [ever, setEver] = useState(early);
  useEffect(() => {
    const watcher = new IntersectionObserver(([entry]) => {
      setSeen(entry.isIntersecting);
      if (entry.isIntersecting) setEver(true);
    });
    watcher.observe(box.current!);
    return () => watcher.disconnect();
  }, []);
  return (
    <Box ref={box} sx={{ minHeight }}>
      {ever && <Kept live={seen}>{children}</Kept>}
    </Box>
  );
}
