"use client";

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import ButtonBase from "@mui/material/ButtonBase";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { v7 as newId } from "uuid";
import { measureWords, outcomes, unitOf, windowOf, type AttemptMeasure, type Outcome, type PassMark } from "@/core";
import { builtInSyllabus, directionNames, findStep, type Step, type Syllabus } from "@/syllabus";
import { SyllabiProvider, useSyllabus } from "@/ui/syllabus/use-syllabus";
import type { LoggedAttempt } from "@/server/repositories";
import { useSend } from "@/ui/actions/use-send";
import { useHydrated } from "@/ui/hydration/use-hydrated";
import { KeysProvider, useKeys } from "@/ui/keys/keys";
import { OutcomeMark, outcomeWords } from "@/ui/marks/marks";
import { Moment } from "@/ui/moment/moment";
import type { Tokens } from "@/ui/theme/tokens";
import { WhyProvider } from "@/ui/why/why";
import type { TallyData, TallyPilot } from "./load";
import { dismiss } from "./outbox";
import { PackClock, usePack } from "./pack-clock";
import { sinceLastTime, sinceLastWords } from "./since-last";
import { useTally } from "./use-tally";
import { useWakeLock } from "./use-wake-lock";
import { Verdict } from "./verdict";

const targetColours: Readonly<Record<Outcome, readonly [background: keyof Tokens, ink: keyof Tokens]>> = {
  clean: ["shoal", "shoalInk"],
  rough: ["ochre", "ochreInk"],
  bailed: ["slate", "slateInk"],
  crashed: ["buoy", "buoyInk"],
};
const outcomeKeys: Readonly<Record<Outcome, string>> = { clean: "c", rough: "r", bailed: "b", crashed: "x" };

/** The field tally: whole screen, one tap an attempt. Everything tapped is kept on the device until the server has it. */
export function TallyScreen({ data }: { data: TallyData }) {
  return (
    <KeysProvider>
      <WhyProvider>
        <SyllabiProvider sent={data.syllabi} squadId={data.session.squadId}>
          <Tally data={data} />
        </SyllabiProvider>
      </WhyProvider>
    </KeysProvider>
  );
}

/** The step flown; one that has been left out of the syllabus since is found where it was, or stands in by its key. */
function stepFlown(syllabus: Syllabus, stepId: string): Step {
  return (
    findStep(syllabus, stepId) ??
    findStep(builtInSyllabus, stepId) ?? { ...syllabus.steps[0], id: stepId, name: stepId }
  );
}

