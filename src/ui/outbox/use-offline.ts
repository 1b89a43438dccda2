"use client";

import { useEffect, useState } from "react";

/** Whether the field page opens on this device without a network. */
export type Offline =
  | { readonly kind: "preparing" }
  | { readonly kind: "ready" }
  | { readonly kind: "impossible"; readonly why: string };

/** Has the browser keep what the field needs, and says when it has. */
export function useOffline(): Offline {
  const [offline, setOffline] = useState<Offline>({ kind: "preparing" });
  useEffect(() => {
    if (process.env.NODE_ENV !== "production") return;
    if (!("serviceWorker" in navigator)) {
      // Known to the browser only.
      // oxlint-disable-next-line react/set-state-in-effect
      setOffline({ kind: "impossible", why: "this browser keeps pages only over a secure connection" });
      return;
    }
    navigator.serviceWorker.register("/sw.js").catch((error: Error) => {
      setOffline({ kind: "impossible", why: error.message });
    });
    void navigator.serviceWorker.ready.then(() => setOffline({ kind: "ready" }));
    // The browser may throw away what it keeps when it is short of room, unless it is asked not to.
    void navigator.storage?.persist?.();
  }, []);
  return offline;
}
