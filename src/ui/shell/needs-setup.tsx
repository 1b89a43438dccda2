"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Link } from "../actions/link";
import { useAtHand } from "./at-hand";

/** Where a pilot has no aircraft yet, or that no setup: why it comes first, and the way there. */
export function NeedsSetup({
  pilotName,
  aircraftName,
  why,
}: {
  pilotName: string;
  /** Null without an aircraft. */
  aircraftName: string | null;
  why: string;
}) {
  const { hrefFor } = useAtHand();
  return (
    <>
      <Typography sx={{ my: 2, maxWidth: 560 }}>
        {aircraftName ? `${aircraftName} has no setup yet.` : `${pilotName} has no aircraft yet.`} {why}
      </Typography>
      <Button variant="contained" component={Link} href={hrefFor("/setup")}>
        {aircraftName ? "Make the first setup" : "Add an aircraft"}
      </Button>
    </>
  );
}
