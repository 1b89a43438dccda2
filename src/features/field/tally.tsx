"use client";

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import Link from "next/link";
import { useMemo, useState } from "react";
import { v7 as newId } from "uuid";
import { outcomes } from "@/core";
import { cueFor, directionNames } from "@/syllabus";
import { useHydrated } from "@/ui/hydration/use-hydrated";
import { outcomeWords } from "@/ui/marks/marks";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { blockReasonWords } from "@/words";
import { BlockSwitch } from "./block-switch";
import { BriefDialog } from "./brief-dialog";
import { EndSession } from "./end-session";
import { PickOne } from "@/ui/forms/pick-one";
import { usePreferences } from "@/ui/theme/preferences";
import { lookNames, themeNames } from "@/ui/theme/tokens";
import { NoteList, Verdict, VerdictLine } from "@/features/debrief/client";
import { NoteDialog, useFieldNote } from "./field-notes";
import type { LoggedAttempt, TallyData, TallyPilot } from "@/contract";
import { Measurements } from "./measurements";
import { PackClock, packMinutes, usePack } from "./pack-clock";
import { PilotSwitch } from "./pilot-switch";
import { RefusedList } from "./refused-list";
import { DirectionSwitch, FaultChips, TapList, Target } from "./tally-parts";
import { useFieldPlace } from "./use-field-place";
import { useTally } from "./use-tally";
import { WaitingLine } from "./waiting-line";
import { TallyHead } from "./tally-head";
import { useFlownNow, useTaps, type FlownNow } from "./use-taps";
import type { FlownStep } from "@/syllabus";

type Field = ReturnType<typeof useTally>;

/** The running session: one pilot's turn, one tap an attempt; beside it the verdict. */
export function Tally({ field, onSignOff }: { field: Field; onSignOff: (pilotId: string, stepId: string) => void }) {
  const { tally, attempts, act, tapMoment, briefs } = field;
  const { session } = tally;
  const place = useFieldPlace(session.id, tally.pilots);
  const { pilot, block } = place;
  const now = useFlownNow(attempts, place);
  const { step, direction } = now;
  const pack = usePack(session.id, Math.max(0, ...attempts.map((one) => one.pack ?? 0)));
  const [briefShown, setBriefShown] = useState(false);
  const notes = tally.notes.filter(({ pilotId }) => pilotId === pilot.id);
  const note = useFieldNote(pilot, (pilotId, text) =>
    act({
      action: "add-session-note",
      input: { id: newId(), sessionId: session.id, pilotId, text, writtenAtMs: tapMoment() },
    }),
  );
  const brief = briefs.find((one) => one.pilot.id === pilot.id && one.standing.stepId === block.stepId);
  const turns = useTurns(place, pack);
  const taps = useTaps(tally, field, place, now, pack, note, turns.next);
  const today = attempts.filter(({ pilotId }) => pilotId === pilot.id);
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
              attempts={attempts}
              onChoose={turns.choose}
              onBack={turns.back}
            />
          }
        >
          <PackClock pack={pack} plannedMin={packMinutes(pilot, place.blocks)} taps={today} />
        </TallyHead>
        <BlockSwitch blocks={place.blocks} at={place.at} onChoose={place.chooseBlock} onAdd={place.addStep} />
        {step ? (
          <Targets
            field={field}
            pilot={pilot}
            today={today}
            now={{ ...now, step }}
            taps={taps}
            onDirection={place.chooseDirection}
          />
        ) : (
          <Typography sx={{ flex: 1, py: 3, fontSize: "1.1rem" }}>
            {pilot.name} flies as they like: nothing is counted. To count something, choose another step above.
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
      <BelowTargets {...{ field, place, now, today, notes, onSignOff }} onBrief={showBrief} />
      {note.open && (
        <NoteDialog pilotName={pilot.name} text={note.text} onText={note.set} onKeep={note.keep} onClose={note.close} />
      )}
      {briefShown && brief && <BriefDialog brief={brief} direction={direction} onClose={() => setBriefShown(false)} />}
    </Box>
  );
}

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

interface PartProps {
  readonly field: Field;
  readonly place: ReturnType<typeof useFieldPlace>;
  readonly now: FlownNow;
}