function Tally({ data }: { data: TallyData }) {
  const router = useRouter();
  const { attempts, act, unsent, refused, signedOut } = useTally(data);
  const { sendAction, pending } = useSend();
  const ready = useHydrated();
  const [at, setAt] = useState(0);
  const pilot = data.pilots[at];
  const syllabus = useSyllabus();
  const step = useMemo(() => stepFlown(syllabus, pilot.stepId), [syllabus, pilot.stepId]);
  const pack = usePack(data.session.id);
  useWakeLock(data.session.endedAtMs === null && data.mayKeep);
  const [directionOf, setDirectionOf] = useState<Readonly<Record<string, string>>>({});
  const direction = directionOf[pilot.id] ?? step.directions[0].id;
  const own = attempts.filter((attempt) => attempt.pilotId === pilot.id);
  const last = own.at(-1);

  const handlers = useMemo(() => {
    const tap = (outcome: Outcome) =>
      act("log-attempt", {
        id: newId(),
        sessionId: data.session.id,
        pilotId: pilot.id,
        stepId: pilot.stepId,
        direction,
        outcome,
        flownAtMs: Date.now(),
        pack: pack.sinceMs === null ? null : pack.number,
      });
    const undo = () => last && act("undo-attempt", { id: last.id });
    const toggleFault = (id: string) =>
      last &&
      act("set-faults", {
        id: last.id,
        faults: last.faults.includes(id) ? last.faults.filter((fault) => fault !== id) : [...last.faults, id],
      });
    const turn = () => {
      const ids = step.directions.map((one) => one.id);
      setDirectionOf((before) => ({ ...before, [pilot.id]: ids[(ids.indexOf(direction) + 1) % ids.length] }));
    };
    const nextPilot = () => setAt((now) => (now + 1) % data.pilots.length);
    return { tap, undo, toggleFault, turn, nextPilot };
  }, [act, data, pilot, step, direction, last, pack.sinceMs, pack.number]);
  const keys = useMemo(
    () => [
      ...outcomes.map((outcome) => ({
        key: outcomeKeys[outcome],
        label: outcomeWords[outcome],
        run: () => handlers.tap(outcome),
      })),
      { key: "d", label: "The other direction", run: handlers.turn },
      { key: "u", label: "Undo the last attempt", run: () => void handlers.undo() },
      { key: "n", label: "Next pilot", run: handlers.nextPilot },
      ...step.faults.map((fault, i) => ({
        key: String(i + 1),
        label: `Fault: ${fault.short}`,
        run: () => void handlers.toggleFault(fault.id),
      })),
    ],
    [handlers, step],
  );
  useKeys(keys);

  if (data.session.endedAtMs !== null || !data.mayKeep) return <Debrief data={data} attempts={attempts} />;
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1fr) minmax(0,1fr)" },
        gap: { xs: 0, md: 4 },
        maxWidth: 1200,
        mx: "auto",
        p: { xs: 1.5, md: 3 },
      }}
    >
      <Box
        sx={{
          display: "flex",
          flexDirection: "column",
          minHeight: { xs: "calc(100dvh - 24px)", md: 0 },
          height: { md: "calc(100dvh - 48px)" },
          maxHeight: { md: 820 },
          gap: 1,
        }}
      >
        <Box sx={{ display: "flex", justifyContent: "space-between" }}>
          <Box sx={{ minWidth: 0 }}>
            <Typography
              component="h1"
              sx={{ fontSize: "1.25rem", fontWeight: 700, lineHeight: 1.2, overflowWrap: "anywhere" }}
            >
              {pilot.name}
            </Typography>
            <Typography sx={{ fontSize: "0.95rem" }}>
              {step.name}
              {data.site?.ceilingM != null && (
                <Box component="span" sx={{ color: "error.main", fontWeight: 650, ml: 1, whiteSpace: "nowrap" }}>
                  not above <span className="num">{data.site.ceilingM} m</span>
                </Box>
              )}
            </Typography>
          </Box>
          <PackClock pack={pack} />
        </Box>
        <DirectionSwitch
          step={step}
          pilot={pilot}
          own={own}
          direction={direction}
          onChange={(id) => setDirectionOf((before) => ({ ...before, [pilot.id]: id }))}
        />
        <Box
          sx={{ flex: 1, display: "grid", gridTemplateColumns: "1fr 1fr", gridAutoRows: "1fr", gap: 1, minHeight: 260 }}
        >
          {outcomes.map((outcome) => (
            <Target
              key={outcome}
              outcome={outcome}
              ready={ready}
              count={own.filter((one) => one.outcome === outcome && one.direction === direction).length}
              onTap={() => handlers.tap(outcome)}
            />
          ))}
        </Box>
        <FaultChips step={step} last={last} onToggle={handlers.toggleFault} />
        <Measurements
          key={last?.id}
          step={step}
          last={last}
          onSet={(values) => last && act("set-measured", { id: last.id, ...values })}
        />
        <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1 }}>
          <Button variant="outlined" disabled={!last} onClick={handlers.undo} sx={{ minHeight: 56, lineHeight: 1.2 }}>
            {last
              ? `Undo: ${outcomeWords[last.outcome].toLowerCase()}, ${directionNames(step)[last.direction] ?? last.direction}`
              : "Undo"}
          </Button>
          {data.pilots.length > 1 ? (
            <Button variant="outlined" onClick={handlers.nextPilot} sx={{ minHeight: 56, lineHeight: 1.2 }}>
              Next: {data.pilots[(at + 1) % data.pilots.length].name}
            </Button>
          ) : (
            <Button
              variant="outlined"
              component={Link}
              href={`/brief?pilot=${pilot.id}&step=${step.id}&direction=${direction}`}
              sx={{ minHeight: 56 }}
            >
              Brief
            </Button>
          )}
        </Box>
        <Box
          role="status"
          sx={{ display: "flex", justifyContent: "space-between", gap: 1, fontSize: "0.85rem", minHeight: 22 }}
        >
          {unsent > 0 ? (
            <Box component="span" sx={(theme) => ({ color: theme.tokens.ochreText, fontWeight: 650 })}>
              ▲ {unsent} waiting on this device, safe.{" "}
              {signedOut ? <Link href="/sign-in">Sign in to send them.</Link> : "Sent when the server answers."}
            </Box>
          ) : (
            <span>{ready ? "■ All sent" : "Getting ready"}</span>
          )}
        </Box>
        {refused.map((item) => (
          <Box
            key={item.key}
            role="alert"
            sx={{ color: "error.main", fontSize: "0.9rem", display: "flex", alignItems: "center" }}
          >
            <span>✕ Not taken: {item.refused}</span>
            <Button size="small" onClick={() => dismiss(item.key)}>
              Drop it
            </Button>
          </Box>
        ))}
      </Box>
      <Box sx={{ pt: { xs: 2, md: 0 } }}>
        <Verdict pilot={pilot} step={step} own={own} maySignOff={data.coaches} />
        <TapList step={step} own={own} onUndo={(id) => act("undo-attempt", { id })} />
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 3 }}>
          <Button
            variant="outlined"
            disabled={unsent > 0 || pending}
            onClick={async () => {
              if ((await sendAction("end-session", { id: data.session.id })).ok) router.refresh();
            }}
          >
            {unsent > 0 ? "End the session once all is sent" : "End the session"}
          </Button>
          <Button component={Link} href={`/pilot?pilot=${pilot.id}`}>
            To the desk
          </Button>
        </Box>
      </Box>
    </Box>
  );
}

