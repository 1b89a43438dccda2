"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { CloudOnPlan, PlannedFlight } from "@/core";
import { NumberSlider } from "@/ui/forms/number-slider";
import { Box } from "@/ui/layout/box";
import { usePreferences } from "@/ui/theme/preferences";
import { Num } from "@/ui/units/figure";
import { cloudConflictWords, compassName, refusedWords } from "@/words";
import type { NamedFlight } from "./flights";
import type { PlanData } from "./load-plan";
import { CLOUD_RUNS, type OnPlan } from "./use-flights";

/** One flight of the plan: which way it goes, the room it takes there, and where hands that err would take it. */
export function FlightPanel(props: {
  named: NamedFlight;
  answer: OnPlan | null;
  cloud: CloudOnPlan | null;
  cloudRefused: boolean;
  flown: PlanData["flown"];
  northDeg: number;
  /** Into the wind of the day, ° on the plan; null in a calm. */
  intoWindDeg: number | null;
  mayChange: boolean;
  onChange: (change: Partial<PlannedFlight>, gesture: string) => void;
  onRemove: () => void;
}) {
  const { named, answer, cloud, cloudRefused, flown, northDeg, intoWindDeg, mayChange, onChange, onRemove } = props;
  const { flight, name } = named;
  const { units } = usePreferences();
  return (
    <Box component="section" aria-labelledby="flight" sx={{ mb: 1 }}>
      <Typography variant="h2" id="flight">
        {name}
      </Typography>
      {flown ? (
        <Typography sx={{ fontSize: "0.9rem", color: "text.secondary" }}>
          As {flown.pilotName} flies it with {flown.aircraft.name}
          {!flown.setup && ", on settings to begin with"}.
        </Typography>
      ) : (
        <Typography>Choose a pilot with an aircraft: it is then flown here.</Typography>
      )}
      {mayChange && (
        <Box sx={{ mt: 1 }}>
          <NumberSlider
            label={`Toward the ${compassName(flight.headingDeg + northDeg)}`}
            quantity="angle"
            value={(flight.headingDeg + 360) % 360}
            range={[0, 359]}
            step={5}
            digits={0}
            onChange={(headingDeg) => onChange({ headingDeg }, "heading")}
          />
        </Box>
      )}
      {answer?.kind === "refused" && (
        <Typography role="alert" color="error.main">
          ▲ {refusedWords(answer.why, units)}
        </Typography>
      )}
      {answer?.kind === "flown" && <Takes answer={answer.flown} />}
      {flown && !cloudRefused && <CloudWords cloud={cloud} />}
      {mayChange && (
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 1 }}>
          {intoWindDeg !== null && (
            <Button
              size="small"
              variant="outlined"
              onClick={() => onChange({ headingDeg: Math.round(intoWindDeg) % 360 }, "heading")}
            >
              Into the wind
            </Button>
          )}
          <Button size="small" variant="outlined" onClick={onRemove}>
            Take it off the plan
          </Button>
        </Box>
      )}
    </Box>
  );
}

/** The room it takes, how high it goes, and what the wind and a dead battery make of it. */
function Takes({ answer: { measures, throwsM, driftM } }: { answer: Extract<OnPlan, { kind: "flown" }>["flown"] }) {
  return (
    <>
      <Typography>
        Takes <Num value={measures.roomAlongM} quantity="length" /> along and{" "}
        <Num value={measures.roomAcrossM} quantity="length" /> across, up to{" "}
        <Num value={measures.highestM} quantity="length" />.
      </Typography>
      <Typography>
        Dead at its worst moment, it is thrown <Num value={Math.max(...throwsM)} quantity="length" />.
        {driftM >= 0.5 && (
          <>
            {" "}
            This wind carries its end off by <Num value={driftM} quantity="length" />.
          </>
        )}
      </Typography>
    </>
  );
}

/** What the flights of a cloud break, with how many do. */
function CloudWords({ cloud }: { cloud: CloudOnPlan | null }) {
  const { units } = usePreferences();
  if (!cloud)
    return (
      <Typography role="status" sx={{ fontSize: "0.9rem", color: "text.secondary" }}>
        Being flown {CLOUD_RUNS} times with the errors of usual hands.
      </Typography>
    );
  return (
    <Box role="status" sx={{ mt: 0.5 }}>
      <Typography>
        Of <span className="num">{cloud.ways.length}</span> flights with the errors of usual hands{" "}
        <b className="num">{cloud.ways.length - cloud.broken}</b> are flown to their end.
      </Typography>
      {cloud.conflicts.length === 0 ? (
        <Typography>None of them goes where it may not.</Typography>
      ) : (
        <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0, color: "error.main", fontWeight: 600 }}>
          {cloud.conflicts.map((conflict) => (
            <li key={`${conflict.kind} ${conflict.featureId}`}>▲ {cloudConflictWords(conflict, units)}</li>
          ))}
        </Box>
      )}
    </Box>
  );
}
