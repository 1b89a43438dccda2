"use client";

import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useMemo, useState } from "react";
import {
  type FlownTrick,
  hangsOn,
  type FlightContext,
  indexAt,
  mirrorImage,
  MOST_PHASES,
  otherDirection,
  type PhaseNote,
  phaseNotes,
  phaseSpans,
  type Recipe,
  recipeFaults,
  SHORTEST_PHASE_S,
  withoutPhase,
  withPhaseAdded,
  withPhaseSplit,
} from "@/core";
import type { Aircraft, Setup } from "@/contract";
import { directionWords, trickOf, type Trick } from "@/syllabus";
import { useDraft } from "@/ui/drafts/use-draft";
import { Measured } from "@/ui/flight/measured";
import { FromTheSide } from "@/ui/flight/from-the-side";
import { PlayerBar } from "@/ui/flight/player-bar";
import { usePlayer } from "@/ui/flight/use-player";
import { useKeys } from "@/ui/keys/keys";
import { Box } from "@/ui/layout/box";
import { WhenTime } from "@/ui/layout/when-time";
import { usePreferences } from "@/ui/theme/preferences";
import { problemWords } from "@/words";
import { FilePart } from "./file-part";
import { type Choreography } from "./choreography";
import type { ChoreographerData } from "./load";
import { PhasePanel } from "./phase-panel";
import { Timeline } from "./timeline";
import { TrickFigures } from "./trick-figures";
import { isFatal, noteText, whyItStays } from "./words";

interface BoardProps {
  readonly data: ChoreographerData;
  readonly draft: ReturnType<typeof useDraft<Choreography>>;
  readonly flown: FlownTrick;
  /** As it is set down now; `flown` may be a moment behind. */
  readonly present: Recipe;
  readonly pending: boolean;
  readonly context: FlightContext;
  readonly selected: number;
  readonly onSelect: (phase: number) => void;
  readonly onChange: (recipe: Recipe, gesture?: string) => void;
  readonly aircraft: Aircraft;
  readonly setup: Setup;
  readonly baseSolveFor: Recipe["solveFor"];
  readonly keep: React.ReactNode;
}

/** The timeline with what is done to it, the phase looked at, and what the aircraft makes of it. */
export function Board(props: BoardProps) {
  const { units } = usePreferences();
  const { data, draft, flown, present, pending, context, selected, onSelect, onChange, aircraft, setup } = props;
  const { flight } = flown;
  const player = usePlayer(flight.measures.durationS);
  const { cursorS } = player;
  const notes = useMemo(() => phaseNotes(flown.recipe, flight, context), [flown.recipe, flight, context]);
  const edits = useEdits(props, cursorS);
  const keys = useMemo(
    () => [
      ...player.keys,
      { key: "n", label: "Next phase", run: () => onSelect(Math.min(selected + 1, present.phases.length - 1)) },
      { key: "p", label: "Phase before", run: () => onSelect(Math.max(0, selected - 1)) },
      ...edits.flatMap(({ key, name, run }) => (run ? [{ key, label: name, run }] : [])),
    ],
    [player.keys, edits, selected, present, onSelect],
  );
  useKeys(keys);
  const trick = trickOf(data.trickId);
  const cursor = cursorS === null ? null : indexAt(flight.trace, cursorS);
  const [held, setHeld] = useState(false);
  const stays = whyItStays(hangsOn(present, selected), present.phases.length);
  const faults = recipeFaults(present);
  return (
    <>
      <Box sx={{ overflowX: "auto", mb: 0.5 }}>
        <Timeline
          recipe={present}
          flight={flight}
          pending={pending}
          context={context}
          stickMode={data.pilot.stickMode}
          notes={notes}
          selected={selected}
          cursorS={cursorS}
          onSelect={onSelect}
          onChange={onChange}
          onHold={setHeld}
        />
      </Box>
      <WhenTime held={held}>
        <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 0.5, mb: 1 }}>
          {edits.map(({ name, run }) => (
            <Button key={name} size="small" disabled={run === null} onClick={run ?? undefined}>
              {name}
            </Button>
          ))}
          <Box sx={{ flex: 1 }} />
          <FilePart data={data} draft={draft} recipe={present} />
        </Box>
        <Notes
          recipe={present}
          notes={notes}
          problem={flown.problem && problemWords(flown.problem, units)}
          onSelect={onSelect}
        />
        {faults.map(({ field, message }) => (
          <Typography key={`${field} ${message}`} role="alert" sx={{ color: "error.main", fontSize: "0.9rem" }}>
            ▲ {message}
          </Typography>
        ))}
      </WhenTime>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1.15fr) minmax(0,1fr)" },
          columnGap: 4,
          rowGap: 2,
        }}
      >
        <Box sx={{ minWidth: 0 }}>
          <WhenTime held={held}>
            <Typography variant="h2" sx={{ mb: 1 }}>
              Phase <span className="num">{selected + 1}</span> of <span className="num">{present.phases.length}</span>
            </Typography>
            <PhasePanel recipe={present} at={selected} figures={context.figures} onChange={onChange} />
            {stays && <Typography sx={{ fontSize: "0.85rem", color: "text.secondary", mt: 0.5 }}>{stays}</Typography>}
            <TrickFigures recipe={present} baseSolveFor={props.baseSolveFor} onChange={onChange} />
          </WhenTime>
        </Box>
        <Drawing
          flown={flown}
          player={player}
          cursor={cursor}
          trick={trick}
          flownWith={`${aircraft.name}, setup ${setup.number}`}
        />
      </Box>
      <WhenTime held={held}>{props.keep}</WhenTime>
    </>
  );
}

