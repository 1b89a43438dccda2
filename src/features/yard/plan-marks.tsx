"use client";

import { useMemo } from "react";
import { planConflicts, type PlannedCourse, type SitePlan } from "@/core";
import { Box } from "@/ui/layout/box";
import { usePreferences } from "@/ui/theme/preferences";
import { conflictWords, courseNames, intoWords, lower, quantityText, refusedWords } from "@/words";
import { wayOf } from "./edits";
import type { Flights } from "./use-flights";

/** Which way is north, and where the wind goes. */
export function Compass({ northDeg, day }: { northDeg: number; day: { windMps: number; windFromDeg: number } }) {
  const { units } = usePreferences();
  const turn = (deg: number) => `rotate(${deg} 26 26)`;
  return (
    <Box sx={{ position: "absolute", right: 10, top: 10, textAlign: "right", pointerEvents: "none" }}>
      <Box component="svg" viewBox="0 0 52 52" sx={{ width: 52, height: 52, color: "text.primary" }} aria-hidden>
        <g transform={turn(-northDeg)} fill="none" stroke="currentColor" strokeWidth={2}>
          <path d="M26 46 V10 M19 19 L26 8 L33 19" />
        </g>
        <text x={26} y={51} textAnchor="middle" fontSize={11} fontWeight={700} fill="currentColor">
          N
        </text>
      </Box>
      {day.windMps > 0 && (
        <Box sx={(theme) => ({ color: theme.tokens.ochreText, fontWeight: 650, fontSize: "0.85rem" })}>
          <Box
            component="svg"
            viewBox="0 0 52 52"
            sx={{ width: 44, height: 44, display: "block", ml: "auto" }}
            aria-hidden
          >
            <g transform={turn(day.windFromDeg - northDeg)} fill="none" stroke="currentColor" strokeWidth={3}>
              <path d="M26 4 V46 M18 35 L26 47 L34 35" />
            </g>
          </Box>
          wind {quantityText(day.windMps, "speed", units)}
        </Box>
      )}
    </Box>
  );
}

/** What a course does that it may not, in red with its numbers. */
export function Conflicts(props: {
  plan: SitePlan;
  course: PlannedCourse;
  ceilingM: number | null;
  throwM: number;
  heightM: number;
}) {
  const { plan, course, ceilingM, throwM, heightM } = props;
  const { units } = usePreferences();
  const found = useMemo(
    () => planConflicts(plan, wayOf(course, heightM), { throwM, ceilingM }),
    [plan, course, heightM, throwM, ceilingM],
  );
  if (found.length === 0) return null;
  const name = course.name || courseNames[course.kind];
  return (
    <RedList
      said={found.map((conflict) => ({
        key: `${conflict.kind} ${conflict.featureId}`,
        text: `${name}: ${lower(conflictWords(conflict, units))}`,
      }))}
    />
  );
}

/** What the flights that lie on a plan do that they may not, in red with their numbers. */
export function FlightConflicts({ flights: { named, answerOf } }: { flights: Flights }) {
  const { units } = usePreferences();
  const said = named.flatMap(({ flight, name }) => {
    const answer = answerOf(flight.id);
    if (answer?.kind === "refused") return [{ key: flight.id, text: `${name}: ${refusedWords(answer.why, units)}` }];
    if (!answer) return [];
    const { conflicts, into } = answer.flown;
    return [
      ...(into === null ? [] : [{ key: `${flight.id} into`, text: `${name}: ${intoWords(into)}` }]),
      ...conflicts.map((conflict) => ({
        key: `${flight.id} ${conflict.kind} ${conflict.featureId}`,
        text: `${name}: ${lower(conflictWords(conflict, units))}`,
      })),
    ];
  });
  if (said.length === 0) return null;
  return <RedList said={said} />;
}

function RedList({ said }: { said: readonly { readonly key: string; readonly text: string }[] }) {
  return (
    <Box role="alert">
      <Box component="ul" sx={{ listStyle: "none", p: 0, mt: 1, mb: 0, color: "error.main", fontWeight: 600 }}>
        {said.map(({ key, text }) => (
          <li key={key}>▲ {text}</li>
        ))}
      </Box>
    </Box>
  );
}
