"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { outcomes } from "@/core";
import type { LoggedAttempt, TallyData, TallyNote, TallyPilot, TallyStep } from "@/contract";
import { flownStep } from "@/syllabus";
import { Link } from "@/ui/actions/link";
import { Box } from "@/ui/layout/box";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { OutcomeMark } from "@/ui/marks/marks";
import { usePreferences } from "@/ui/theme/preferences";
import { Moment } from "@/ui/moment/moment";
import { capital } from "@/words";
import { NoteList } from "./note-list";
import { measuredWords } from "./measured-words";
import { mostSeenWords } from "./most-seen";
import { nextTimeWords } from "./next-time";
import { SessionPicture } from "./session-picture";
import { sinceLastTime, sinceLastWords } from "./since-last";
import { Verdict } from "./verdict";

/** After the session: what happened by pilot, step and direction, and what follows from it. */
export function Debrief({
  data,
  attempts,
  onReopen,
  onSignOff,
}: {
  data: TallyData;
  attempts: readonly LoggedAttempt[];
  onReopen: () => void;
  onSignOff: (pilotId: string, stepId: string) => void;
}) {
  return (
    <Box sx={{ maxWidth: 900, mx: "auto", p: { xs: 2, md: 3 } }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, alignItems: "baseline" }}>
        <Typography variant="h1">
          {data.session.endedAtMs !== null ? "Debrief" : data.session.begun ? "Still being flown" : "Not started yet"}
        </Typography>
        <span>
          <Moment atMs={data.session.startedAtMs} show="both" />
          {data.site && `, ${data.site.name}`} · <b className="num">{attempts.length}</b> attempts
        </span>
        <Box sx={{ flex: 1 }} />
        <Button component="a" href={`/debriefs/${data.session.id}`} download>
          Export PDF
        </Button>
        <Button component={Link} href={data.coaches ? "/squad" : "/pilot"}>
          {data.coaches ? "To the squad" : "To your record"}
        </Button>
        {data.mayKeep && (
          <Button variant="outlined" onClick={onReopen}>
            Open it again
          </Button>
        )}
      </Box>
      <SessionPicture pilots={whoFlew(data.pilots, attempts)} attempts={attempts} />
      {whoFlew(data.pilots, attempts).map((pilot) => (
        <PilotDebrief
          key={pilot.id}
          pilot={pilot}
          paper={data.session.begun ? `/debriefs/${data.session.id}?pilot=${pilot.id}` : null}
          attempts={attempts.filter((attempt) => attempt.pilotId === pilot.id)}
          notes={data.notes.filter(({ pilotId }) => pilotId === pilot.id)}
          maySignOff={data.coaches}
          onSignOff={(stepId) => onSignOff(pilot.id, stepId)}
        />
      ))}
    </Box>
  );
}

/** Everybody but those who left without a try. */
const whoFlew = (pilots: readonly TallyPilot[], attempts: readonly LoggedAttempt[]) =>
  pilots.filter(({ id, left }) => !left || attempts.some(({ pilotId }) => pilotId === id));

function PilotDebrief({
  pilot,
  paper,
  attempts,
  notes,
  maySignOff,
  onSignOff,
}: {
  pilot: TallyPilot;
  /** Where theirs is on paper. */
  paper: string | null;
  attempts: readonly LoggedAttempt[];
  notes: readonly TallyNote[];
  maySignOff: boolean;
  onSignOff: (stepId: string) => void;
}) {
  const flown = pilot.steps.filter(({ stepId }) => attempts.some((one) => one.stepId === stepId));
  const next = nextTimeWords(pilot, useSyllabus(), attempts);
  const left = pilot.steps.length - flown.length;
  return (
    <Box component="section" sx={(theme) => ({ borderTop: `1.5px solid ${theme.tokens.ink}`, mt: 2.5, pt: 1.5 })}>
      {flown.length === 0 && (
        <>
          <Typography variant="h2">{pilot.name}</Typography>
          <Typography color="text.secondary">No attempts logged.</Typography>
        </>
      )}
      {flown.map((step) => (
        <StepDebrief
          key={step.stepId}
          pilot={pilot}
          step={step}
          attempts={attempts}
          maySignOff={maySignOff}
          onSignOff={() => onSignOff(step.stepId)}
        />
      ))}
      {next && <Typography sx={{ fontWeight: 650 }}>{next}</Typography>}
      <NoteList notes={notes} />
      {paper && (
        <Button component="a" href={paper} download size="small">
          PDF for {pilot.name}
        </Button>
      )}
      {flown.length > 0 && left > 0 && (
        <Typography sx={{ color: "text.secondary", fontSize: "0.9rem" }}>
          Planned and not flown: <span className="num">{left}</span> {left === 1 ? "step" : "steps"}.
        </Typography>
      )}
    </Box>
  );
}

function StepDebrief({
  pilot,
  step: known,
  attempts,
  maySignOff,
  onSignOff,
}: {
  pilot: TallyPilot;
  step: TallyStep;
  attempts: readonly LoggedAttempt[];
  maySignOff: boolean;
  onSignOff: () => void;
}) {
  const { units } = usePreferences();
  const syllabus = useSyllabus();
  const own = attempts.filter((attempt) => attempt.stepId === known.stepId);
  const step = flownStep(
    syllabus,
    known.stepId,
    own.map(({ direction }) => direction),
  );
  const change = sinceLastTime(known.earlier, own);
  const mend = mostSeenWords(own, step.faults);
  const measured = measuredWords(own, units);
  return (
    <Box sx={{ mb: 2 }}>
      <Typography variant="h2">
        {pilot.name}: {step.name}
      </Typography>
      {step.directions.map(({ id, name }) => (
        <Box key={id} sx={{ display: "flex", gap: 2, my: 0.5 }}>
          <Box sx={{ width: 90 }}>{name}</Box>
          {outcomes.map((outcome) => (
            <Box key={outcome} component="span" sx={{ whiteSpace: "nowrap" }}>
              <OutcomeMark outcome={outcome} size={15} />{" "}
              <b className="num">{own.filter((one) => one.direction === id && one.outcome === outcome).length}</b>
            </Box>
          ))}
        </Box>
      ))}
      {change && <Typography sx={{ my: 0.5 }}>{sinceLastWords(change)}</Typography>}
      {measured.map((line) => (
        <Typography key={line} sx={{ my: 0.5 }}>
          {capital(line)}.
        </Typography>
      ))}
      {mend && (
        <Typography sx={{ my: 0.5 }}>
          <b>Main fault:</b> {mend}
        </Typography>
      )}
      <Box sx={{ mt: 1 }}>
        <Verdict
          pilot={pilot}
          known={known}
          step={step}
          own={own}
          today={attempts}
          maySignOff={maySignOff}
          onSignOff={onSignOff}
        />
      </Box>
    </Box>
  );
}
