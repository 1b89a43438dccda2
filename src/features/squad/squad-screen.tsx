"use client";

import { adviceWords, capital, percent, percentRange } from "@/words";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { windowOf, type StepEvidence } from "@/core";
import { directionNames, findStep, stepName, type Step } from "@/syllabus";
import { useListener } from "@/ui/units/listener";
import { useSyllabusOf } from "@/ui/syllabus/use-syllabus";
import { SendForm } from "@/ui/forms/send-form";
import { useHydrated } from "@/ui/hydration/use-hydrated";
import { useKeys } from "@/ui/keys/keys";
import { LastOutcomes, RateBar, StateMark } from "@/ui/marks/marks";
import { daysAgo } from "@/ui/moment/moment";
import { usePreferences } from "@/ui/theme/preferences";
import { useAtHand } from "@/ui/shell/at-hand";
import type { SquadData, SquadRow } from "./load";
import { pilotFields, pilotFrom } from "@/ui/forms/pilot-fields";

const columns = {
  xs: "1fr",
  lg: "minmax(140px,0.9fr) minmax(190px,1.2fr) minmax(300px,1.7fr) minmax(230px,1.6fr) 92px",
};
const GAP_DAYS = 7;
const MOST_SHOWN = 5;
/** Rows that are drawn on the server; those of a large squad follow in the browser. */
const AT_ONCE = 8;
/** Reasons that want the coach before anything else. */
const pressing: ReadonlySet<string> = new Set(["rest", "asks", "slipping", "check-first", "step-back"]);

/** Squad: who is on what, what is due, the evidence at a glance. */
export function SquadScreen({ data }: { data: SquadData }) {
  const [adding, setAdding] = useState(false);
  const keys = useMemo(() => [{ key: "a", label: "Add a pilot", run: () => setAdding(true) }], []);
  useKeys(keys);
  // A coach of several squads looks at all of them, or at one.
  const [shownId, setShownId] = useState<string | null>(null);
  const rows = data.rows.filter(({ squadId }) => shownId === null || squadId === shownId);
  const hydrated = useHydrated();
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "baseline", columnGap: 3, rowGap: 1, mb: 2 }}>
        <Typography variant="h1">Squad</Typography>
        {data.squads.length > 1 && (
          <TextField
            select
            variant="standard"
            value={shownId ?? "all"}
            onChange={(event) => setShownId(event.target.value === "all" ? null : event.target.value)}
            slotProps={{ htmlInput: { "aria-label": "Squad shown" } }}
          >
            <MenuItem value="all">all squads</MenuItem>
            {data.squads.map(({ id, name }) => (
              <MenuItem key={id} value={id}>
                {name}
              </MenuItem>
            ))}
          </TextField>
        )}
        <Counts rows={rows} />
        <Box sx={{ flex: 1 }} />
        {data.squads
          .filter(({ id }) => shownId === null || id === shownId)
          .map(({ id, name }) => (
            <span key={id}>
              <Button component="a" href={`/squad-files/${id}/overview.pdf`} download>
                {data.squads.length > 1 ? `${name}, PDF` : "As PDF"}
              </Button>
              <Button component="a" href={`/squad-files/${id}/overview.csv`} download>
                CSV
              </Button>
            </span>
          ))}
        <Button variant="outlined" onClick={() => setAdding(true)}>
          Add a pilot
        </Button>
      </Box>
      {data.squads.length === 0 ? (
        <Box sx={{ maxWidth: 620, mt: 4 }}>
          <Typography variant="h2">No squad</Typography>
          <Typography sx={{ my: 1.5 }}>
            Pilots are in a squad. Add one under People, or bring one back from the bin.
          </Typography>
          <Button variant="contained" component={Link} href="/people">
            Go to People
          </Button>
        </Box>
      ) : rows.length === 0 ? (
        <Box sx={{ maxWidth: 620, mt: 4 }}>
          <Typography variant="h2">Nobody is here yet</Typography>
          <Typography sx={{ my: 1.5 }}>
            Add your first pilot. Then give them an aircraft and a setup, read the brief of their first step, and run a
            session.
          </Typography>
          <Button variant="contained" onClick={() => setAdding(true)}>
            Add the first pilot
          </Button>
        </Box>
      ) : (
        <Box role="table" aria-label="Pilots, who needs you most first">
          <Box
            role="row"
            sx={{
              display: { xs: "none", lg: "grid" },
              gridTemplateColumns: columns,
              gap: 2,
              pb: 0.5,
              fontSize: "0.82rem",
              color: "text.secondary",
            }}
          >
            {["Pilot", "Step", "Evidence: last tries, clean rate, 90 % interval", "Needs you because", "Next"].map(
              (head) => (
                <span role="columnheader" key={head}>
                  {head}
                </span>
              ),
            )}
          </Box>
          {(hydrated ? rows : rows.slice(0, AT_ONCE)).map((row) => (
            <PilotRow key={row.id} row={row} />
          ))}
        </Box>
      )}
      <AddPilot open={adding} squadId={shownId} squads={data.squads} onClose={() => setAdding(false)} />
    </>
  );
}

