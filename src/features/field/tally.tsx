"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useCallback, useMemo, useState } from "react";
import { v7 as newId } from "uuid";
import { outcomes, type Outcome } from "@/core";
import { cueFor, directionNames } from "@/syllabus";
import { Box } from "@/ui/layout/box";
import { later } from "@/ui/loading/later";
import { useSoon } from "@/ui/loading/use-soon";
import { useHydrated } from "@/ui/hydration/use-hydrated";
import { outcomeWords } from "@/ui/marks/marks";
import { BlockSwitch } from "./block-switch";
import { fieldParts, type BriefData } from "@/features/brief/client";
import { VerdictLine } from "@/features/debrief/client";
import { NoteDialog, useFieldNote } from "./field-notes";
import type { FieldAction, LoggedAttempt, PropsFound, TallyData, TallyPilot } from "@/contract";
import { HeldParts } from "./held-parts";
import { LineTargets, useFieldLine, type FieldLineChoice } from "./line-targets";
import { Measurements } from "./measurements";
import { PackClock, packMinutes, usePack } from "./pack-clock";
import { PilotSwitch } from "./pilot-switch";
import { RefusedList } from "./refused-list";
import { DirectionSwitch, Chips, Target } from "./tally-parts";
import { useFieldPlace } from "./use-field-place";
import { WaitingLine } from "./waiting-line";
import { BelowTargets, type Field, type PartProps } from "./tally-below";
import { TallyHead } from "./tally-head";
import { useFlownNow, useTaps, type FlownNow } from "./use-taps";
import type { FlownStep } from "@/syllabus";
import { lineTryWords } from "@/words";

const BriefDialog = later(() => import("./brief-dialog").then((part) => part.BriefDialog));
const CrashCheck = later(() => import("./crash-check").then((part) => part.CrashCheck));

/** On a phone held across. */
const whereLow = (sx: object) => ({ "@media (max-height: 480px)": sx });

/** The running session: one pilot's turn, one tap an attempt; beside it the verdict. */
export function Tally({
  field,
  onSignOff,
  onEnd,
}: {
  field: Field;
  onSignOff: (pilotId: string, stepId: string) => void;
  /** The session is ended on this device. */
  onEnd: () => void;
}) {
  const { tally, attempts, act, tapMoment, briefs } = field;
  const { session } = tally;
  useSoon([BriefDialog, CrashCheck, ...fieldParts]);
  const place = useFieldPlace(session.id, tally.pilots);
  const { pilot, block } = place;
  const now = useFlownNow(attempts, place);
  const { step, direction } = now;
  const pack = usePack(session.id, Math.max(0, ...attempts.map((one) => one.pack ?? 0)));
  const [briefShown, setBriefShown] = useState(false);
  const notes = tally.notes.filter(({ pilotId }) => pilotId === pilot.id);
  const note = useFieldNote(pilot, (pilotId, text, forCoaches) =>
    act({
      action: "add-session-note",
      input: { id: newId(), sessionId: session.id, pilotId, text, writtenAtMs: tapMoment(), forCoaches },
    }),
  );
  const brief = briefs.find((one) => one.pilot.id === pilot.id && one.standing.stepId === block.stepId);
  const turns = useTurns(place, pack);
  const [checking, setChecking] = useState(false);
  const crashed = useCallback(() => setChecking(true), []);
  const today = attempts.filter(({ pilotId }) => pilotId === pilot.id);
  const line = useFieldLine(pilot, block, today);
  const taps = useTaps(tally, field, place, now, pack, note, turns.next, crashed, line?.line ?? null);
  const showBrief = brief ? () => setBriefShown(true) : null;
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
          minHeight: { xs: "calc(100dvh - 24px)", md: "min(820px, 100dvh - 48px)" },
          gap: 1,
          "& > *": { flexShrink: 0 },
        }}
      >
        <WhoAndWhat {...{ field, place, now, pack, today, turns, brief, checking }} onCheck={setChecking} />
        {step ? (
          <Targets
            field={field}
            pilot={pilot}
            today={today}
            now={{ ...now, step }}
            taps={taps}
            line={line}
            onDirection={place.chooseDirection}
          />
        ) : (
          <Typography sx={{ flex: 1, py: 3, fontSize: "1.1rem" }}>
            {block.kind === "show" ? (
              <>
                <b>You fly, {pilot.name} watches.</b> Nothing is counted. Land with the reserve, then choose the next
                part above.
              </>
            ) : (
              <>{pilot.name} is free flying: nothing is counted. To count attempts, pick another step above.</>
            )}
          </Typography>
        )}
        <TallyFoot
          tally={tally}
          place={place}
          now={now}
          notes={notes.length}
          onUndo={taps.undo}
          onNote={note.show}
          onNext={turns.next}
          onBrief={showBrief}
        />
        <WaitingLine waiting={field.waiting} />
        <RefusedList data={tally} items={field.refused} />
      </Box>
      <BelowTargets {...{ field, place, now, today, notes, onSignOff, onEnd }} onBrief={showBrief} />
      {note.open && (
        <NoteDialog pilotName={pilot.name} text={note.text} onText={note.set} onKeep={note.keep} onClose={note.close} />
      )}
      {briefShown && brief && <BriefDialog brief={brief} direction={direction} onClose={() => setBriefShown(false)} />}
    </Box>
  );
}

