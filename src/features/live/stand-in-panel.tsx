"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Box } from "@/ui/layout/box";

const misdeeds = [
  ["lost-frames", "Lose frames"],
  ["garbage", "Send garbage"],
  ["noise", "Add noise"],
  ["restart", "Restart"],
  ["clock-jump", "Jump the clock"],
  ["slipped-tilt", "Slip the tilt"],
  ["swapped-axes", "Swap roll and pitch"],
  [null, "Behave again"],
] as const;

/** What a made-up aircraft can be told. */
export function StandInPanel({ say }: { say: (line: string) => void }) {
  return (
    <Box component="section" aria-labelledby="made-up">
      <Typography variant="h2" id="made-up">
        The made-up aircraft
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 1 }}>
        <Button size="small" variant="outlined" onClick={() => say(JSON.stringify({ land: true }))}>
          Land
        </Button>
        <Button size="small" variant="outlined" onClick={() => say(JSON.stringify({ land: false }))}>
          Take off
        </Button>
        {["Self-level", "Bank limit", "Rates"].map((name, place) => (
          <Button key={name} size="small" onClick={() => say(JSON.stringify({ switch: place }))}>
            Mode switch: {name}
          </Button>
        ))}
        {misdeeds.map(([misbehave, name]) => (
          <Button key={name} size="small" onClick={() => say(JSON.stringify({ misbehave }))}>
            {name}
          </Button>
        ))}
      </Box>
    </Box>
  );
}
