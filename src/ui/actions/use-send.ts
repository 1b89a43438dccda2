"use client";

import { useSnackbar } from "notistack";
import { useCallback, useState } from "react";
import type { ActionInput, ActionName } from "@/contract";
import { send, type SendResult } from "./send";

/** Sends an action and shows its message when it is refused. `pending` is true meanwhile. */
export function useSend() {
  const [pending, setPending] = useState(false);
  const { enqueueSnackbar } = useSnackbar();
  const sendAction = useCallback(
    async <Name extends ActionName>(action: Name, input: ActionInput<Name>): Promise<SendResult<Name>> => {
      setPending(true);
      const result = await send(action, input);
      setPending(false);
      if (!result.ok) enqueueSnackbar(result.message, { variant: "error", autoHideDuration: 8000 });
      return result;
    },
    [enqueueSnackbar],
  );
  return { pending, sendAction };
}