/** Who comes and who goes while the session runs; who goes in their own turn hands it on. */
function whoFlies({ act, tally }: Field, flying: TallyPilot, nextTurn: () => void) {
  const { id } = tally.session;
  return {
    takeIn: ({ id: pilotId, steps, setupId, loadId }: TallyPilot) =>
      act({ action: "take-in", input: { id, pilotId, stepId: steps[0].stepId, setupId, loadId } }),
    letGo: (pilotId: string) => {
      if (pilotId === flying.id) nextTurn();
      act({ action: "let-go", input: { id, pilotId } });
    },
  };
}

const checkOf = (
  aircraftId: string,
  found: { readonly props: PropsFound; readonly tiltDeg: number },
  atMs: number,
): FieldAction => ({ action: "check-aircraft", input: { id: newId(), aircraftId, ...found, atMs } });

/** Every way to another turn; the clock stops with the turn. */
function useTurns(place: ReturnType<typeof useFieldPlace>, pack: ReturnType<typeof usePack>) {
  return useMemo(() => {
    const ending =
      <Given extends unknown[]>(then: (...given: Given) => void) =>
      (...given: Given) => {
        pack.end();
        then(...given);
      };
    return { next: ending(place.nextTurn), back: ending(place.turnBack), choose: ending(place.choosePilot) };
  }, [pack, place]);
}

/** Whose turn it is at what and from where, the pack clock, an aircraft to be checked, and the plan. */
function WhoAndWhat({
  field,
  place,
  now: { step, direction },
  pack,
  today,
  turns,
  brief,
  checking,
  onCheck,
}: PartProps & {
  pack: ReturnType<typeof usePack>;
  /** What the pilot flew in this session. */
  today: readonly LoggedAttempt[];
  turns: ReturnType<typeof useTurns>;
  brief: BriefData | undefined;
  /** The aircraft is being looked at after a crash. */
  checking: boolean;
  onCheck: (checking: boolean) => void;
}) {
  const { tally, attempts, act, tapMoment } = field;
  const { pilot } = place;
  const { aircraft } = pilot;
  return (
    <>
      <TallyHead
        pilot={pilot}
        packAt={place.pack}
        step={step}
        brief={brief}
        direction={direction}
        site={tally.site}
        name={
          <PilotSwitch
            pilot={pilot}
            order={place.order}
            absent={[...tally.pilots.filter(({ left }) => left), ...tally.others]}
            attempts={attempts}
            onChoose={turns.choose}
            onBack={turns.back}
            changes={tally.coaches ? whoFlies(field, pilot, turns.next) : null}
          />
        }
      >
        <PackClock pack={pack} plannedMin={packMinutes(pilot, place.blocks)} taps={today} />
      </TallyHead>
      {aircraft && (
        <CrashCheck
          key={aircraft.id}
          aircraft={aircraft}
          open={checking}
          onOpen={() => onCheck(true)}
          onClose={() => onCheck(false)}
          onClear={tally.coaches ? (found) => act(checkOf(aircraft.id, found, tapMoment())) : null}
        />
      )}
      <Box sx={{ minWidth: 0, ...whereLow({ order: 1 }) }}>
        <BlockSwitch blocks={place.blocks} at={place.at} onChoose={place.chooseBlock} onAdd={place.addStep} />
      </Box>
    </>
  );
}

