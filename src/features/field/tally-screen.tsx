"use client";

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import Link from "next/link";
import { useMemo, useState } from "react";
import { v7 as newId } from "uuid";
import { outcomes, type Outcome } from "@/core";
import type { BriefData } from "@/features/brief/client";
import { directionNames, flownStep, recipeOf, type Step } from "@/syllabus";
import { useHydrated } from "@/ui/hydration/use-hydrated";
import { KeysProvider, useKeys } from "@/ui/keys/keys";
import { outcomeWords } from "@/ui/marks/marks";
import { SyllabiProvider, useSyllabus } from "@/ui/syllabus/use-syllabus";
import { usePreferences } from "@/ui/theme/preferences";
import { WhyProvider } from "@/ui/why/why";
import { blockReasonWords, quantityText } from "@/words";
import { BeforeGoggles } from "./before-goggles";
import { BlockSwitch } from "./block-switch";
import { BriefDialog } from "./brief-dialog";
import { Debrief, NoteList, Verdict } from "@/features/debrief/client";
import { NoteDialog, useFieldNote } from "./field-notes";
import type { TallyData, TallyStep } from "@/contract";
import { Measurements } from "./measurements";
import { PackClock, usePack } from "./pack-clock";
import type { FieldPacket } from "./packet";
import { RefusedList } from "./refused-list";
import { DirectionSwitch, FaultChips, TapList, Target } from "./tally-parts";
import { useFieldPlace } from "./use-field-place";
import { useTally } from "./use-tally";
import { useWakeLock } from "./use-wake-lock";
import { WaitingLine } from "./waiting-line";

const outcomeKeys: Readonly<Record<Outcome, string>> = { clean: "c", rough: "r", bailed: "b", crashed: "x" };
const NO_BRIEFS: FieldPacket["briefs"] = [];

/** The field tally: whole screen, one tap an attempt. Everything tapped is kept on the device until the server has it. */
export function TallyScreen({ data, briefs = NO_BRIEFS }: { data: TallyData; briefs?: FieldPacket["briefs"] }) {
  return (
    <KeysProvider>
      <WhyProvider>
        <SyllabiProvider sent={data.syllabi} squadId={data.session.squadId}>
          <Session data={data} briefs={briefs} />
        </SyllabiProvider>
      </WhyProvider>
    </KeysProvider>
  );
}

type Field = ReturnType<typeof useTally>;

/** Prepared, being flown, or over. */
function Session({ data, briefs }: { data: TallyData; briefs: FieldPacket["briefs"] }) {
  const field = useTally(data, briefs);
  const { session } = field.tally;
  useWakeLock(session.begun && session.endedAtMs === null && data.mayKeep);
  const signOff = (pilotId: string, stepId: string) =>
    field.act({ action: "sign-off", input: { id: newId(), pilotId, stepId, note: "", atMs: Date.now() } });
  if (session.endedAtMs === null && data.mayKeep)
    return session.begun ? <Tally field={field} onSignOff={signOff} /> : <Prepared field={field} />;
  return (
    <>
      <Debrief
        data={field.tally}
        attempts={field.attempts}
        onReopen={() => field.act({ action: "reopen-session", input: { id: session.id } })}
        onSignOff={signOff}
      />
      <Box sx={{ maxWidth: 900, mx: "auto", px: { xs: 2, md: 3 }, pb: 3 }}>
        <WaitingLine waiting={field.waiting} />
        <RefusedList data={field.tally} items={field.refused} />
      </Box>
    </>
  );
}

/** At the field, before the first pack: who is here, the checklist, and the way in. */
function Prepared({ field }: { field: Field }) {
  const { tally, act } = field;
  const ready = useHydrated();
  return (
    <Box sx={{ maxWidth: 720, mx: "auto", p: { xs: 2, md: 3 } }}>
      <Typography variant="h1">Ready to begin</Typography>
      <Typography sx={{ my: 1 }}>
        {tally.pilots.map(({ name }) => name).join(", ")}
        {tally.site && `, at ${tally.site.name}`}. All of it is on this device; it works without a network.
      </Typography>
      <Button
        variant="contained"
        size="large"
        disabled={!ready}
        onClick={() => act({ action: "begin-session", input: { id: tally.session.id, atMs: Date.now() } })}
        sx={{ minHeight: 64, minWidth: 220 }}
      >
        Begin the session
      </Button>
      <BeforeGoggles site={tally.site} checkFirst={tally.pilots.flatMap(({ checkFirst }) => checkFirst)} />
    </Box>
  );
}

