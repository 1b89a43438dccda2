"use client";

import Button from "@mui/material/Button";
import { useRouter } from "next/navigation";
import { useSnackbar } from "notistack";
import type { ActionById } from "@/contract";
import { useSend } from "./use-send";

/** Reports something done, with a way to take it back; `undo` tells whether that went. */
export function useUndoOffer() {
  const router = useRouter();
  const { enqueueSnackbar, closeSnackbar } = useSnackbar();
  return (done: string, undo: () => Promise<{ readonly ok: boolean }>): void => {
    router.refresh();
    enqueueSnackbar(done, {
      autoHideDuration: 10_000,
      action: (key) => (
        <Button
          color="inherit"
          onClick={async () => {
            closeSnackbar(key);
            if ((await undo()).ok) router.refresh();
          }}
        >
          Undo
        </Button>
      ),
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
