"use client";

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Typography from "@mui/material/Typography";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { findStep, pathOf, routeOf, stepName, type StepStanding } from "@/syllabus";
import { PickOne } from "@/ui/forms/pick-one";
import { pilotFields, pilotFrom } from "@/ui/forms/pilot-fields";
import { SendForm } from "@/ui/forms/send-form";
import { useKeys } from "@/ui/keys/keys";
import { StateMark, stateWords } from "@/ui/marks/marks";
import { daysAgo } from "@/ui/moment/moment";
import { useAtHand } from "@/ui/shell/at-hand";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { DepthChart } from "./depth-chart";
import { DepthStrip } from "./depth-strip";
import { History } from "./history";
import type { PilotData } from "./load";
import { Milestones } from "./milestones";
import { Notes } from "./notes";
import { RemovePilot } from "./remove-pilot";
import { Reports } from "./reports-links";
import { AskSignOff, Requests } from "./requests";
import { SchoolPanel } from "./school-panel";
import { SignOff } from "./sign-off";
import { StepList } from "./step-list";
import { StepPanel } from "./step-panel";

const filters = [
  { id: "all", name: "all", shows: () => true },
  {
    id: "open",
    name: "open to learn",
    shows: ({ state, needsFirst }: StepStanding) => state !== "signed-off" && needsFirst.length === 0,
  },
  { id: "learning", name: "being learnt", shows: ({ state }: StepStanding) => state === "being-learnt" },
  { id: "due", name: "due again", shows: ({ reviewDue }: StepStanding) => reviewDue },
  {
    id: "ready",
    name: "mark met",
    shows: ({ state, advice }: StepStanding) => state !== "signed-off" && advice.kind === "advance",
  },
] as const;

