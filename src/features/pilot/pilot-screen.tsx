"use client";

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Typography from "@mui/material/Typography";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useSnackbar } from "notistack";
import { useMemo, useState } from "react";
import { TELLING_IMBALANCE, type Outcome } from "@/core";
import { directionNames, findStep, skillOf, stageNames, stepTitle, type StepStanding } from "@/syllabus";
import { EvidenceLine } from "@/ui/evidence/evidence-line";
import { pilotFields } from "@/ui/forms/pilot-fields";
import { SendForm } from "@/ui/forms/send-form";
import { useKeys } from "@/ui/keys/keys";
import { OutcomeMark, StateMark, stateWords } from "@/ui/marks/marks";
import { daysAgo, Moment } from "@/ui/moment/moment";
import { AskSignOff, Requests } from "./requests";
import { RemovePilot } from "./remove-pilot";
import { useAtHand } from "@/ui/shell/at-hand";
import { useUndoable } from "@/ui/actions/use-undoable";
import type { HistoryLine, PilotData } from "./load";

/** Pilot: the steps with their state and evidence, milestones, history and notes. */
export function PilotScreen({ data }: { data: PilotData }) {
  const { pilot, standing, milestones, coaches } = data;
  const router = useRouter();
  const { hrefFor } = useAtHand();
  const [signing, setSigning] = useState<StepStanding | null>(null);
  const [editing, setEditing] = useState(false);
  const { current } = standing;
  const keys = useMemo(
    () => [
      { key: "b", label: "Brief of the current step", run: () => router.push(hrefFor("/brief")) },
      { key: "s", label: "Setup", run: () => router.push(hrefFor("/setup")) },
      ...(coaches && current ? [{ key: "o", label: "Sign off the current step", run: () => setSigning(current) }] : []),
    ],
    [router, hrefFor, current, coaches],
  );
  useKeys(keys);
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "baseline", columnGap: 3, rowGap: 1 }}>
        <Typography variant="h1">{pilot.name}</Typography>
        <span>
          signed off <b className="num">{milestones.length}</b> of <b className="num">{standing.steps.length}</b>
        </span>
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
      {current && (
        <Box
          sx={(theme) => ({
            display: "flex",
            flexWrap: "wrap",
            gap: 2,
            alignItems: "center",
            my: 2,
            py: 1.2,
            px: 2,
            borderLeft: `6px solid ${theme.tokens.ochre}`,
            bgcolor: theme.tokens.sheet,
          })}
        >
          <Typography sx={{ flex: 1, minWidth: 260, fontSize: "1.05rem", fontWeight: 600 }}>
            {current.advice.sentence}
          </Typography>
          <Button
            variant={current.advice.kind === "advance" ? "outlined" : "contained"}
            component={Link}
            href={hrefFor("/brief", { step: current.step.id })}
          >
            Brief of this step
          </Button>
          {coaches ? (
            <Button
              variant={current.advice.kind === "advance" ? "contained" : "outlined"}
              onClick={() => setSigning(current)}
            >
              Sign off {current.step.name.toLowerCase()}
            </Button>
          ) : (
            <AskSignOff data={data} step={current.step} />
          )}
        </Box>
      )}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,1.75fr) minmax(0,1fr)" },
          columnGap: 4,
          rowGap: 3,
        }}
      >
        <Box>
          <Typography variant="h2" sx={{ mb: 0.5 }}>
            Steps
          </Typography>
          {stageNames.map((stageName, stage) => (
            <StageSteps
              key={stageName}
              name={stageName}
              own={standing.steps.filter(({ step }) => skillOf(step).stage === stage)}
              data={data}
              onSign={coaches ? setSigning : null}
            />
          ))}
          <Box sx={{ mt: 1, fontSize: "0.85rem", color: "text.secondary" }}>
            {(["signed-off", "being-learnt", "not-begun"] as const).map((state) => (
              <Box component="span" key={state} sx={{ mr: 2.5 }}>
                <StateMark state={state} size={13} labelled={false} /> {stateWords[state]}
              </Box>
            ))}
            dashed line: the mark · bar: 90 % interval
          </Box>
        </Box>
        <Box sx={{ display: "grid", gap: 3, alignContent: "start" }}>
          <Requests data={data} />
          <Milestones data={data} />
          <Notes data={data} />
          <History lines={data.history} />
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
          Sign off {signing?.step.name.toLowerCase()} for {pilot.name}
        </DialogTitle>
        <DialogContent>
          {signing && <SignOff one={signing} data={data} onDone={() => setSigning(null)} />}
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
              more={{ id: pilot.id, version: pilot.version }}
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

