"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Link } from "../actions/link";
import { Box } from "../layout/box";
import { useAtHand } from "./at-hand";

/** Asks for the pilot a screen is about, or for the first pilot where there is none. */
export function ChoosePilot({ screen, path }: { screen: string; path: string }) {
  const { pilots, hrefFor } = useAtHand();
  return (
    <Box sx={{ maxWidth: 640 }}>
      <Typography variant="h1">{screen}</Typography>
      <Typography sx={{ my: 2 }}>
        {pilots.length
          ? "Pick a pilot; every screen then follows."
          : "There are no pilots yet. Add the first one on the squad screen."}
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
        {pilots.map(({ id, name }) => (
          <Button key={id} variant="outlined" component={Link} href={hrefFor(path, { pilot: id, aircraft: undefined })}>
            {name}
          </Button>
        ))}
        {pilots.length === 0 && (
          <Button variant="contained" component={Link} href="/squad">
            To the squad
          </Button>
        )}
      </Box>
    </Box>
  );
}