/** Pilot: how deep they have sounded, one step looked at closely, milestones, school, history and notes. */
export function PilotScreen({ data }: { data: PilotData }) {
  const { pilot, standing, milestones, coaches, lookedAt } = data;
  const syllabus = useSyllabus();
  const router = useRouter();
  const { hrefFor } = useAtHand();
  const [signing, setSigning] = useState<StepStanding | null>(null);
  const [editing, setEditing] = useState(false);
  const [asList, setAsList] = useState(false);
  const [filterId, setFilter] = useState<(typeof filters)[number]["id"]>("all");
  const { shows } = filters.find(({ id }) => id === filterId)!;
  const { current } = standing;
  const one = lookedAt?.one ?? current;
  const step = one ? findStep(syllabus, one.stepId) : undefined;
  const route = routeOf(data.school);
  const way = pathOf(syllabus, route).filter(({ optional }) => !optional);
  const signed = new Set(milestones.map(({ stepId }) => stepId));
  const deepest = Math.max(-1, ...milestones.map(({ stepId }) => syllabus.skillByStep.get(stepId)?.stage ?? -1));
  const keys = useMemo(
    () => [
      {
        key: "b",
        label: "Brief of the step looked at",
        run: () => router.push(hrefFor("/brief", { step: one?.stepId })),
      },
      { key: "s", label: "Setup", run: () => router.push(hrefFor("/setup")) },
      { key: "l", label: "Chart or list", run: () => setAsList((now) => !now) },
      ...(coaches && one ? [{ key: "o", label: "Sign off the step looked at", run: () => setSigning(one) }] : []),
    ],
    [router, hrefFor, one, coaches],
  );
  useKeys(keys);
  const look = (stepId: string) => router.replace(hrefFor("/pilot", { step: stepId }), { scroll: false });
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "baseline", columnGap: 3, rowGap: 1 }}>
        <Typography variant="h1">{pilot.name}</Typography>
        {deepest >= 0 && (
          <span>
            deepest sounding <b className="num">{deepest}</b> of <b className="num">{syllabus.stages.length - 1}</b>
          </span>
        )}
        <span>
          signed off <b className="num">{way.filter(({ id }) => signed.has(id)).length}</b> of{" "}
          <b className="num">{way.length}</b>
        </span>
        {standing.reviewsDue.length > 0 && (
          <Box component="span" sx={(theme) => ({ color: theme.tokens.ochreText, fontWeight: 600 })}>
            <StateMark state="due" size={13} labelled={false} /> due again{" "}
            <b className="num">{standing.reviewsDue.length}</b>
          </Box>
        )}
        <span>
          {standing.lastFlownMs === null ? "not flown yet" : `flew ${daysAgo(standing.lastFlownMs, data.nowMs)}`}
        </span>
        <span>
          mode <b className="num">{pilot.stickMode}</b>, {pilot.grip}
        </span>
        <Box sx={{ flex: 1 }} />
        {coaches ? (
          <>
            <Button onClick={() => setEditing(true)}>Change</Button>
            <RemovePilot data={data} />
          </>
        ) : (
          <Button component="a" href={`/records/${pilot.id}/record.json`} download>
            Take your record with you
          </Button>
        )}
      </Box>
      {one && step && (
        <Box
          sx={(theme) => ({
            display: "flex",
            flexWrap: "wrap",
            gap: 2,
            alignItems: "center",
            my: 1.5,
            py: 1,
            px: 2,
            borderLeft: `6px solid ${theme.tokens.ochre}`,
            bgcolor: theme.tokens.sheet,
          })}
        >
          <Box sx={{ flex: 1, minWidth: 260 }}>
            <Typography component="span" sx={{ fontSize: "1.02rem", fontWeight: 600 }}>
              <b>{step.name}.</b> {one.state === "signed-off" ? "Signed off. " : ""}
              {one.advice.sentence}
            </Typography>
            {one.needsFirst.length > 0 && (
              <Box sx={{ fontSize: "0.88rem" }}>
                First: {one.needsFirst.map((id) => stepName(syllabus, id)).join(", ")}.
              </Box>
            )}
            {one.simulatorFirst && (
              <Box sx={{ fontSize: "0.88rem" }}>In the simulator first, by the school of this pilot.</Box>
            )}
          </Box>
          <Button
            variant={one.advice.kind === "advance" ? "outlined" : "contained"}
            component={Link}
            href={hrefFor("/brief", { step: step.id })}
          >
            Brief of this step
          </Button>
          {one.state !== "signed-off" &&
            (coaches ? (
              <Button
                variant={one.advice.kind === "advance" ? "contained" : "outlined"}
                onClick={() => setSigning(one)}
              >
                Sign off {step.name.toLowerCase()}
              </Button>
            ) : (
              <AskSignOff data={data} step={step} />
            ))}
        </Box>
      )}
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 2, rowGap: 1, mb: 0.5 }}>
        <Typography variant="h2">{asList ? "Steps" : "Depth chart"}</Typography>
        <PickOne
          label="Steps shown"
          value={filterId}
          options={filters.map(({ id, name }) => [id, name])}
          onPick={setFilter}
          buttonSx={{ px: 1.2, py: 0.3 }}
        />
        <Box sx={{ fontSize: "0.85rem", display: { xs: "none", md: "block" } }}>
          {(["signed-off", "being-learnt", "due", "not-begun"] as const).map((state) => (
            <Box component="span" key={state} sx={{ mr: 1.5, whiteSpace: "nowrap" }}>
              <StateMark state={state} size={12} labelled={false} /> {stateWords[state]}
            </Box>
          ))}
        </Box>
        <Box sx={{ flex: 1 }} />
        <Button size="small" variant="outlined" onClick={() => setAsList((now) => !now)}>
          {asList ? "As a chart" : "As a list"}
        </Button>
      </Box>
      {asList ? (
        <StepList data={data} shows={shows} onSign={coaches ? setSigning : null} />
      ) : (
        <>
          <Box sx={{ display: { xs: "none", md: "block" } }}>
            <DepthChart
              syllabus={syllabus}
              steps={standing.steps}
              route={route}
              selectedId={one?.stepId ?? null}
              shows={shows}
              onSelect={look}
            />
          </Box>
          <Box sx={{ display: { xs: "block", md: "none" } }}>
            <DepthStrip steps={standing.steps.filter(shows)} selectedId={one?.stepId ?? null} onSelect={look} />
          </Box>
        </>
      )}
      <Box
        sx={{
          mt: 3,
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,1.6fr) minmax(0,1fr)" },
          columnGap: 4,
          rowGap: 3,
        }}
      >
        <Box sx={{ display: "grid", gridTemplateColumns: "minmax(0,1fr)", gap: 3, alignContent: "start" }}>
          {lookedAt && <StepPanel data={data} looked={lookedAt} />}
          <History lines={data.history} />
        </Box>
        <Box sx={{ display: "grid", gridTemplateColumns: "minmax(0,1fr)", gap: 3, alignContent: "start" }}>
          <Requests data={data} />
          <Notes data={data} />
          <Milestones data={data} />
          <Reports data={data} />
          <SchoolPanel key={pilot.version} data={data} />
        </Box>
      </Box>
      <Dialog
        open={signing !== null}
        onClose={() => setSigning(null)}
        aria-labelledby="sign-off"
        fullWidth
        maxWidth="sm"
      >
        <DialogTitle id="sign-off">
          Sign off {signing && stepName(syllabus, signing.stepId).toLowerCase()} for {pilot.name}
        </DialogTitle>
        <DialogContent>
          {signing && (
            <SignOff
              one={signing}
              step={findStep(syllabus, signing.stepId)!}
              data={data}
              onDone={() => setSigning(null)}
            />
          )}
        </DialogContent>
      </Dialog>
      <Dialog open={editing} onClose={() => setEditing(false)} aria-labelledby="edit-pilot" fullWidth maxWidth="xs">
        <DialogTitle id="edit-pilot">Change {pilot.name}</DialogTitle>
        <DialogContent>
          <Box sx={{ pt: 1 }}>
            <SendForm
              action="edit-pilot"
              submit="Save"
              fields={pilotFields(pilot, data.squads)}
              input={(values) => ({ id: pilot.id, version: pilot.version, ...pilotFrom(values) })}
              onDone={() => {
                setEditing(false);
                router.refresh();
              }}
            />
          </Box>
        </DialogContent>
      </Dialog>
    </>
  );
}
