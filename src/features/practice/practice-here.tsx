"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useSearchParams } from "next/navigation";
import { useEffect, useState } from "react";
import { Link } from "@/ui/actions/link";
import { Box } from "@/ui/layout/box";
import { later } from "@/ui/loading/later";
import { KeysProvider } from "@/ui/keys/keys";
import { Moment } from "@/ui/moment/moment";
import { SyllabiProvider } from "@/ui/syllabus/use-syllabus";
import { practicesKept, type PracticeKept } from "./kept-practice";

const PracticeScreen = later(() => import("./practice-screen").then((part) => part.PracticeScreen));

/** Practice without a network: with what this device kept of a pilot. Nothing of it comes from the server; tries are sent once it answers. */
export function PracticeHere() {
  const asked = useSearchParams().get("pilot");
  const [kept, setKept] = useState<readonly PracticeKept[] | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const [pilotId, setPilot] = useState<string | null>(asked);
  useEffect(() => {
    practicesKept().then(setKept, (error: Error) => setFailure(error.message));
  }, []);
  const one = kept?.find(({ data }) => data.pilot.id === pilotId) ?? kept?.at(0);
  return (
    <Box component="main" sx={{ p: { xs: 2, md: 3 } }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1.5, mb: 1 }}>
        <Button component={Link} href="/practice" variant="outlined">
          Back online
        </Button>
        {kept &&
          kept.length > 1 &&
          kept.map(({ data: { pilot } }) => (
            <Button
              key={pilot.id}
              variant={pilot.id === one?.data.pilot.id ? "contained" : "outlined"}
              onClick={() => setPilot(pilot.id)}
            >
              {pilot.name}
            </Button>
          ))}
        {one && (
          <span>
            No network: as last seen <Moment atMs={one.keptAtMs} show="both" />.
          </span>
        )}
      </Box>
      {failure && (
        <Typography role="alert" color="error.main">
          This device can’t save anything: {failure}
        </Typography>
      )}
      {kept?.length === 0 && (
        <>
          <Typography variant="h1">Practice</Typography>
          <Typography>
            No practice on this device yet. Open Practice once with a network; after that it works without.
          </Typography>
        </>
      )}
      {one && (
        <SyllabiProvider sent={one.syllabus ? [one.syllabus] : []} squadId={one.data.pilot.squadId}>
          <KeysProvider>
            <PracticeScreen key={one.data.pilot.id} data={one.data} nowMs={one.keptAtMs} />
          </KeysProvider>
        </SyllabiProvider>
      )}
    </Box>
  );
}
