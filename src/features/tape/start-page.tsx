"use client";

import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { Setup } from "@/contract";
import { Box } from "@/ui/layout/box";
import { tapeProblemWords } from "@/words";
import { Progress } from "@/ui/layout/progress";
import type { Reading } from "./use-recording";

/** What is read just now, or why it cannot be. */
export function Outcome({ reading, onCancel }: { reading: Reading; onCancel: () => void }) {
  if (reading.kind === "none" || reading.kind === "read") return null;
  const { name, source } = reading.asked;
  if (reading.kind === "reading")
    return (
      <Box sx={{ maxWidth: 620 }}>
        <Typography sx={{ mb: 1, overflowWrap: "anywhere" }}>
          {reading.share < 1 ? `Reading ${name}` : `Looking for tricks in ${name}`}
        </Typography>
        <Progress aria-label="Reading the recording" share={reading.share < 1 ? reading.share : undefined} />
        <Button sx={{ mt: 1 }} onClick={onCancel}>
          Cancel
        </Button>
      </Box>
    );
  return (
    <Alert severity="error" sx={{ mb: 2, overflowWrap: "anywhere" }}>
      {reading.kind === "refused" ? (
        <>
          <b>{name} cannot be read.</b> {tapeProblemWords(reading.problem)}
        </>
      ) : (
        <>
          <b>{name} could not be read to its end.</b>{" "}
          {source.kind === "file" ? "Is it still there? Open it again." : "Is the network there? Open it again."}{" "}
          {reading.why}
        </>
      )}
    </Alert>
  );
}

export function WhatItTakes({ pilotName, setup, short }: { pilotName: string; setup: Setup; short: boolean }) {
  return (
    <Box sx={{ maxWidth: 660 }}>
      <Typography variant="h2">What a recording tells</Typography>
      <Typography sx={{ my: 1 }}>
        Whether the throttle was closed upside down, how far each stop missed, where it was eased, and whether a wobble
        is the hand or the machine. Drop a file here, or open it: it is read on this device, and kept only if you say
        so.
      </Typography>
      {!short && (
        <Typography sx={{ my: 1 }}>
          A CSV file with these columns in its first line, 50 to 4,000 rows a second:{" "}
          <span className="num">
            time_s, stick_roll, stick_pitch, stick_yaw (−1 to 1), throttle (0 to 1), gyro_roll_dps, gyro_pitch_dps,
            gyro_yaw_dps
          </span>
          . Right, nose up and stick back are positive.
        </Typography>
      )}
      <Typography sx={{ color: "text.secondary" }}>
        Read against setup <span className="num">{setup.number}</span> of {pilotName}. Height and path are not in a
        recording.
      </Typography>
    </Box>
  );
}