/** Direction and outcomes, or the tries at a line; the faults and figures of the last attempt. */
function Targets({
  field: { act },
  pilot,
  today,
  now: { step, own, known, direction, last },
  taps,
  line,
  onDirection,
}: {
  field: Field;
  pilot: TallyPilot;
  /** What the pilot flew in this session. */
  today: readonly LoggedAttempt[];
  now: FlownNow & { readonly step: FlownStep };
  taps: ReturnType<typeof useTaps>;
  /** Flown instead of a trick in a direction. */
  line: FieldLineChoice | null;
  onDirection: (id: string) => void;
}) {
  const fault = step.faults.find(({ id }) => id === last?.faults.at(-1));
  return (
    <>
      {!line && (
        <DirectionSwitch step={step} earlier={known.earlier} own={own} direction={direction} onChange={onDirection} />
      )}
      {/* Where there is room for two columns the whole verdict stands beside it; where the screen is low, what is tapped comes first. */}
      <Box sx={{ display: { md: "none" }, minWidth: 0, ...whereLow({ order: 1 }) }}>
        <VerdictLine pilot={pilot} known={known} step={step} today={today} />
      </Box>
      {line ? (
        <LineTargets choice={line} today={today} onTap={taps.tap} />
      ) : (
        <OutcomeTargets own={own} direction={direction} onTap={taps.tap} />
      )}
      {line && (
        <HeldParts
          line={line.line}
          today={today}
          last={last}
          onSet={(id, held) => act({ action: "set-held", input: { id, held } })}
        />
      )}
      <Chips
        options={step.faults}
        chosen={last?.faults ?? []}
        disabled={!last}
        label="Faults of the last attempt"
        onToggle={taps.toggleFault}
      />
      {fault && last && (
        <Box
          role="status"
          aria-label="How to fix it"
          sx={(theme) => ({
            borderLeft: `6px solid ${theme.tokens.ochre}`,
            pl: 1.5,
            fontSize: "1.3rem",
            lineHeight: 1.3,
          })}
        >
          {cueFor(fault, last.direction)}
        </Box>
      )}
      <Measurements
        key={last?.id}
        step={step}
        last={last}
        onSet={(values) => last && act({ action: "set-measured", input: { id: last.id, ...values } })}
      />
    </>
  );
}

/** The four outcomes, one tap an attempt. */
function OutcomeTargets({
  own,
  direction,
  onTap,
}: {
  own: readonly LoggedAttempt[];
  direction: string;
  onTap: (outcome: Outcome) => void;
}) {
  const ready = useHydrated();
  return (
    <Box
      sx={{
        flex: "1 0 auto",
        display: "grid",
        gridTemplateColumns: "1fr 1fr",
        gridAutoRows: "1fr",
        gap: 1,
        minHeight: 240,
        // A phone held across: all four in a row.
        ...whereLow({ gridTemplateColumns: "repeat(4, 1fr)", minHeight: 120 }),
      }}
    >
      {outcomes.map((outcome) => (
        <Target
          key={outcome}
          outcome={outcome}
          ready={ready}
          count={own.filter((one) => one.outcome === outcome && one.direction === direction).length}
          onTap={() => onTap(outcome)}
        />
      ))}
    </Box>
  );
}

/** Taking back, a note, and who is next. */
function TallyFoot({
  tally,
  place,
  now: { step, last },
  notes,
  onUndo,
  onNote,
  onNext,
  onBrief,
}: Pick<PartProps, "place" | "now"> & {
  tally: TallyData;
  /** How many there are of this pilot. */
  notes: number;
  onUndo: () => void;
  onNote: () => void;
  onNext: () => void;
  /** Null while there is none on this device. */
  onBrief: (() => void) | null;
}) {
  const ready = useHydrated();
  return (
    <Box
      sx={(theme) => ({
        display: "grid",
        gridTemplateColumns: tally.coaches ? "2fr 1fr 2fr" : "1fr 1fr",
        gap: 1,
        // Undoing and the next pilot stay within reach of the thumb.
        position: { xs: "sticky", md: "static" },
        bottom: 0,
        zIndex: 2,
        py: 1,
        bgcolor: theme.tokens.paper,
        ...whereLow({ position: "static" }),
      })}
    >
      <Button variant="outlined" disabled={!last} onClick={onUndo} sx={{ minHeight: 56, lineHeight: 1.2 }}>
        {last && step
          ? `Undo: ${outcomeWords[last.outcome].toLowerCase()}, ${last.line ? lineTryWords(last.line) : (directionNames(step)[last.direction] ?? last.direction)}`
          : "Undo"}
      </Button>
      {tally.coaches && (
        <Button variant="outlined" disabled={!ready} onClick={onNote} sx={{ minHeight: 56, minWidth: 0 }}>
          Note
          {notes > 0 && (
            <Box component="span" className="num" sx={{ ml: 0.5 }}>
              {notes}
            </Box>
          )}
        </Button>
      )}
      {tally.pilots.length > 1 ? (
        <Button variant="outlined" onClick={onNext} sx={{ minHeight: 56, lineHeight: 1.2 }}>
          Next: {place.next.name}
        </Button>
      ) : (
        <Button
          variant="outlined"
          disabled={!onBrief}
          onClick={() => onBrief?.()}
          sx={{ minHeight: 56, lineHeight: 1.2 }}
        >
          Brief
        </Button>
      )}
    </Box>
  );
}
