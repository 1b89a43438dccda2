"use client";

import Button from "@mui/material/Button";
import type { ReactNode } from "react";
import { Progress } from "../layout/progress";
import type { Computed } from "./use-scatter";

/** What starts a long computation; while it runs, how far it is and a button that stops it. */
export function RunOrStop({
  state,
  label,
  onStop,
  children,
}: {
  state: Computed<unknown>;
  /** What is under way, for people who do not see the bar. */
  label: string;
  onStop: () => void;
  children: ReactNode;
}) {
  if (state.kind !== "flying") return children;
  return (
    <>
      <Button variant="outlined" onClick={onStop}>
        Stop
      </Button>
      <Progress share={state.share} aria-label={label} maxWidth={180} />
    </>
  );
}
