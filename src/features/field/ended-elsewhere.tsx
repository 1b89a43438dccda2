"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { Session } from "@/contract";
import { flagFrom } from "@/ui/device/device-storage";
import { useDeviceState } from "@/ui/device/use-device-state";
import { Box } from "@/ui/layout/box";
import { Moment } from "@/ui/moment/moment";

/**
 * Whether the session was ended on this device, which is no surprise to anybody: kept over a reload, as the page that comes may be older than the end
 * and learn of it afterwards. Not where someone else ended it since.
 */
export function useEndedHere({ id, endedBy }: Session, accountId: string) {
  const [kept, change] = useDeviceState(`bathygon-ended-${id}`, false, flagFrom);
  return [kept && (!endedBy || endedBy.accountId === accountId), (ended: boolean) => change(() => ended)] as const;
}

/** Whether a session that was flown here a moment ago was ended by someone else, or on another device; not where its end waits or came from here. */
export function useEndedElsewhere({ begun, endedAtMs }: Session, endedHere: boolean) {
  const running = begun && endedAtMs === null;
  const [wasRunning, setWasRunning] = useState(running);
  if (running && !wasRunning) setWasRunning(true);
  if (!running && wasRunning && endedHere) setWasRunning(false);
  return { elsewhere: wasRunning && !running && endedAtMs !== null && !endedHere, seen: () => setWasRunning(false) };
}

/** Says who ended the session under somebody's hands, and lets them go on. */
export function EndedElsewhere({
  session,
  accountId,
  waiting,
  onGoOn,
  onDebrief,
}: {
  session: Session;
  accountId: string;
  /** Taps of this device that are not sent yet. */
  waiting: number;
  onGoOn: () => void;
  onDebrief: () => void;
}) {
  const { endedAtMs, endedBy } = session;
  const who = !endedBy ? "Someone" : endedBy.accountId === accountId ? "You, on another device," : endedBy.name;
  return (
    <Box role="alertdialog" aria-labelledby="ended-elsewhere" sx={{ maxWidth: 620, mx: "auto", p: { xs: 2, md: 4 } }}>
      <Typography variant="h1" id="ended-elsewhere">
        Session ended
      </Typography>
      <Typography sx={{ my: 2, fontSize: "1.1rem" }}>
        {who} ended it
        {endedAtMs !== null && (
          <>
            {" "}
            at <Moment atMs={endedAtMs} show="time" />
          </>
        )}
        . What was tapped here is kept
        {waiting > 0 && ", also what still waits on this device"}.
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5 }}>
        <Button variant="contained" size="large" sx={{ minHeight: 64 }} onClick={onGoOn}>
          Open it again and fly on
        </Button>
        <Button variant="outlined" size="large" sx={{ minHeight: 64 }} onClick={onDebrief}>
          To the debrief
        </Button>
      </Box>
    </Box>
  );
}