function DirectionSwitch(props: {
  step: Step;
  pilot: TallyPilot;
  own: readonly LoggedAttempt[];
  direction: string;
  onChange: (id: string) => void;
}) {
  const { step, pilot, own, direction, onChange } = props;
  const window = windowOf(step.mark).attempts;
  return (
    <Box
      role="radiogroup"
      aria-label="Direction"
      sx={(theme) => ({
        display: "grid",
        gridAutoFlow: "column",
        gridAutoColumns: "1fr",
        border: `2px solid ${theme.tokens.ink}`,
        borderRadius: "3px",
      })}
    >
      {step.directions.map(({ id, name }) => {
        const counted = [...pilot.earlier, ...own].filter((one) => one.direction === id).slice(-window);
        const clean = counted.filter((one) => one.outcome === "clean").length;
        const on = id === direction;
        return (
          <ButtonBase
            key={id}
            role="radio"
            aria-checked={on}
            onClick={() => onChange(id)}
            sx={(theme) => ({
              minHeight: 52,
              fontSize: "1.1rem",
              fontWeight: 650,
              gap: 1,
              bgcolor: on ? theme.tokens.ink : "transparent",
              color: on ? theme.tokens.paper : theme.tokens.ink,
            })}
          >
            {name.charAt(0).toUpperCase() + name.slice(1)}
            <span className="num">
              {clean}/{window}
            </span>
          </ButtonBase>
        );
      })}
    </Box>
  );
}

function Target({
  outcome,
  count,
  ready,
  onTap,
}: {
  outcome: Outcome;
  count: number;
  ready: boolean;
  onTap: () => void;
}) {
  const [background, ink] = targetColours[outcome];
  return (
    <ButtonBase
      disabled={!ready}
      onClick={() => {
        navigator.vibrate?.(30);
        onTap();
      }}
      aria-label={`${outcomeWords[outcome]}, ${count} so far`}
      sx={(theme) => ({
        display: "flex",
        flexDirection: "column",
        gap: 0.5,
        borderRadius: "3px",
        bgcolor: theme.tokens[background] as string,
        color: theme.tokens[ink] as string,
        border: `2px solid ${theme.tokens.ink}`,
        touchAction: "manipulation",
        opacity: ready ? 1 : 0.55,
        "&:active": { transform: "scale(0.98)" },
      })}
    >
      <OutcomeMark outcome={outcome} size={58} labelled={false} />
      <Box component="span" sx={{ fontSize: "1.5rem", fontWeight: 700 }}>
        {outcomeWords[outcome]}
      </Box>
      <span className="num" style={{ fontSize: "1.05rem" }}>
        {count}
      </span>
    </ButtonBase>
  );
}

