import type { ActionResult } from "@/contract";
import { runAction, type Asker } from "../actions";
import type { SignedIn } from "../accounts";

/** Runs actions as somebody who is signed in, past the network. */
export function runnerFor(who: SignedIn, device: Pick<Asker, "doneByAccountId" | "deviceNowMs"> = {}) {
  const asker: Asker = {
    identify: async () => who,
    address: "local",
    device: "",
    requestId: "test",
    setToken: async () => {},
    ...device,
  };
  return <Output>(action: unknown, input: object) =>
    runAction(action as never, async () => input, asker) as Promise<ActionResult<Output>>;
}
