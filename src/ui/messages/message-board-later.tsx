"use client";

import { useCallback, useEffect, useState, type ComponentType } from "react";
import { useSoon } from "../loading/use-soon";
import { onTold } from "./messages";

/** The part that shows messages, fetched when the first is told or soon after the page is there: a message may be that the network is gone. */
export function MessageBoardLater() {
  const [board, setBoard] = useState<{ readonly Board: ComponentType } | null>(null);
  const fetchBoard = useCallback(async () => {
    const { MessageBoard } = await import("./message-board");
    setBoard((had) => had ?? { Board: MessageBoard });
  }, []);
  useSoon([{ load: fetchBoard }]);
  // Where it cannot be fetched what was told waits, and the next one asks again.
  useEffect(() => onTold(() => void fetchBoard().catch(() => undefined)), [fetchBoard]);
  return board && <board.Board />;
}
