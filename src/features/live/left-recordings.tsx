"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import { Box } from "@/ui/layout/box";
import { Moment } from "@/ui/moment/moment";
import { handOver } from "@/ui/recordings/handed-over";
import { useAtHand } from "@/ui/shell/at-hand";
import { counted } from "@/words";
import { dropLive, leftRecordings, liveFile, type LeftRecording } from "./live-store";

/** Live recordings that were cut off: a page that was closed, a device whose battery ran out. */
export function LeftRecordings({ pilotId }: { pilotId: string }) {
  const router = useRouter();
  const { hrefFor } = useAtHand();
  const [left, setLeft] = useState<readonly LeftRecording[]>([]);
  useEffect(() => {
    let current = true;
    leftRecordings(pilotId)
      .then((all) => current && setLeft(all))
      .catch((error: unknown) => console.warn("This browser keeps no live recordings.", error));
    return () => {
      current = false;
    };
  }, [pilotId]);
  if (left.length === 0) return null;
  const read = async (one: LeftRecording) => {
    handOver({ file: await liveFile(one), onKept: () => void dropLive(one.id) });
    router.push(hrefFor("/tape"));
  };
  const drop = async ({ id }: LeftRecording) => {
    await dropLive(id);
    setLeft((was) => was.filter((one) => one.id !== id));
  };
  return (
    <Box component="section" aria-labelledby="left" sx={{ mt: 3, maxWidth: 720 }}>
      <Typography variant="h2" id="left">
        Left on this device
      </Typography>
      {left.map((one) => (
        <Box key={one.id} sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, alignItems: "center", py: 1 }}>
          <Box sx={{ flex: "1 1 240px" }}>
            Recorded <Moment atMs={one.beganMs} show="both" />, {counted(one.rows, "row")}
          </Box>
          <Button size="small" variant="outlined" onClick={() => void read(one)}>
            Read it
          </Button>
          <Button size="small" color="error" onClick={() => void drop(one)}>
            Throw it away
          </Button>
        </Box>
      ))}
    </Box>
  );
}
