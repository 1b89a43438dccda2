import { dropKept } from "./device-store";

/** What is kept of sessions and aircraft beside the packets. */
const OF_SESSIONS = ["bathygon-field-", "bathygon-pack-", "bathygon-ended-", "bathygon-check-"];

/** Forgets what this device keeps of anybody's records. What waits to be sent stays: it is nowhere else. */
export async function forgetOnDevice(): Promise<void> {
  await dropKept();
  for (const key of Object.keys(localStorage))
    if (OF_SESSIONS.some((name) => key.startsWith(name))) localStorage.removeItem(key);
}