function AddPilot({
  open,
  squadId,
  squads,
  onClose,
}: {
  open: boolean;
  squadId: string | null;
  squads: SquadData["squads"];
  onClose: () => void;
}) {
  const { units } = usePreferences();
  const router = useRouter();
  return (
    <Dialog open={open} onClose={onClose} aria-labelledby="add-pilot" fullWidth maxWidth="xs">
      <DialogTitle id="add-pilot">Add a pilot</DialogTitle>
      <DialogContent>
        <Box sx={{ pt: 1 }}>
          <SendForm
            action="add-pilot"
            submit="Add"
            fields={pilotFields(
              { name: "", stickMode: 2, grip: "thumbs", squadId: squadId ?? undefined },
              squads,
              units,
            )}
            input={(values, id) => ({ id, ...pilotFrom(values, units) })}
            onDone={(id) => {
              onClose();
              router.push(`/pilot?pilot=${id}`);
              router.refresh();
            }}
          />
        </Box>
      </DialogContent>
    </Dialog>
  );
}

/** How many there are, and how many want something. */
function Counts({ rows }: { rows: readonly SquadRow[] }) {
  if (rows.length === 0) return null;
  const asking = rows.reduce((sum, row) => sum + row.asksFor.length, 0);
  const signOffs = rows.filter((row) => row.glance.current?.advice.kind === "advance").length;
  const due = rows.reduce((sum, row) => sum + row.glance.reviewsDue.length, 0);
  return (
    <>
      <span>
        <b className="num">{rows.length}</b> pilots
      </span>
      {asking > 0 && (
        <Box component="span" sx={{ color: "error.main", fontWeight: 600 }}>
          ▲ asking for a sign-off <b className="num">{asking}</b>
        </Box>
      )}
      <span>
        <StateMark state="signed-off" labelled={false} /> ready for sign-off <b className="num">{signOffs}</b>
      </span>
      <Box component="span" sx={(theme) => ({ color: theme.tokens.ochreText, fontWeight: 600 })}>
        <StateMark state="due" labelled={false} /> due again <b className="num">{due}</b>
      </Box>
    </>
  );
}