function FaultChips({
  step,
  last,
  onToggle,
}: {
  step: Step;
  last: LoggedAttempt | undefined;
  onToggle: (id: string) => void;
}) {
  return (
    <Box role="group" aria-label="Faults of the last attempt" sx={{ display: "flex", flexWrap: "wrap", gap: 0.8 }}>
      {step.faults.map((fault) => {
        const on = last?.faults.includes(fault.id) ?? false;
        return (
          <ButtonBase
            key={fault.id}
            disabled={!last}
            aria-pressed={on}
            onClick={() => onToggle(fault.id)}
            sx={(theme) => ({
              px: 1.5,
              minHeight: 46,
              fontSize: "0.95rem",
              fontWeight: 600,
              border: `2px solid ${last ? theme.tokens.ink : theme.tokens.rule}`,
              borderRadius: "3px",
              bgcolor: on ? theme.tokens.ink : "transparent",
              color: on ? theme.tokens.paper : last ? theme.tokens.ink : theme.tokens.inkSoft,
            })}
          >
            {on && "✓ "}
            {fault.short}
          </ButtonBase>
        );
      })}
    </Box>
  );
}

/** Numbers of the last attempt, where the step has something to measure or to time. Sent when a field is left. */
function Measurements({
  step,
  last,
  onSet,
}: {
  step: Step;
  last: LoggedAttempt | undefined;
  onSet: (values: Pick<LoggedAttempt, "minutes" | "measured">) => void;
}) {
  const measures = [...new Set([...step.measures, ...measuresOf(step.mark)])];
  const timed = asksForMinutes(step.mark);
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>(() => ({
    ...Object.fromEntries(Object.entries(last?.measured ?? {}).map(([name, value]) => [name, String(value)])),
    ...(last?.minutes != null && { minutes: String(last.minutes) }),
  }));
  if (!timed && measures.length === 0) return null;
  const read = (name: string) => {
    const value = Number(typed[name]?.replace(",", "."));
    return typed[name]?.trim() && Number.isFinite(value) ? value : null;
  };
  const set = () => {
    const measured: Partial<Record<AttemptMeasure, number>> = {};
    for (const name of measures) {
      const value = read(name);
      if (value !== null) measured[name] = value;
    }
    const minutes = timed ? read("minutes") : null;
    if (last && JSON.stringify([minutes, measured]) !== JSON.stringify([last.minutes, last.measured]))
      onSet({ minutes, measured });
  };
  const field = (name: string, label: string) => (
    <TextField
      key={name}
      size="small"
      label={label}
      disabled={!last}
      value={typed[name] ?? ""}
      error={Boolean(typed[name]?.trim()) && read(name) === null}
      onChange={(event) => setTyped((all) => ({ ...all, [name]: event.target.value }))}
      onBlur={set}
      onKeyDown={(event) => event.key === "Enter" && set()}
      slotProps={{ htmlInput: { inputMode: "decimal", maxLength: 10 } }}
    />
  );
  return (
    <Box
      role="group"
      aria-label="Measured, last attempt"
      sx={{ display: "grid", gridTemplateColumns: "repeat(auto-fit, minmax(130px, 1fr))", gap: 1 }}
    >
      {timed && field("minutes", "Minutes")}
      {measures.map((name) => field(name, `${capital(measureWords[name])},${unitOf(name)}`))}
    </Box>
  );
}

function rulesOf(mark: PassMark): readonly PassMark[] {
  if (mark.kind === "all" || mark.kind === "any") return mark.rules.flatMap(rulesOf);
  return mark.kind === "each-direction" || mark.kind === "in-places" ? rulesOf(mark.rule) : [mark];
}

