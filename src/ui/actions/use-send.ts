"use client";

import { useCallback, useState } from "react";
import type { ActionInput, ActionName } from "@/contract";
import { tell } from "../messages/messages";
import { send, type SendResult } from "./send";

/** Sends an action and shows its message when it is refused. `pending` is true meanwhile. */
export function useSend() {
  const [pending, setPending] = useState(false);
  const sendAction = useCallback(
    async <Name extends ActionName>(action: Name, input: ActionInput<Name>): Promise<SendResult<Name>> => {
      setPending(true);
      const result = await send(action, input);
      setPending(false);
      if (!result.ok) tell(result.message, { kind: "error", forMs: 8000 });
      return result;
    },
    [],
  );
  return { pending, sendAction };
}