/** Direction, the four outcomes, the faults and figures of the last attempt. */
function Targets({
  field: { act },
  pilot,
  today,
  now: { step, own, known, direction, last },
  taps,
  onDirection,
}: {
  field: Field;
  pilot: TallyPilot;
  /** What the pilot flew in this session. */
  today: readonly LoggedAttempt[];
  now: FlownNow & { readonly step: FlownStep };
  taps: ReturnType<typeof useTaps>;
  onDirection: (id: string) => void;
}) {
  const ready = useHydrated();
  const fault = step.faults.find(({ id }) => id === last?.faults.at(-1));
  return (
    <>
      <DirectionSwitch step={step} earlier={known.earlier} own={own} direction={direction} onChange={onDirection} />
      {/* Where there is room for two columns the whole verdict stands beside it. */}
      <Box sx={{ display: { md: "none" }, minWidth: 0 }}>
        <VerdictLine pilot={pilot} known={known} step={step} today={today} />
      </Box>
      <Box
        sx={{
          flex: "1 0 auto",
          display: "grid",
          gridTemplateColumns: "1fr 1fr",
          gridAutoRows: "1fr",
          gap: 1,
          minHeight: 240,
          // A phone held across: all four in a row.
          "@media (max-height: 480px)": { gridTemplateColumns: "repeat(4, 1fr)", minHeight: 120 },
        }}
      >
        {outcomes.map((outcome) => (
          <Target
            key={outcome}
            outcome={outcome}
            ready={ready}
            count={own.filter((one) => one.outcome === outcome && one.direction === direction).length}
            onTap={() => taps.tap(outcome)}
          />
        ))}
      </Box>
      <FaultChips
        step={step}
        chosen={last?.faults ?? []}
        disabled={!last}
        label="Faults of the last attempt"
        onToggle={taps.toggleFault}
      />
      {fault && last && (
        <Box
          role="status"
          aria-label="What mends it"
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
        py: 0.8,
        bgcolor: theme.tokens.paper,
        "@media (max-height: 480px)": { position: "static" },
      })}
    >
      <Button variant="outlined" disabled={!last} onClick={onUndo} sx={{ minHeight: 56, lineHeight: 1.2 }}>
        {last && step
          ? `Undo: ${outcomeWords[last.outcome].toLowerCase()}, ${directionNames(step)[last.direction] ?? last.direction}`
          : "Undo"}
      </Button>
      {tally.coaches && (
        <Button variant="outlined" disabled={!ready} onClick={onNote} sx={{ minHeight: 56, minWidth: 0 }}>
          Note
          {notes > 0 && (
            <Box component="span" className="num" sx={{ ml: 0.7 }}>
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

/** The verdict with what was tapped, the notes, and the way out of the session. */
function BelowTargets({
  field,
  place: { pilot, block },
  now: { step, own, known },
  today,
  notes,
  onSignOff,
  onBrief,
}: PartProps & {
  /** What the pilot flew in this session. */
  today: readonly LoggedAttempt[];
  notes: TallyData["notes"];
  onSignOff: (pilotId: string, stepId: string) => void;
  onBrief: (() => void) | null;
}) {
  const syllabus = useSyllabus();
  const { theme, setPreference } = usePreferences();
  const { tally, act } = field;
  return (
    <Box sx={{ pt: { xs: 2, md: 0 } }}>
      {step && (
        <>
          <Verdict
            pilot={pilot}
            known={known}
            step={step}
            own={own}
            today={today}
            maySignOff={tally.coaches}
            onSignOff={() => onSignOff(pilot.id, step.id)}
          />
          <TapList step={step} own={own} onUndo={(id) => act({ action: "undo-attempt", input: { id } })} />
        </>
      )}
      <NoteList notes={notes} />
      {block.reason && (
        <Typography sx={{ mt: 1.5, fontSize: "0.9rem", color: "text.secondary" }}>
          Planned because: {blockReasonWords(block, syllabus)}
        </Typography>
      )}
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 3 }}>
        {tally.pilots.length > 1 && (
          <Button variant="outlined" disabled={!onBrief} onClick={() => onBrief?.()} sx={{ minHeight: 56 }}>
            Brief
          </Button>
        )}
        <EndSession
          waiting={field.waiting.unsent}
          onEnd={() => field.act({ action: "end-session", input: { id: tally.session.id, atMs: Date.now() } })}
        />
        <Button component={Link} href={`/pilot?pilot=${pilot.id}`} sx={{ minHeight: 56 }}>
          To the desk
        </Button>
      </Box>
      <Box sx={{ mt: 2 }}>
        <PickOne
          label="Theme"
          value={theme}
          options={themeNames.map((name) => [name, lookNames[name]])}
          onPick={(next) => setPreference({ theme: next })}
          buttonSx={{ minHeight: 56, px: 2 }}
        />
      </Box>
    </Box>
  );
}
