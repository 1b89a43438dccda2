"use client";

import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import { Box } from "@/ui/layout/box";
import { Progress } from "@/ui/layout/progress";
import type { Keeping } from "./use-keeping";

/** Keeps the recording that is open. */
export function KeepButton({ keeping, onKeep }: { keeping: Keeping; onKeep: () => void }) {
  if (keeping.kind === "kept")
    return (
      <Box component="span" role="status" sx={{ fontWeight: 700 }}>
        ✓ Saved
      </Box>
    );
  return (
    <Button variant="contained" disabled={keeping.kind === "packing" || keeping.kind === "sending"} onClick={onKeep}>
      Save recording
    </Button>
  );
}

/** How far it is, or why it was refused. */
export function KeepProgress({ keeping, onStop }: { keeping: Keeping; onStop: () => void }) {
  if (keeping.kind === "refused")
    return (
      <Alert severity="error" sx={{ mb: 1.5 }}>
        <b>Not kept.</b> {keeping.message}
      </Alert>
    );
  if (keeping.kind !== "packing" && keeping.kind !== "sending") return null;
  const share = keeping.kind === "packing" ? 0.3 * keeping.share : 0.3 + (0.7 * keeping.done) / keeping.of;
  return (
    <Box sx={{ display: "flex", alignItems: "center", gap: 2, mb: 1.5 }}>
      <span role="status">
        {keeping.kind === "packing"
          ? "Packing"
          : keeping.waiting
            ? "No connection; it goes on when the network is back"
            : `Sending piece ${Math.min(keeping.of, keeping.done + 1)} of ${keeping.of}`}
      </span>
      <Progress aria-label="Keeping the recording" share={share} maxWidth={360} />
      <Button size="small" onClick={onStop}>
        Stop
      </Button>
    </Box>
  );
}