function PilotRow({ row }: { row: SquadRow }) {
  const { hrefFor } = useAtHand();
  const { glance } = row;
  const { current, idleDays } = glance;
  const syllabus = useSyllabusOf()(row.squadId);
  const listener = useListener();
  const step = current && findStep(syllabus, current.stepId);
  const to = (path: string, change = {}) => hrefFor(path, { pilot: row.id, aircraft: undefined, ...change });
  return (
    <Box
      role="row"
      sx={(theme) => ({
        display: "grid",
        gridTemplateColumns: columns,
        columnGap: 2,
        rowGap: 1,
        py: 1.4,
        borderTop: `1.5px solid ${theme.tokens.rule}`,
        alignItems: "start",
      })}
    >
      <Box role="cell">
        <Box component={Link} href={to("/pilot")} sx={{ fontWeight: 700, fontSize: "1.05rem" }}>
          {row.name}
        </Box>
        <Box sx={{ fontSize: "0.85rem", color: "text.secondary" }}>
          {row.aircraftName
            ? `${row.aircraftName}${row.setupNumber ? ` · setup ${row.setupNumber}` : " · no setup"}`
            : "no aircraft yet"}
        </Box>
        <Box
          sx={(theme) => ({
            fontSize: "0.85rem",
            color: idleDays !== null && idleDays > GAP_DAYS ? theme.tokens.ochreText : theme.tokens.inkSoft,
            fontWeight: idleDays !== null && idleDays > GAP_DAYS ? 650 : 400,
          })}
        >
          {idleDays === null ? "not flown yet" : `flew ${daysAgo(idleDays)}`}
        </Box>
      </Box>
      <Box role="cell">
        {current ? (
          <>
            <StateMark state={current.state} /> <b>{stepName(syllabus, current.stepId)}</b>
            <Box sx={{ fontSize: "0.85rem", color: "text.secondary" }}>
              <span className="num">{glance.signedOff}</span> of <span className="num">{glance.steps}</span> signed off
            </Box>
          </>
        ) : (
          <>
            <StateMark state="signed-off" /> <b>All steps signed off</b>
          </>
        )}
      </Box>
      <Box role="cell" sx={{ display: "grid", gap: 0.6 }}>
        {step && current && <EvidenceGlance step={step} evidence={current.evidence} />}
      </Box>
      <Box role="cell">
        {row.reasons.map(({ kind, text }) => (
          <Box
            key={kind}
            sx={(theme) => ({
              fontSize: "0.92rem",
              fontWeight: 600,
              color: pressing.has(kind) ? theme.tokens.buoyText : theme.tokens.ink,
            })}
          >
            {pressing.has(kind) && "▲ "}
            {capital(text)}
          </Box>
        ))}
        <Box sx={{ fontSize: "0.88rem", color: row.reasons.length > 0 ? "text.secondary" : "text.primary" }}>
          {current
            ? adviceWords(current.advice, current.stepId, syllabus, listener)
            : "Keep it fresh: fly what is due."}
        </Box>
      </Box>
      <Box role="cell" sx={{ textAlign: { lg: "right" } }}>
        <Button
          component={Link}
          size="small"
          variant="outlined"
          href={
            row.aircraftName === null || row.setupNumber === null
              ? to("/setup")
              : to(current?.advice.kind === "advance" ? "/pilot" : "/brief")
          }
        >
          {row.aircraftName === null
            ? "Add aircraft"
            : row.setupNumber === null
              ? "Make setup"
              : current?.advice.kind === "advance"
                ? "Sign off"
                : "Brief"}
        </Button>
      </Box>
    </Box>
  );
}

/** A line a direction: the last tries, the clean rate, how many. */
function EvidenceGlance({ step, evidence }: { step: Step; evidence: StepEvidence }) {
  const names = directionNames(step);
  const window = windowOf(step.mark);
  return evidence.directions.map((one) => (
    <Box
      key={one.direction}
      sx={{
        display: "grid",
        gridTemplateColumns: "72px 84px 1fr 40px",
        gap: 1,
        alignItems: "center",
        fontSize: "0.85rem",
      }}
    >
      <span>{names[one.direction]}</span>
      <LastOutcomes outcomes={one.lastOutcomes.slice(-MOST_SHOWN)} window={Math.min(MOST_SHOWN, window.attempts)} />
      {one.attempts > 0 ? (
        <RateBar
          mean={one.posterior.mean}
          low={one.posterior.low}
          high={one.posterior.high}
          mark={window.share}
          label={`clean rate ${percent(one.posterior.mean)}, 90 % interval ${percentRange(one.posterior)}`}
        />
      ) : (
        <Box component="span" sx={{ color: "text.secondary" }}>
          not flown
        </Box>
      )}
      <span className="num" style={{ textAlign: "right" }}>
        {one.attempts}×
      </span>
    </Box>
  ));
}
