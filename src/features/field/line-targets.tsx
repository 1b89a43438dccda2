"use client";

import ButtonBase from "@mui/material/ButtonBase";
import FormControlLabel from "@mui/material/FormControlLabel";
import Switch from "@mui/material/Switch";
import { useState } from "react";
import type { LoggedAttempt, PlannedBlock, TallyPilot } from "@/contract";
import type { Outcome } from "@/core";
import { LINES_STEP } from "@/syllabus";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { useHydrated } from "@/ui/hydration/use-hydrated";
import { Box } from "@/ui/layout/box";
import { trickName } from "@/words";
import { Target } from "./tally-parts";

/**
 * The line that is flown now, out of those given to the pilot: the one chosen here, else the one planned, else the one flown last. Null where no line is, and
 * where the step is another.
 */
export function useFieldLine(
  pilot: TallyPilot,
  { stepId, lineId }: Pick<PlannedBlock, "stepId" | "lineId">,
  today: readonly LoggedAttempt[],
) {
  const [chosen, setChosen] = useState<{ readonly id: string; readonly insteadOf: string | null } | null>(null);
  const lines = pilot.lines ?? [];
  if (stepId !== LINES_STEP || lines.length === 0) return null;
  const planned = lineId ?? null;
  // What was chosen holds until another line is planned.
  const here = chosen?.insteadOf === planned ? chosen.id : null;
  const choose = (id: string) => setChosen({ id, insteadOf: planned });
  const last = today.filter(({ line }) => line).at(-1)?.line?.id;
  const [line = lines[0]] = [here, planned, last].flatMap((wanted) => lines.find(({ id }) => id === wanted) ?? []);
  return { line, lines, choose };
}

export type FieldLineChoice = NonNullable<ReturnType<typeof useFieldLine>>;

/** Which line is flown, and one tap a try: through, or the trick at which it broke. */
export function LineTargets({
  choice: { line, lines, choose },
  today,
  onTap,
}: {
  choice: FieldLineChoice;
  today: readonly LoggedAttempt[];
  onTap: (outcome: Outcome, brokeAt: number | null) => void;
}) {
  const ready = useHydrated();
  const [crashing, setCrashing] = useState(false);
  const tries = today.filter((one) => one.line?.id === line.id);
  const through = (outcome: Outcome) =>
    tries.filter((one) => one.outcome === outcome && one.line?.brokeAt === null).length;
  return (
    <Box sx={{ flex: "1 0 auto", display: "grid", gap: 1, gridTemplateRows: "auto auto 1fr" }}>
      <Box sx={{ display: "flex", gap: 1, alignItems: "center" }}>
        <SelectField
          large
          label="Line"
          value={line.id}
          onChange={(event) => choose(event.target.value)}
          sx={{ flex: 1, minWidth: 0 }}
        >
          {lines.map(({ id, name }) => (
            <Option key={id} value={id}>
              {name}
            </Option>
          ))}
        </SelectField>
        <FormControlLabel
          sx={{ minHeight: 56, mr: 0 }}
          control={<Switch checked={crashing} onChange={(_, on) => setCrashing(on)} />}
          label="Crashed"
        />
      </Box>
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1, minHeight: 108 }}>
        {(["clean", "rough"] as const).map((outcome) => (
          <Target
            key={outcome}
            outcome={outcome}
            name={outcome === "clean" ? "Through" : "Through, rough"}
            ready={ready}
            count={through(outcome)}
            onTap={() => onTap(outcome, null)}
          />
        ))}
      </Box>
      <Box
        role="group"
        aria-label={crashing ? "Crashed at" : "Broke at"}
        sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gridAutoRows: "minmax(64px, 1fr)", gap: 1 }}
      >
        {line.tricks.map((trick, place) => {
          const count = tries.filter((one) => one.line?.brokeAt === place).length;
          const says = `${crashing ? "Crashed" : "Broke"} at ${place + 1}: ${trickName(trick)}`;
          return (
            <ButtonBase
              key={place}
              disabled={!ready}
              aria-label={`${says}, ${count} so far`}
              onClick={() => {
                navigator.vibrate?.(30);
                onTap(crashing ? "crashed" : "bailed", place);
                setCrashing(false);
              }}
              sx={(theme) => ({
                px: 1,
                gap: 1,
                justifyContent: "flex-start",
                textAlign: "left",
                fontSize: "1rem",
                lineHeight: 1.2,
                borderRadius: "3px",
                border: `2px solid ${theme.tokens.ink}`,
                bgcolor: crashing ? theme.tokens.buoy : theme.tokens.slate,
                color: crashing ? theme.tokens.buoyInk : theme.tokens.slateInk,
                touchAction: "manipulation",
                opacity: ready ? 1 : 0.55,
              })}
            >
              <Box component="span" className="num" sx={{ fontSize: "1.6rem", fontWeight: 700 }}>
                {place + 1}
              </Box>
              <Box component="span" sx={{ flex: 1, minWidth: 0 }}>
                {crashing ? "crashed at " : "broke at "}
                {trickName(trick)}
              </Box>
              <span className="num">{count}</span>
            </ButtonBase>
          );
        })}
      </Box>
    </Box>
  );
}
