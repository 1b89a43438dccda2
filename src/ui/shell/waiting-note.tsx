"use client";

import { Box } from "../layout/box";
import { useOffline } from "../outbox/use-offline";
import { useOutbox } from "../outbox/use-outbox";

/** What was tapped in the field and waits on this device; the desk sends it, too. */
export function WaitingNote() {
  const { items } = useOutbox();
  useOffline();
  if (items.length === 0) return null;
  return (
    <Box
      component="a"
      href="/field"
      sx={(theme) => ({ color: theme.tokens.ochreText, fontWeight: 650, whiteSpace: "nowrap" })}
    >
      ▲ <span className="num">{items.length}</span> to send
    </Box>
  );
}