function Tally({ field, onSignOff }: { field: Field; onSignOff: (pilotId: string, stepId: string) => void }) {
  const { tally, attempts, act, tapMoment, briefs } = field;
  const { session } = tally;
  const ready = useHydrated();
  const syllabus = useSyllabus();
  const place = useFieldPlace(session.id, tally.pilots);
  const { pilot, block } = place;
  const own = attempts.filter((attempt) => attempt.pilotId === pilot.id && attempt.stepId === block.stepId);
  const { earlier } = knownStep(pilot.steps, block.stepId ?? "");
  // A step that no syllabus has any more is flown on in the directions it was flown in.
  const flownIn = [...new Set([...earlier, ...own].map((one) => one.direction))].join(" ");
  const step = useMemo(
    () => (block.stepId ? flownStep(syllabus, block.stepId, flownIn === "" ? [] : flownIn.split(" ")) : null),
    [syllabus, block.stepId, flownIn],
  );
  const pack = usePack(session.id, Math.max(0, ...attempts.map((one) => one.pack ?? 0)));
  const [briefShown, setBriefShown] = useState(false);
  const notes = tally.notes.filter(({ pilotId }) => pilotId === pilot.id);
  const note = useFieldNote(pilot, (pilotId, text) =>
    act({
      action: "add-session-note",
      input: { id: newId(), sessionId: session.id, pilotId, text, writtenAtMs: tapMoment() },
    }),
  );
  const direction = step ? directionOf(step, place.chosenDirection ?? block.firstDirection) : "";
  const last = own.at(-1);
  const brief = briefs.find((one) => one.pilot.id === pilot.id && one.standing.stepId === block.stepId);

  const handlers = useMemo(() => {
    const tap = (outcome: Outcome) =>
      step &&
      act({
        action: "log-attempt",
        input: {
          id: newId(),
          sessionId: session.id,
          pilotId: pilot.id,
          stepId: step.id,
          direction,
          outcome,
          flownAtMs: tapMoment(),
          pack: pack.sinceMs === null ? null : pack.number,
        },
      });
    const undo = () => last && act({ action: "undo-attempt", input: { id: last.id } });
    const toggleFault = (id: string) =>
      last &&
      act({
        action: "set-faults",
        input: {
          id: last.id,
          faults: last.faults.includes(id) ? last.faults.filter((fault) => fault !== id) : [...last.faults, id],
        },
      });
    const turn = () => {
      const ids = step?.directions.map((one) => one.id) ?? [];
      if (ids.length > 0) place.chooseDirection(ids[(ids.indexOf(direction) + 1) % ids.length]);
    };
    return { tap, undo, toggleFault, turn };
  }, [act, tapMoment, session.id, pilot.id, step, direction, last, pack.sinceMs, pack.number, place]);
  const keys = useMemo(
    () => [
      ...outcomes.map((outcome) => ({
        key: outcomeKeys[outcome],
        label: outcomeWords[outcome],
        run: () => void handlers.tap(outcome),
      })),
      { key: "d", label: "The other direction", run: handlers.turn },
      { key: "u", label: "Undo the last attempt", run: () => void handlers.undo() },
      { key: "n", label: "Next pilot", run: place.nextTurn },
      ...(tally.coaches ? [{ key: "o", label: "Note of this pilot", run: note.show }] : []),
      ...(step?.faults ?? []).map((fault, i) => ({
        key: String(i + 1),
        label: `Fault: ${fault.short}`,
        run: () => void handlers.toggleFault(fault.id),
      })),
    ],
    [handlers, step, place, tally.coaches, note.show],
  );
  useKeys(keys);

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
              {step?.name ?? "As they like"}
              {pilot.turns.length > 0 && (
                <>
                  , turn{" "}
                  <span className="num">
                    {place.pack + 1}/{pilot.turns.length}
                  </span>
                </>
              )}
              {step && brief && <StartAt brief={brief} step={step} direction={direction} />}
              {tally.site?.ceilingM != null && (
                <Box component="span" sx={{ color: "error.main", fontWeight: 650, ml: 1, whiteSpace: "nowrap" }}>
                  not above <span className="num">{tally.site.ceilingM} m</span>
                </Box>
              )}
            </Typography>
          </Box>
          <PackClock pack={pack} />
        </Box>
        <BlockSwitch blocks={place.blocks} at={place.at} onChoose={place.chooseBlock} onAdd={place.addStep} />
        {step ? (
          <>
            <DirectionSwitch
              step={step}
              earlier={earlier}
              own={own}
              direction={direction}
              onChange={place.chooseDirection}
            />
            <Box
              sx={{
                flex: 1,
                display: "grid",
                gridTemplateColumns: "1fr 1fr",
                gridAutoRows: "1fr",
                gap: 1,
                minHeight: 260,
              }}
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
            <FaultChips
              step={step}
              chosen={last?.faults ?? []}
              disabled={!last}
              label="Faults of the last attempt"
              onToggle={handlers.toggleFault}
            />
            <Measurements
              key={last?.id}
              step={step}
              last={last}
              onSet={(values) => last && act({ action: "set-measured", input: { id: last.id, ...values } })}
            />
          </>
        ) : (
          <Typography sx={{ flex: 1, py: 3, fontSize: "1.1rem" }}>
            {pilot.name} flies as they like: nothing is counted. To count something, choose another step above.
          </Typography>
        )}
        <Box sx={{ display: "grid", gridTemplateColumns: tally.coaches ? "2fr 1fr 2fr" : "1fr 1fr", gap: 1 }}>
          <Button variant="outlined" disabled={!last} onClick={handlers.undo} sx={{ minHeight: 56, lineHeight: 1.2 }}>
            {last && step
              ? `Undo: ${outcomeWords[last.outcome].toLowerCase()}, ${directionNames(step)[last.direction] ?? last.direction}`
              : "Undo"}
          </Button>
          {tally.coaches && (
            <Button variant="outlined" disabled={!ready} onClick={note.show} sx={{ minHeight: 56, minWidth: 0 }}>
              Note
              {notes.length > 0 && (
                <Box component="span" className="num" sx={{ ml: 0.7 }}>
                  {notes.length}
                </Box>
              )}
            </Button>
          )}
          {tally.pilots.length > 1 ? (
            <Button variant="outlined" onClick={place.nextTurn} sx={{ minHeight: 56, lineHeight: 1.2 }}>
              Next: {place.next.name}
            </Button>
          ) : (
            <Button
              variant="outlined"
              disabled={!brief}
              onClick={() => setBriefShown(true)}
              sx={{ minHeight: 56, lineHeight: 1.2 }}
            >
              Brief
            </Button>
          )}
        </Box>
        <WaitingLine waiting={field.waiting} />
        <RefusedList data={tally} items={field.refused} />
      </Box>
      <Box sx={{ pt: { xs: 2, md: 0 } }}>
        {step && (
          <>
            <Verdict
              pilot={pilot}
              known={knownStep(pilot.steps, step.id)}
              step={step}
              own={own}
              today={attempts.filter((attempt) => attempt.pilotId === pilot.id)}
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
            <Button variant="outlined" disabled={!brief} onClick={() => setBriefShown(true)}>
              Brief
            </Button>
          )}
          <Button
            variant="outlined"
            onClick={() => act({ action: "end-session", input: { id: session.id, atMs: Date.now() } })}
          >
            End the session
          </Button>
          <Button component={Link} href={`/pilot?pilot=${pilot.id}`}>
            To the desk
          </Button>
        </Box>
      </Box>
      {note.open && (
        <NoteDialog pilotName={pilot.name} text={note.text} onText={note.set} onKeep={note.keep} onClose={note.close} />
      )}
      {briefShown && brief && <BriefDialog brief={brief} direction={direction} onClose={() => setBriefShown(false)} />}
    </Box>
  );
}

/** From which height the step is begun, as it was worked out before. */
function StartAt({ brief, step, direction }: { brief: BriefData; step: Step; direction: string }) {
  const { units } = usePreferences();
  const recipe = recipeOf(step, direction, brief);
  if (!recipe || recipe.entryHeightM !== undefined) return null;
  // A packet that an older version of the program kept knows of none.
  const kept = brief.startHeights?.[direction];
  return (
    <Box component="span" sx={{ ml: 1, whiteSpace: "nowrap", fontWeight: 650 }}>
      {kept ? (
        <>
          from <span className="num">{quantityText(kept.heightM, "length", units)}</span> up
        </>
      ) : (
        "start height not worked out"
      )}
    </Box>
  );
}

/** The direction asked for where the step has it, else its first. */
const directionOf = ({ directions }: Step, wanted: string | null) =>
  directions.find(({ id }) => id === wanted)?.id ?? directions[0].id;

/** What is known of a step; one taken up in the field without a network was flown nobody here knows how often. */
const knownStep = (steps: readonly TallyStep[], stepId: string): TallyStep =>
  steps.find((one) => one.stepId === stepId) ?? { stepId, earlier: [], unknownBefore: true };
