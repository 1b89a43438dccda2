"use client";

import Button from "@mui/material/Button";
import { useRouter } from "next/navigation";
import { useSnackbar } from "notistack";
import type { ActionById } from "@/contract";
import { useSend } from "./use-send";

/** Does something that can be taken back from the message that reports it. Returns whether it was done. */
export function useUndoable() {
  const router = useRouter();
  const { sendAction } = useSend();
  const { enqueueSnackbar, closeSnackbar } = useSnackbar();
  return async (action: ActionById, undo: ActionById, id: string, done: string): Promise<boolean> => {
    const result = await sendAction(action, { id });
    if (!result.ok) return false;
    router.refresh();
    enqueueSnackbar(done, {
      autoHideDuration: 10_000,
      action: (key) => (
        <Button
          color="inherit"
          onClick={async () => {
            closeSnackbar(key);
            if ((await sendAction(undo, { id })).ok) router.refresh();
          }}
        >
          Undo
        </Button>
      ),
    });
    return true;
  };
}
