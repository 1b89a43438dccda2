"use client";

import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import Typography from "@mui/material/Typography";
import { format } from "date-fns";
import { useState } from "react";
import { v7 as newId } from "uuid";
import { measuredOfTrick, outcomes, type FoundTrick, type Outcome, type Pack, type TapMatch } from "@/core";
import { findStep, onTape, type Syllabus } from "@/syllabus";
import { useRouter } from "next/navigation";
import { useSend } from "@/ui/actions/use-send";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { useHydrated } from "@/ui/hydration/use-hydrated";
import { Box } from "@/ui/layout/box";
import { OutcomeMark, outcomeWords } from "@/ui/marks/marks";
import { tell } from "@/ui/messages/messages";
import { counted, foundTrickName, measuredText, momentText, numeral } from "@/words";
import type { TappedSession } from "./load";
import { recordingFound } from "./recording-found";
import type { Matching } from "./use-match";

interface MatchPanelProps {
  readonly pack: Pack;
  readonly sessions: readonly TappedSession[];
  /** Id of the recording; null until it is kept. */
  readonly recordingId: string | null;
  readonly matching: Matching;
  readonly onChoose: (trick: number) => void;
}

/** Tricks found beside the taps of a session: what was measured goes into the attempts, and what nobody tapped can be taken in. */
export function MatchPanel(props: MatchPanelProps) {
  const { pack, sessions, matching } = props;
  const { session, sessionId, setSessionId, match, syllabus } = matching;
  const inBrowser = useHydrated();
  if (pack.tricks.length === 0 || sessions.length === 0) return null;
  return (
    <Box component="section" aria-labelledby="taps" sx={{ mt: 3 }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, alignItems: "center", mb: 1 }}>
        <Typography variant="h2" id="taps">
          Taps of the session
        </Typography>
        <SelectField
          size="small"
          label="Session"
          value={sessionId}
          onChange={({ target }) => setSessionId(target.value)}
        >
          {sessions.map((one) => (
            <Option key={one.id} value={one.id}>
              {inBrowser ? format(one.startedAtMs, "EEE d MMM, HH:mm") : ""} · {counted(one.attempts.length, "attempt")}
            </Option>
          ))}
        </SelectField>
      </Box>
      {session && match ? (
        <Matched {...props} key={sessionId} session={session} match={match} syllabus={syllabus} />
      ) : (
        <Typography>
          Fewer than two tricks meet a tap of that session in kind, side and order. Was it another session?
        </Typography>
      )}
    </Box>
  );
}

interface Taken {
  readonly stepId: string;
  readonly direction: string;
  readonly outcome: Outcome;
}

function Matched(
  props: MatchPanelProps & { readonly session: TappedSession; readonly match: TapMatch; readonly syllabus: Syllabus },
) {
  const { pack, recordingId, onChoose, session, match, syllabus } = props;
  const { tricks } = pack;
  const router = useRouter();
  const { sendAction, pending } = useSend();
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  const [taken, setTaken] = useState<ReadonlyMap<number, Taken>>(new Map());
  const lateS = match.pairs.map((pair) => pair.lateS).sort((a, b) => a - b)[Math.floor(match.pairs.length / 2)];
  const told = match.pairs.filter(({ trick }) => !left.has(trick));
  const count = told.length + taken.size;
  const add = async () => {
    if (recordingId === null) return;
    const { ok } = await sendAction("match-recording", {
      id: recordingId,
      sessionId: session.id,
      found: recordingFound(pack),
      clockMs: match.clockMs,
      matches: told.map(({ trick, tapId }) => ({ trick, attemptId: tapId })),
      taken: [...taken].map(([trick, one]) => ({ id: newId(), trick, ...one })),
    });
    if (!ok) return;
    tell(`${counted(count, "attempt")} measured. Marks count them at once; signing off stays with you.`, {
      kind: "done",
    });
    setTaken(new Map());
    router.refresh();
  };
  return (
    <>
      <Typography>
        <b className="num">{match.pairs.length}</b> of <span className="num">{counted(tricks.length, "trick")}</span>{" "}
        meet a tap. The recording began at <span className="num">{format(match.clockMs, "HH:mm:ss")}</span>; taps came{" "}
        <span className="num">{numeral(lateS, 1)} s</span> after the trick.
        {match.unseen.length > 0 && ` It shows nothing of ${counted(match.unseen.length, "tap")} meanwhile.`}
      </Typography>
      <Box component="ul" aria-label="Tricks and their taps" sx={{ m: 0, p: 0, listStyle: "none" }}>
        {tricks.map((trick, i) => (
          <Row key={trick.fromS}>
            <Button size="small" onClick={() => onChoose(i)} sx={{ justifyContent: "flex-start", textAlign: "left" }}>
              <span className="num">{momentText(trick.fromS - pack.fromS)}</span>&ensp;{foundTrickName(trick)}
            </Button>
            <TapOf
              trick={trick}
              attempt={session.attempts.find(({ id }) => id === match.pairs.find((pair) => pair.trick === i)?.tapId)}
              syllabus={syllabus}
              session={session}
              ticked={!left.has(i)}
              onTick={() => setLeft(flipped(left, i))}
              taken={taken.get(i) ?? null}
              onTake={(one) => setTaken(withTaken(taken, i, one))}
            />
          </Row>
        ))}
      </Box>
      <Button
        variant="contained"
        sx={{ mt: 1.5 }}
        disabled={recordingId === null || pending || count === 0}
        onClick={() => void add()}
      >
        Add to {counted(count, "attempt")}
      </Button>
      {recordingId === null && (
        <Box component="span" sx={{ ml: 2, color: "text.secondary" }}>
          Keep the recording first.
        </Box>
      )}
    </>
  );
}

