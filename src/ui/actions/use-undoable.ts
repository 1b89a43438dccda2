"use client";

import { useRouter } from "next/navigation";
import type { ActionById } from "@/contract";
import { tell } from "../messages/messages";
import { useSend } from "./use-send";

/** Reports something done, with a way to take it back; `undo` tells whether that went. */
export function useUndoOffer() {
  const router = useRouter();
  return (done: string, undo: () => Promise<{ readonly ok: boolean }>): void => {
    router.refresh();
    tell(done, {
      forMs: 10_000,
      undo: () => void undo().then(({ ok }) => ok && router.refresh()),
    });
  };
}

/** Does something that can be taken back from the message that reports it. Returns whether it was done. */
export function useUndoable() {
  const { sendAction } = useSend();
  const offerUndo = useUndoOffer();
  return async (action: ActionById, undo: ActionById, id: string, done: string): Promise<boolean> => {
    const result = await sendAction(action, { id });
    if (result.ok) offerUndo(done, () => sendAction(undo, { id }));
    return result.ok;
  };
}
