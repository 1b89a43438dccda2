import type { DirectionEvidence } from "@/core";
import type { Squad } from "@/contract";
import type { Glance, StepStanding } from "@/syllabus";
import type { SquadData, SquadRow } from "./load";

/** Outcomes of the last tries that a row has room for. */
export const LAST_SHOWN = 5;

/** The evidence in one direction as far as a row shows it. */
export type ShownEvidence = Pick<DirectionEvidence, "direction" | "attempts" | "lastOutcomes"> & {
  readonly posterior: Pick<DirectionEvidence["posterior"], "mean" | "low" | "high">;
};

/** What the squad's page shows of a pilot: of everything that is known of them a small part. */
export interface ShownRow extends Omit<SquadRow, "glance" | "checkFirst"> {
  readonly glance: Pick<Glance, "steps" | "signedOff" | "depths" | "lastFlownMs" | "idleDays"> & {
    readonly current:
      | (Pick<StepStanding, "stepId" | "state" | "advice"> & { readonly directions: readonly ShownEvidence[] })
      | null;
    /** How many signed-off steps want flying again. */
    readonly reviewsDue: number;
  };
}

export interface ShownSquad {
  /** Who needs the coach most first. */
  readonly rows: readonly ShownRow[];
  readonly squads: readonly Squad[];
}

/** What goes to the browser. */
export const shownOf = ({ rows, squads }: SquadData): ShownSquad => ({ rows: rows.map(shownRow), squads });

function shownRow({ id, name, squadId, asksFor, glance, aircraftName, setupNumber, reasons }: SquadRow): ShownRow {
  const { steps, signedOff, depths, lastFlownMs, idleDays, current, reviewsDue } = glance;
  return {
    id,
    name,
    squadId,
    asksFor,
    aircraftName,
    setupNumber,
    reasons,
    glance: {
      steps,
      signedOff,
      depths,
      lastFlownMs,
      idleDays,
      reviewsDue: reviewsDue.length,
      current: current && {
        stepId: current.stepId,
        state: current.state,
        advice: current.advice,
        directions: current.evidence.directions.map(({ direction, attempts, lastOutcomes, posterior }) => ({
          direction,
          attempts,
          lastOutcomes: lastOutcomes.slice(-LAST_SHOWN),
          posterior: { mean: posterior.mean, low: posterior.low, high: posterior.high },
        })),
      },
    },
  };
}
