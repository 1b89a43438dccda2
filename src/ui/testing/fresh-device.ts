import { IDBFactory } from "fake-indexeddb";
import { closeDevice } from "../outbox/device-store";
import { flush, reread } from "../outbox/outbox";

/** A device on which nothing is kept and nothing waits. */
export async function freshDevice(): Promise<void> {
  // What the test before left under way ends here, or it would write to the new device and send from it.
  await flush();
  await closeDevice();
  globalThis.indexedDB = new IDBFactory();
  localStorage.clear();
  await reread();
}
