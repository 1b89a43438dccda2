"use client";

import { Link } from "@/ui/actions/link";
import { useHydrated } from "@/ui/hydration/use-hydrated";
import { Box } from "@/ui/layout/box";
import { useOffline, type Offline } from "@/ui/outbox/use-offline";

const offlineWords: Readonly<Record<Offline["kind"], string>> = {
  preparing: "",
  ready: ". Saved for offline",
  impossible: ". Keep this page open: without a network it cannot be opened again",
};

/** How much waits on this device, and that it is safe there. */
export function WaitingLine({
  waiting,
}: {
  waiting: {
    readonly unsent: number;
    readonly unkept: number;
    readonly signedOut: boolean;
    readonly broken: string | null;
  };
}) {
  const { unsent, unkept, signedOut, broken } = waiting;
  const ready = useHydrated();
  const offline = useOffline();
  return (
    <Box role="status" sx={{ fontSize: "0.85rem", minHeight: 22 }}>
      {broken !== null && (
        <Box sx={{ color: "error.main", fontWeight: 650 }}>
          ✕ This device can’t save anything ({broken}). What is tapped is sent at once; do not close this page while
          something waits.
        </Box>
      )}
      {unsent > 0 ? (
        <Box component="span" sx={(theme) => ({ color: theme.tokens.ochreText, fontWeight: 650 })}>
          ▲ {unsent} waiting on this device{broken === null && unkept === 0 ? ", safe" : ""}.{" "}
          {signedOut ? <Link href="/sign-in">Sign in to send them.</Link> : "Sent when the server answers."}
        </Box>
      ) : (
        <span>
          {ready ? "■ All sent" : "Getting ready"}
          {ready && offlineWords[offline.kind]}
          {offline.kind === "impossible" && ` (${offline.why})`}
        </span>
      )}
    </Box>
  );
}
