"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { Replayed, Score } from "@/core";
import type { KeptTryFound } from "@/contract";
import { Box } from "@/ui/layout/box";
import { Progress } from "@/ui/layout/progress";
import { OutcomeMark, outcomeWords } from "@/ui/marks/marks";
import { Moment } from "@/ui/moment/moment";
import { usePreferences } from "@/ui/theme/preferences";
import { useNewest } from "@/ui/worker/use-newest";
import { refusedWords } from "@/words";
import type { PracticeWorker } from "@/workers/practice.worker";
import { TrySeen } from "./after-try";
import { practiceWorker } from "./practice-worker";

/** So many are listed at first. */
const FIRST = 8;

/** Tries of this drill that were flown before: each can be flown again from its sticks, by whoever may see them. */
export function EarlierTries({
  tries,
  ghost,
  stickMode,
}: {
  tries: readonly KeptTryFound[];
  ghost: Replayed;
  stickMode: number;
}) {
  const { units } = usePreferences();
  const [id, setId] = useState<string | null>(null);
  const [all, setAll] = useState(false);
  const { result, pending } = useNewest<string, { flown: Replayed; score: Score }, PracticeWorker>(
    id,
    practiceWorker,
    (remote, asked) => remote.flyKeptTry(asked),
  );
  if (tries.length === 0) return null;
  return (
    <Box component="section" aria-labelledby="earlier" sx={{ mt: 3 }}>
      <Typography variant="h2" id="earlier">
        Earlier tries
      </Typography>
      <Box sx={{ display: "grid", gap: 2.5, gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1fr) 330px" } }}>
        <Box sx={{ maxWidth: 560 }}>
          <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
            {(all ? tries : tries.slice(0, FIRST)).map((one) => (
              <Box
                component="li"
                key={one.id}
                sx={{
                  display: "grid",
                  gridTemplateColumns: "170px minmax(0,1fr) 60px auto",
                  gap: 1.5,
                  py: 0.5,
                  alignItems: "center",
                }}
              >
                <Moment atMs={one.atMs} show="both" />
                <span>
                  <OutcomeMark outcome={one.outcome} size={16} labelled={false} /> {outcomeWords[one.outcome]}
                </span>
                <span className="num">{one.seconds} s</span>
                <Button
                  size="small"
                  variant={one.id === id ? "contained" : "outlined"}
                  aria-pressed={one.id === id}
                  onClick={() => setId(one.id === id ? null : one.id)}
                >
                  Show
                </Button>
              </Box>
            ))}
          </Box>
          {!all && tries.length > FIRST && <Button onClick={() => setAll(true)}>Show all {tries.length}</Button>}
        </Box>
        {id !== null && (
          <Box sx={{ minWidth: 0 }}>
            {pending && <Progress aria-label="The try is flown again" />}
            {result?.kind === "refused" && !pending && (
              <Typography role="alert" color="error.main">
                ▲ {refusedWords(result.why, units)}
              </Typography>
            )}
            {result?.kind === "answer" && !pending && (
              <TrySeen {...result.answer} ghost={ghost} stickMode={stickMode} />
            )}
          </Box>
        )}
      </Box>
    </Box>
  );
}