/** The steps of a stage; a stage in which nothing has happened yet is folded away. */
function StageSteps({
  name,
  own,
  data,
  onSign,
}: {
  name: string;
  own: readonly StepStanding[];
  data: PilotData;
  /** Null for whoever may not. */
  onSign: ((one: StepStanding) => void) | null;
}) {
  const { standing, milestones } = data;
  if (own.length === 0) return null;
  const signed = own.filter(({ state }) => state === "signed-off").length;
  const happened = own.some(({ state, attempts }) => state !== "not-begun" || attempts > 0);
  return (
    <Box component="details" open={happened} sx={(theme) => ({ borderTop: `1.5px solid ${theme.tokens.ink}` })}>
      <Box component="summary" sx={{ py: 0.8, cursor: "pointer", fontWeight: 650 }}>
        {name}{" "}
        <Box component="span" sx={{ fontWeight: 400, fontSize: "0.88rem", color: "text.secondary" }}>
          <span className="num">{signed}</span> of <span className="num">{own.length}</span> signed off
        </Box>
      </Box>
      {own.map((one) => (
        <StepRow
          key={one.step.id}
          one={one}
          number={standing.steps.indexOf(one) + 1}
          signedAtMs={milestones.find((m) => m.stepId === one.step.id)?.signedAtMs ?? null}
          onSign={onSign && (() => onSign(one))}
        />
      ))}
    </Box>
  );
}

function StepRow({
  one,
  number,
  signedAtMs,
  onSign,
}: {
  one: StepStanding;
  number: number;
  signedAtMs: number | null;
  /** Null for whoever may not. */
  onSign: (() => void) | null;
}) {
  const { hrefFor } = useAtHand();
  const names = directionNames(one.step);
  const { imbalance } = one.evidence;
  return (
    <Box
      sx={(theme) => ({
        display: "grid",
        gridTemplateColumns: "28px 1fr",
        columnGap: 1,
        py: 1.2,
        borderTop: `1.5px solid ${theme.tokens.rule}`,
      })}
    >
      <Box sx={{ pt: 0.3 }}>
        <StateMark state={one.reviewDue ? "due" : one.state} size={18} />
      </Box>
      <Box sx={{ minWidth: 0 }}>
        <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 1.5, alignItems: "baseline" }}>
          <Box component={Link} href={hrefFor("/brief", { step: one.step.id })} sx={{ fontWeight: 700 }}>
            <span className="num">{number}</span> {one.step.name}
          </Box>
          <Box component="span" sx={{ fontSize: "0.85rem", color: "text.secondary" }}>
            {skillOf(one.step).name}
          </Box>
          <Box sx={{ flex: 1 }} />
          {signedAtMs !== null ? (
            <Box component="span" sx={(theme) => ({ fontSize: "0.88rem", color: theme.tokens.shoal, fontWeight: 650 })}>
              signed off <Moment atMs={signedAtMs} />
            </Box>
          ) : (
            one.attempts > 0 &&
            onSign && (
              <Button size="small" onClick={onSign} sx={{ minHeight: 28, py: 0 }}>
                Sign off
              </Button>
            )
          )}
        </Box>
        <Typography sx={{ fontSize: "0.9rem", color: "text.secondary" }}>{one.step.aim}</Typography>
        {one.attempts > 0 && (
          <Box sx={{ mt: 0.5 }}>
            {one.evidence.directions.map((direction) => (
              <EvidenceLine
                key={direction.direction}
                name={names[direction.direction]}
                one={direction}
                mark={one.step.mark}
              />
            ))}
            {imbalance && imbalance.chance >= TELLING_IMBALANCE && (
              <Typography sx={{ fontSize: "0.88rem" }}>
                Favours {names[imbalance.better]}: better with{" "}
                <span className="num">{Math.min(99, Math.round(100 * imbalance.chance))} %</span> chance, by{" "}
                <span className="num">{Math.round(100 * imbalance.difference)}</span> points of clean rate.
              </Typography>
            )}
            {one.reviewDue && one.review && (
              <Typography sx={(theme) => ({ fontSize: "0.88rem", color: theme.tokens.ochreText, fontWeight: 600 })}>
                Due again since <Moment atMs={one.review.dueMs} />: recall about{" "}
                <span className="num">{Math.round(100 * one.review.recall)} %</span>.
              </Typography>
            )}
          </Box>
        )}
      </Box>
    </Box>
  );
}