const Row = ({ children }: { children: React.ReactNode }) => (
  <Box
    component="li"
    sx={(theme) => ({
      display: "grid",
      gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,270px) minmax(0,1fr)" },
      alignItems: "center",
      columnGap: 2,
      borderBottom: `1px solid ${theme.tokens.rule}`,
    })}
  >
    {children}
  </Box>
);

function flipped(all: ReadonlySet<number>, one: number): ReadonlySet<number> {
  const next = new Set(all);
  if (!next.delete(one)) next.add(one);
  return next;
}

function withTaken(all: ReadonlyMap<number, Taken>, trick: number, one: Taken | null): ReadonlyMap<number, Taken> {
  const next = new Map(all);
  if (one) next.set(trick, one);
  else next.delete(trick);
  return next;
}

interface TapOfProps {
  readonly trick: FoundTrick;
  readonly attempt: TappedSession["attempts"][number] | undefined;
  readonly syllabus: Syllabus;
  readonly session: TappedSession;
  readonly ticked: boolean;
  readonly onTick: () => void;
  readonly taken: Taken | null;
  readonly onTake: (one: Taken | null) => void;
}

/** The tap that meets a trick and what goes into it; or as what it can be taken in. */
function TapOf({ trick, attempt, syllabus, session, ticked, onTick, taken, onTake }: TapOfProps) {
  const measures = measuredText(measuredOfTrick(trick));
  const name = foundTrickName(trick);
  if (attempt)
    return (
      <Box sx={{ display: "flex", alignItems: "center", gap: 1, minWidth: 0 }}>
        <Checkbox checked={ticked} onChange={onTick} slotProps={{ input: { "aria-label": `Measure ${name}` } }} />
        <OutcomeMark outcome={attempt.outcome} size={18} />
        <span>
          {waysName(syllabus, attempt)}
          {measures ? (
            <>
              {" "}
              <b className="num">{measures}</b>
            </>
          ) : (
            " · nothing to measure in it"
          )}
        </span>
      </Box>
    );
  const ways = waysOf(trick, syllabus, session);
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1, py: 1 }}>
      <SelectField
        size="small"
        label="Never tapped"
        value={taken ? keyOf(taken) : ""}
        onChange={({ target }) => {
          const way = ways.find((one) => keyOf(one) === target.value);
          onTake(way ? { ...way, outcome: taken?.outcome ?? "clean" } : null);
        }}
        sx={{ minWidth: 260 }}
      >
        <Option value="">Leave it out</Option>
        {ways.map((way) => (
          <Option key={keyOf(way)} value={keyOf(way)}>
            {waysName(syllabus, way)}
          </Option>
        ))}
      </SelectField>
      {taken && (
        <SelectField
          size="small"
          label="Outcome"
          value={taken.outcome}
          onChange={({ target }) => onTake({ ...taken, outcome: target.value as Outcome })}
        >
          {outcomes.map((one) => (
            <Option key={one} value={one}>
              {outcomeWords[one]}
            </Option>
          ))}
        </SelectField>
      )}
    </Box>
  );
}

type Way = Pick<Taken, "stepId" | "direction">;
const keyOf = ({ stepId, direction }: Way) => `${stepId} ${direction}`;

const waysName = (syllabus: Syllabus, { stepId, direction }: Way) => {
  const step = findStep(syllabus, stepId);
  const side =
    step && step.directions.length > 1 ? step.directions.find(({ id }) => id === direction)?.name : undefined;
  return `${step?.name ?? stepId}${side ? `, ${side.toLowerCase()}` : ""}`;
};

/** Steps and directions that a trick may be an attempt at; those flown in the session first. */
function waysOf(
  { kind, direction: side }: FoundTrick,
  { steps }: Syllabus,
  { attempts }: TappedSession,
): readonly Way[] {
  const flown = new Set(attempts.map(({ stepId }) => stepId));
  const ways = steps.flatMap((step) =>
    step.directions.flatMap(({ id }) => {
      const tape = onTape(step, id);
      const like = kind === "unknown" ? flown.has(step.id) : tape.kinds.includes(kind);
      return like && (tape.direction === null || kind === "unknown" || tape.direction === side)
        ? [{ stepId: step.id, direction: id }]
        : [];
    }),
  );
  return ways.sort((a, b) => Number(flown.has(b.stepId)) - Number(flown.has(a.stepId)));
}
