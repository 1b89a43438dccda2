"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useCallback, useEffect, useRef, useState } from "react";
import type { Pilot } from "@/contract";
import { median } from "@/core";
import { Box } from "@/ui/layout/box";
import { KeepReaction } from "@/ui/pilot/keep-reaction";
import { counted, quantityText } from "@/words";
import { usePreferences } from "@/ui/theme/preferences";
import { say } from "./voice";

/** A call comes after so long, at random, and is waited for so long, ms. */
const SOONEST_MS = 2000;
const LATEST_MS = 6000;
const WAITS_MS = 2200;
const LOOK_MS = 150;
/** Fewer answers say little of a reaction. */
const ENOUGH = 5;

interface ReactionPanelProps {
  readonly pilot: Pilot;
  /** From a call to the first stick that answers it, s; null while none does. */
  readonly reactionS: (calledMs: number) => Promise<number | null>;
  readonly aloud: boolean;
  /** Coaches keep it. */
  readonly coaches: boolean;
}

/** How long this pilot takes from a call to the sticks: calls at random, answered by any stick. */
export function ReactionPanel({ pilot, reactionS, aloud, coaches }: ReactionPanelProps) {
  const { units } = usePreferences();
  const { answers, missed, state, call } = useCalls(reactionS, aloud);
  const usual = answers.length >= ENOUGH ? median(answers) : null;
  const seconds = (s: number) => quantityText(s, "time", units);
  return (
    <Box component="section" aria-labelledby="reaction">
      <Typography variant="h2" id="reaction">
        Reaction
      </Typography>
      <Typography sx={{ fontSize: "0.9rem", color: "text.secondary" }}>
        Sticks at rest, then move any of them the moment the box turns. The line&rsquo;s own delay is in the figure.
      </Typography>
      <Box
        role="status"
        sx={(theme) => ({
          my: 1,
          py: 1.5,
          textAlign: "center",
          fontSize: "1.4rem",
          fontWeight: 700,
          border: `1.5px solid ${theme.tokens.ink}`,
          bgcolor: state === "called" ? theme.tokens.buoy : theme.tokens.sheet,
          color: state === "called" ? theme.tokens.buoyInk : theme.tokens.ink,
        })}
      >
        {state === "called"
          ? "Now"
          : state === "waiting"
            ? "Wait for it"
            : answers.length > 0
              ? seconds(answers.at(-1)!)
              : "–"}
      </Box>
      <Button variant="outlined" size="small" disabled={state !== "idle"} onClick={call}>
        Call
      </Button>
      <Typography>
        {counted(answers.length, "answer")}
        {missed > 0 && `, ${missed} too soon or too late`}
        {usual === null ? `; ${ENOUGH} are wanted.` : `: ${seconds(usual)} as a rule.`}
      </Typography>
      {coaches && usual !== null && <KeepReaction pilot={pilot} reactionS={usual} />}
    </Box>
  );
}

/** Calls one after the other, and what answered them. */
function useCalls(reactionS: ReactionPanelProps["reactionS"], aloud: boolean) {
  const [answers, setAnswers] = useState<readonly number[]>([]);
  const [missed, setMissed] = useState(0);
  const [state, setState] = useState<"idle" | "waiting" | "called">("idle");
  const timers = useRef<ReturnType<typeof setTimeout>[]>([]);
  useEffect(() => {
    const all = timers.current;
    return () => all.splice(0).forEach(clearTimeout);
  }, []);
  const later = useCallback((run: () => void, ms: number) => timers.current.push(setTimeout(run, ms)), []);
  const call = () => {
    setState("waiting");
    later(
      () => {
        const calledMs = performance.now();
        setState("called");
        if (aloud) say("now");
        const look = async () => {
          const seconds = await reactionS(calledMs);
          if (seconds !== null) setAnswers((was) => [...was, seconds]);
          else if (performance.now() - calledMs < WAITS_MS) return void later(() => void look(), LOOK_MS);
          else setMissed((was) => was + 1);
          setState("idle");
        };
        later(() => void look(), LOOK_MS);
      },
      SOONEST_MS + Math.random() * (LATEST_MS - SOONEST_MS),
    );
  };
  return { answers, missed, state, call };
}