function SignOff({ one, data, onDone }: { one: StepStanding; data: PilotData; onDone: () => void }) {
  const router = useRouter();
  const { enqueueSnackbar } = useSnackbar();
  const names = directionNames(one.step);
  return (
    <Box sx={{ display: "grid", gap: 1.5 }}>
      <Typography>{one.advice.sentence}</Typography>
      <div>
        {one.evidence.directions.map((direction) => (
          <EvidenceLine
            key={direction.direction}
            name={names[direction.direction]}
            one={direction}
            mark={one.step.mark}
          />
        ))}
      </div>
      {(data.loggedAlone[one.step.id] ?? 0) > 0 && (
        <Typography>
          <b className="num">{data.loggedAlone[one.step.id]}</b> of the <b className="num">{one.attempts}</b> attempts
          were logged by {data.pilot.name}, practising alone.
        </Typography>
      )}
      {one.advice.kind !== "advance" && (
        <Typography color="error.main">
          ▲ The mark is not met. You decide; the counts above are kept with the sign-off.
        </Typography>
      )}
      <SendForm
        action="sign-off"
        submit="Sign off"
        fields={[{ name: "note", label: "Note (may stay empty)", initial: "", lines: 2 }]}
        more={{ pilotId: data.pilot.id, stepId: one.step.id }}
        onDone={() => {
          enqueueSnackbar(`${one.step.name} signed off for ${data.pilot.name}`, { variant: "success" });
          onDone();
          router.refresh();
        }}
      />
    </Box>
  );
}

function Milestones({ data }: { data: PilotData }) {
  const undoable = useUndoable();
  return (
    <section aria-labelledby="milestones">
      <Typography variant="h2" id="milestones">
        Milestones
      </Typography>
      {data.milestones.length === 0 && (
        <Typography color="text.secondary">
          {data.coaches
            ? "None yet. A sign-off makes one, with its evidence."
            : "None yet. Your coach signs steps off."}
        </Typography>
      )}
      {data.milestones.map((milestone) => (
        <Box key={milestone.id} sx={(theme) => ({ py: 1, borderBottom: `1.5px solid ${theme.tokens.rule}` })}>
          <Box sx={{ display: "flex", gap: 1, alignItems: "baseline" }}>
            <StateMark state="signed-off" size={13} labelled={false} />
            <b>{findStep(milestone.stepId)?.name ?? milestone.stepId}</b>
            <Box sx={{ flex: 1 }} />
            {data.coaches && (
              <Button
                size="small"
                sx={{ minHeight: 26, py: 0 }}
                onClick={() => undoable("withdraw-sign-off", "restore-sign-off", milestone.id, "Sign-off taken back")}
              >
                Take back
              </Button>
            )}
          </Box>
          <Box sx={{ fontSize: "0.85rem" }}>
            <Moment atMs={milestone.signedAtMs} />, {milestone.coachName}
            {milestone.broughtIn && " (brought in from a file)"}
          </Box>
          <Box sx={{ fontSize: "0.85rem", color: "text.secondary" }}>{milestone.evidence.sentence}</Box>
          {milestone.note && (
            <Box sx={{ fontSize: "0.9rem", whiteSpace: "pre-wrap", overflowWrap: "anywhere" }}>{milestone.note}</Box>
          )}
        </Box>
      ))}
    </section>
  );
}

