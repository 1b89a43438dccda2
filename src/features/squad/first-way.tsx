"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Box } from "@/ui/layout/box";

const way = [
  ["Add a pilot", "Name, stick mode and grip. If they fly already, set the step they start at."],
  ["Add their aircraft", "From a preset, then weighed and measured. Its first flight is by eye."],
  ["Save a setup", "Rates, throttle and camera tilt for their stage, each with its reason."],
  ["Read the brief", "What to say, how high to start, and how to bail out."],
  ["Run the session", "Tap each try. The record works out what comes next."],
] as const;

/** What a coach without pilots does first, and what comes after. */
export function FirstWay({ onAdd }: { onAdd: () => void }) {
  return (
    <Box sx={{ mt: 4 }}>
      <Typography variant="h2">No pilots yet</Typography>
      <Typography sx={{ my: 1.5 }}>Five steps to the first session:</Typography>
      <Box
        component="ol"
        sx={{
          listStyle: "none",
          p: 0,
          mt: 0,
          mb: 3,
          display: "grid",
          gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr", lg: "repeat(5, 1fr)" },
          gap: 2,
        }}
      >
        {way.map(([name, says], i) => (
          <Box
            component="li"
            key={name}
            sx={({ tokens }) => ({ bgcolor: tokens.sheet, borderTop: `12px solid ${tokens.depths[i + 1]}`, p: 2 })}
          >
            <Typography sx={{ fontWeight: 700, mb: 0.5 }}>
              <span className="num">{i + 1}</span> {name}
            </Typography>
            <Typography sx={{ fontSize: "0.9rem", color: "text.secondary" }}>{says}</Typography>
          </Box>
        ))}
      </Box>
      <Button variant="contained" onClick={onAdd}>
        Add the first pilot
      </Button>{" "}
      <Button component="a" href="/guides/first-session" download>
        Print the first-session guide
      </Button>
    </Box>
  );
}
