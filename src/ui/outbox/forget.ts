import { dropKept } from "./device-store";

/** Forgets what this device keeps of anybody's records. What waits to be sent stays: it is nowhere else. */
export async function forgetOnDevice(): Promise<void> {
  await dropKept();
  for (const key of Object.keys(localStorage))
    if (key.startsWith("bathygon-field-") || key.startsWith("bathygon-pack-")) localStorage.removeItem(key);
}