function Notes({ data }: { data: PilotData }) {
  const router = useRouter();
  const undoable = useUndoable();
  return (
    <section aria-labelledby="notes">
      <Typography variant="h2" id="notes" sx={{ mb: 1 }}>
        Notes
      </Typography>
      {data.coaches && (
        <SendForm
          action="add-note"
          submit="Keep note"
          fields={[
            {
              name: "text",
              label: "New note",
              initial: "",
              lines: 1,
              help: `${data.pilot.name} can read it too, signed in.`,
            },
          ]}
          more={{ pilotId: data.pilot.id }}
          onDone={() => router.refresh()}
        />
      )}
      {!data.coaches && data.notes.length === 0 && <Typography color="text.secondary">None yet.</Typography>}
      {data.notes.map((note) => (
        <Box key={note.id} sx={(theme) => ({ py: 1, borderBottom: `1.5px solid ${theme.tokens.rule}` })}>
          <Box sx={{ whiteSpace: "pre-wrap", overflowWrap: "anywhere" }}>{note.text}</Box>
          <Box sx={{ display: "flex", fontSize: "0.82rem", color: "text.secondary", alignItems: "center" }}>
            <Moment atMs={note.writtenAtMs} />, {note.coachName}
            <Box sx={{ flex: 1 }} />
            {data.coaches && (
              <Button
                size="small"
                sx={{ minHeight: 26, py: 0 }}
                onClick={() => undoable("remove-note", "restore-note", note.id, "Note removed")}
              >
                Remove
              </Button>
            )}
          </Box>
        </Box>
      ))}
    </section>
  );
}

function History({ lines }: { lines: readonly HistoryLine[] }) {
  return (
    <section aria-labelledby="history">
      <Typography variant="h2" id="history">
        History
      </Typography>
      {lines.length === 0 && <Typography color="text.secondary">Nothing flown and nothing set up yet.</Typography>}
      {lines.map((line) => (
        <Box
          key={line.id}
          sx={(theme) => ({ py: 0.8, borderBottom: `1.5px solid ${theme.tokens.rule}`, fontSize: "0.88rem" })}
        >
          <Box sx={{ display: "flex", gap: 1 }}>
            <Box component="span" sx={{ width: 92, flexShrink: 0, color: "text.secondary" }}>
              <Moment atMs={line.atMs} />
            </Box>
            {line.kind === "setup" ? (
              <span>
                Setup <b className="num">{line.number}</b> by {line.coachName}: {line.reason}
              </span>
            ) : (
              <Box
                component={Link}
                href={`/session/${line.id}`}
                sx={{ textDecoration: "none", "&:hover": { textDecoration: "underline" } }}
              >
                {line.steps.map((step) => (
                  <SessionSummary key={`${step.stepId} ${step.direction}`} {...step} />
                ))}
              </Box>
            )}
          </Box>
        </Box>
      ))}
    </section>
  );
}

function SessionSummary({
  stepId,
  direction,
  outcomes,
}: {
  stepId: string;
  direction: string;
  outcomes: Readonly<Record<Outcome, number>>;
}) {
  const step = findStep(stepId);
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 1 }}>
      <span>{step ? stepTitle(step, direction) : `${stepId}, ${direction}`}</span>
      {(Object.keys(outcomes) as Outcome[])
        .filter((outcome) => outcomes[outcome] > 0)
        .map((outcome) => (
          <Box component="span" key={outcome} sx={{ whiteSpace: "nowrap" }}>
            <OutcomeMark outcome={outcome} size={12} /> <span className="num">{outcomes[outcome]}</span>
          </Box>
        ))}
    </Box>
  );
}
