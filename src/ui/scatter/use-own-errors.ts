"use client";

import { useEffect, useState } from "react";
import type { MeasuredValues, OwnErrors, PilotErrors, ScatterPlan } from "@/core";
import { createPool } from "./pool";

interface Task {
  readonly plan: Omit<ScatterPlan, "errors">;
  readonly usual: PilotErrors;
  readonly measured: MeasuredValues;
}

/** The errors of a pilot's own hands, worked out in a worker; null until they are there, and where nothing is asked. `why` says what went wrong. */
export function useOwnErrors(task: Task | null): {
  readonly own: OwnErrors | null;
  readonly errors: PilotErrors | null;
  readonly why: Error | null;
} {
  const [answer, setAnswer] = useState<{
    key: string;
    own: OwnErrors | null;
    errors: PilotErrors | null;
    why: Error | null;
  } | null>(null);
  const key = task === null ? "" : JSON.stringify(task);
  useEffect(() => {
    if (key === "") return;
    let gone = false;
    const { plan, usual, measured } = JSON.parse(key) as Task;
    const pool = createPool({ count: 1 });
    const settle = (own: OwnErrors | null, errors: PilotErrors | null, why: Error | null) => {
      pool.close();
      if (!gone) setAnswer({ key, own, errors, why });
    };
    pool
      .run((remote) => remote.fitOwnErrors(plan, usual, measured))
      // What is measured and tells nothing leaves the hands as is usual.
      .then((own) => settle(own, own?.errors ?? usual, null))
      .catch((error: Error) => settle(null, null, error));
    return () => {
      gone = true;
      pool.close();
    };
  }, [key]);
  return answer?.key === key && key !== "" ? answer : { own: null, errors: null, why: null };
}
