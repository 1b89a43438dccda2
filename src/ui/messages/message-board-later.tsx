"use client";

import { useEffect, useState, type ComponentType } from "react";
import { onTold } from "./messages";

/** Once the page can be used: a message may be that the network is gone. */
const AFTER_MS = 1500;

/** The part that shows messages, fetched when the first is told or soon after the page is there. */
export function MessageBoardLater() {
  const [board, setBoard] = useState<{ readonly Board: ComponentType } | null>(null);
  useEffect(() => {
    // Where it cannot be fetched what was told waits, and the next one asks again.
    const fetchBoard = () =>
      void import("./message-board").then(
        ({ MessageBoard }) => setBoard((had) => had ?? { Board: MessageBoard }),
        () => undefined,
      );
    const timer = setTimeout(fetchBoard, AFTER_MS);
    const stop = onTold(fetchBoard);
    return () => {
      clearTimeout(timer);
      stop();
    };
  }, []);
  return board && <board.Board />;
}