/** What the aircraft does with it, and what was measured. */
function Drawing({
  flown,
  player,
  cursor,
  trick,
  flownWith,
}: {
  flown: BoardProps["flown"];
  player: ReturnType<typeof usePlayer>;
  cursor: number | null;
  trick: Trick;
  flownWith: string;
}) {
  const { flight } = flown;
  return (
    <Box sx={{ minWidth: 0 }}>
      <Typography variant="h2">
        {flown.problem === null ? "What the aircraft does" : "What would happen"}{" "}
        <Box component="span" sx={{ color: "text.secondary", fontWeight: 400 }}>
          {flownWith}
        </Box>
      </Typography>
      <FromTheSide flight={flight} cursor={cursor} wayOut={flown.wayOut} height={260} />
      <PlayerBar player={player} durationS={flight.measures.durationS} />
      {flown.problem === null && <Measured trick={flown} looksAt={trick.looksAt} aircraftName={flownWith} />}
    </Box>
  );
}

interface Edit {
  readonly key: string;
  readonly name: string;
  /** Null where it cannot be done. */
  readonly run: (() => void) | null;
}

/** What can be done to the phase that is looked at, and taken back. */
function useEdits(
  { draft, flown, present, pending, context, selected, onSelect, onChange }: BoardProps,
  cursorS: number | null,
): readonly Edit[] {
  return useMemo(() => {
    // A phase is split where it was flown, so that has to be known.
    const span = pending ? null : phaseSpans(present, flown.flight)[selected];
    const inside =
      span !== null &&
      cursorS !== null &&
      cursorS > span.startS + SHORTEST_PHASE_S &&
      cursorS < span.endS - SHORTEST_PHASE_S;
    const cutS = span === null ? null : inside ? cursorS : (span.startS + span.endS) / 2;
    const room = present.phases.length < MOST_PHASES;
    const long = span !== null && span.endS - span.startS > 2.5 * SHORTEST_PHASE_S;
    const { direction } = draft.document;
    const mirrored = () => {
      const other = otherDirection(direction);
      draft.change({ direction: other, recipe: mirrorImage(present, direction) });
    };
    return [
      {
        key: "a",
        name: "Add a phase after it",
        run: room
          ? () => {
              onChange(withPhaseAdded(present, selected, flown.flight));
              onSelect(selected + 1);
            }
          : null,
      },
      {
        key: "s",
        name: inside ? "Split it at the moment" : "Split it in the middle",
        run:
          room && long && cutS !== null
            ? () => onChange(withPhaseSplit(present, selected, flown.flight, cutS, context.figures))
            : null,
      },
      {
        key: "x",
        name: "Remove it",
        run:
          whyItStays(hangsOn(present, selected), present.phases.length) === null
            ? () => {
                onChange(withoutPhase(present, selected));
                onSelect(Math.max(0, selected - 1));
              }
            : null,
      },
      { key: "m", name: mirrorName(direction), run: mirrored },
      { key: "u", name: "Undo", run: draft.undo },
      { key: "r", name: "Redo", run: draft.redo },
    ];
  }, [draft, flown, present, pending, context, selected, cursorS, onChange, onSelect]);
}

const mirrorName = (direction: string) => {
  const other = otherDirection(direction);
  return other === direction ? "Mirror it about its line" : `Mirror it: ${directionWords[other]}`;
};

/** What keeps it from being flown as it is set down, phase by phase; a tap goes to the phase. */
function Notes({
  recipe,
  notes,
  problem,
  onSelect,
}: {
  recipe: Recipe;
  notes: readonly PhaseNote[];
  problem: string | null;
  onSelect: (phase: number) => void;
}) {
  const { units } = usePreferences();
  const unbegun = notes.filter(({ kind }) => kind === "not-reached");
  const told = notes.filter(({ kind, phase }) => kind !== "not-reached" || phase === unbegun[0].phase);
  if (told.length === 0 && problem === null) return null;
  const fatal = problem !== null || notes.some(isFatal);
  return (
    <Alert severity={fatal ? "error" : "warning"} sx={{ mb: 1.5 }}>
      {told.map((note) => (
        <div key={`${note.phase} ${note.kind}`}>
          <Button
            size="small"
            color="inherit"
            onClick={() => onSelect(note.phase)}
            sx={{ minHeight: 24, p: 0, mr: 0.5, fontWeight: 700, textDecoration: "underline" }}
          >
            {note.phase + 1} {recipe.phases[note.phase]?.label}
          </Button>
          {noteText(note, recipe.phases[note.phase], units)}
          {note.kind === "not-reached" && unbegun.length > 1 && ` So are the ${unbegun.length - 1} after it.`}
        </div>
      ))}
      {problem !== null && !notes.some(isFatal) && <div>As it is set down, {problem}.</div>}
    </Alert>
  );
}
