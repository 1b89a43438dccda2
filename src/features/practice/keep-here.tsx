"use client";

import { useEffect, useState } from "react";
import Typography from "@mui/material/Typography";
import { useAtHand } from "@/ui/shell/at-hand";
import { keepOnDevice } from "./kept-practice";
import type { PracticeData } from "./load";

/** Has this device keep what practice needs, so that it opens without a network. */
export function KeepHere({ data }: { data: PracticeData }) {
  const { syllabi } = useAtHand();
  const [failure, setFailure] = useState<string | null>(null);
  useEffect(() => {
    const syllabus = syllabi.find(({ squadId }) => squadId === data.pilot.squadId) ?? null;
    keepOnDevice(data, syllabus).then(
      () => setFailure(null),
      (error: Error) => setFailure(error.message),
    );
  }, [data, syllabi]);
  return (
    failure && (
      <Typography sx={{ fontSize: "0.85rem", color: "text.secondary" }}>
        ▲ This device can’t save practice for offline use: {failure}
      </Typography>
    )
  );
}