const measuresOf = (mark: PassMark) =>
  rulesOf(mark).flatMap((rule) => (rule.kind === "measured" ? [rule.measure] : []));
const asksForMinutes = (mark: PassMark) => rulesOf(mark).some(({ kind }) => kind === "minutes");
const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** What was tapped in this session, newest first; any of it can be undone. */
function TapList({ step, own, onUndo }: { step: Step; own: readonly LoggedAttempt[]; onUndo: (id: string) => void }) {
  const names = directionNames(step);
  const faultName = (id: string) => step.faults.find((fault) => fault.id === id)?.short ?? id;
  if (own.length === 0) return null;
  return (
    <Box component="section" aria-label="Attempts of this session" sx={{ mt: 2.5 }}>
      <Typography variant="h2">
        This session <span className="num">{own.length}</span>
      </Typography>
      <Box
        component="ol"
        reversed
        sx={{ listStyle: "none", p: 0, m: 0, maxHeight: 300, overflowY: "auto" }}
        tabIndex={0}
      >
        {[...own].reverse().map((attempt) => (
          <Box
            component="li"
            key={attempt.id}
            sx={(theme) => ({
              display: "flex",
              gap: 1.5,
              alignItems: "center",
              borderBottom: `1px solid ${theme.tokens.rule}`,
              fontSize: "0.9rem",
            })}
          >
            <span className="num">
              <Moment atMs={attempt.atMs} show="time" />
            </span>
            <OutcomeMark outcome={attempt.outcome} size={15} labelled={false} />
            <Box component="span" sx={{ flex: 1, minWidth: 0 }}>
              {outcomeWords[attempt.outcome].toLowerCase()}, {names[attempt.direction] ?? attempt.direction}
              {attempt.faults.length > 0 && `: ${attempt.faults.map(faultName).join(", ")}`}
            </Box>
            <Button size="small" onClick={() => onUndo(attempt.id)} sx={{ minHeight: 32 }}>
              Undo
            </Button>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

function SinceLast({ pilot, own }: { pilot: TallyPilot; own: readonly LoggedAttempt[] }) {
  const change = sinceLastTime(pilot.earlier, own);
  return change && <Typography sx={{ my: 0.5 }}>{sinceLastWords(change)}</Typography>;
}

/** After the session: what happened by pilot and direction, and what follows from it. */
function Debrief({ data, attempts }: { data: TallyData; attempts: readonly LoggedAttempt[] }) {
  const syllabus = useSyllabus();
  const router = useRouter();
  const { sendAction, pending } = useSend();
  return (
    <Box sx={{ maxWidth: 900, mx: "auto", p: { xs: 2, md: 3 } }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, alignItems: "baseline" }}>
        <Typography variant="h1">{data.session.endedAtMs === null ? "Still being flown" : "Debrief"}</Typography>
        <span>
          <b className="num">{attempts.length}</b> attempts
        </span>
        <Box sx={{ flex: 1 }} />
        <Button component="a" href={`/debriefs/${data.session.id}`} download>
          As PDF
        </Button>
        <Button component={Link} href={data.coaches ? "/squad" : "/pilot"}>
          {data.coaches ? "To the squad" : "To your record"}
        </Button>
        {data.mayKeep && (
          <Button
            variant="outlined"
            disabled={pending}
            onClick={async () => {
              if ((await sendAction("reopen-session", { id: data.session.id })).ok) router.refresh();
            }}
          >
            Open it again
          </Button>
        )}
      </Box>
      {data.pilots.map((pilot) => {
        const step = stepFlown(syllabus, pilot.stepId);
        const own = attempts.filter((attempt) => attempt.pilotId === pilot.id);
        return (
          <Box key={pilot.id} sx={(theme) => ({ borderTop: `1.5px solid ${theme.tokens.ink}`, mt: 2.5, pt: 1.5 })}>
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
            <SinceLast pilot={pilot} own={own} />
            <Box sx={{ mt: 1 }}>
              <Verdict pilot={pilot} step={step} own={own} maySignOff={data.coaches} />
            </Box>
          </Box>
        );
      })}
    </Box>
  );
}
