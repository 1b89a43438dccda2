"use client";

import { useSnackbar } from "notistack";
import { useCallback, useState } from "react";
import { send, type SendResult } from "./send";

/** Sends an action and shows its message when it is refused. `pending` is true meanwhile. */
export function useSend() {
  const [pending, setPending] = useState(false);
  const { enqueueSnackbar } = useSnackbar();
  const sendAction = useCallback(
    async <Output>(action: string, input: object): Promise<SendResult<Output>> => {
      setPending(true);
      const result = await send<Output>(action, input);
      setPending(false);
      if (!result.ok) enqueueSnackbar(result.message, { variant: "error", autoHideDuration: 8000 });
      return result;
    },
    [enqueueSnackbar],
  );
  return { pending, sendAction };
}
