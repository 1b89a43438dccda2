"use client";

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import {
  CALM_AIR,
  DomainError,
  type FlownTrick,
  hangsOn,
  type Hardware,
  indexAt,
  mirrorImage,
  MOST_PHASES,
  otherDirection,
  type PhaseNote,
  phaseNotes,
  phaseSpans,
  type Recipe,
  recipeFaults,
  recipes,
  SHORTEST_PHASE_S,
  startTrim,
  type TrickRequest,
  withoutPhase,
  withPhaseAdded,
  withPhaseSplit,
} from "@/core";
import type { Aircraft, Setup } from "@/contract";
import { directionWords, findTrick, type Trick } from "@/syllabus";
import { useDraft } from "@/ui/drafts/use-draft";
import { Measured } from "@/ui/flight/measured";
import { PathView } from "@/ui/flight/path-view";
import { PlayerBar } from "@/ui/flight/player-bar";
import { SideView } from "@/ui/flight/side-view";
import { GLYPH_EVERY_S, travelsFar } from "@/ui/flight/travels";
import { useFlown } from "@/ui/flight/use-flown";
import { usePlayer } from "@/ui/flight/use-player";
import { BadFieldsProvider } from "@/ui/forms/bad-fields";
import { useKeys } from "@/ui/keys/keys";
import { useAtHand } from "@/ui/shell/at-hand";
import { NeedsSetup } from "@/ui/shell/needs-setup";
import { usePreferences } from "@/ui/theme/preferences";
import { problemWords } from "@/words";
import { FilePart } from "./file-part";
import { KeepPanel } from "./keep-panel";
import { isWhole, type Choreography } from "./choreography";
import type { ChoreographerData } from "./load";
import { PhasePanel } from "./phase-panel";
import { Timeline } from "./timeline";
import { TrickFigures } from "./trick-figures";
import { isFatal, noteText, whyItStays } from "./words";

/** Choreographer: the phases of a trick on a timeline, changed by hand, flown again at once, kept as the coach's own way. */
export function ChoreographerScreen({ data }: { data: ChoreographerData }) {
  const { pilot, aircraft, setup } = data;
  if (!aircraft || !setup)
    return (
      <>
        <Typography variant="h1">Choreographer</Typography>
        <NeedsSetup
          pilotName={pilot.name}
          aircraftName={aircraft?.name ?? null}
          why="What the sticks do is flown at once with one aircraft and its settings, so that comes first."
        />
      </>
    );
  return (
    <BadFieldsProvider>
      <Choreographer data={data} aircraft={aircraft} setup={setup} />
    </BadFieldsProvider>
  );
}

function Choreographer({ data, aircraft, setup }: { data: ChoreographerData; aircraft: Aircraft; setup: Setup }) {
  const trick = findTrick(data.trickId)!;
  const way = trick.variants.find(({ id }) => id === data.wayId)!;
  const opened = data.own.find(({ id }) => id === data.openId) ?? null;
  const builtIn = recipes[way.recipes[data.direction]];
  const saved = useMemo<Choreography>(
    () => ({ direction: data.direction, recipe: opened ? opened.recipe : builtIn }),
    [data.direction, opened, builtIn],
  );
  const draft = useDraft({
    key: `bathygon-choreography-${opened?.id ?? `${data.trickId}-${data.wayId}-${data.direction}`}`,
    saved,
    basedOn: opened?.version ?? 0,
    isWhole,
  });
  const { direction, recipe } = draft.document;
  const request = useMemo(
    (): TrickRequest => ({
      recipe,
      values: null,
      entryHeightM: null,
      airframe: aircraft.airframe,
      settings: setup.settings,
      environment: CALM_AIR,
    }),
    [recipe, aircraft, setup],
  );
  const { flown, pending } = useFlown(request);
  const trickFlown = flown?.kind === "flown" ? flown.trick : null;
  // Worked-out figures come back with the flight; until it is there, those of before stand.
  const present = trickFlown && !pending ? trickFlown.recipe : recipe;
  const hardware = useHardware(trickFlown?.recipe ?? recipe, aircraft, setup);
  const [wanted, setSelected] = useState(0);
  const selected = Math.min(wanted, recipe.phases.length - 1);
  const change = (next: Recipe, gesture?: string) => draft.change({ ...draft.document, recipe: next }, gesture);
  return (
    <>
      <Heading data={data} direction={direction} />
      <Box sx={{ height: 4, mb: 0.5 }}>{pending && <LinearProgress aria-label="Flying it in the model" />}</Box>
      {draft.restored && (
        <Alert
          severity="info"
          sx={{ mb: 1 }}
          action={
            <Button color="inherit" onClick={() => draft.drop(saved, opened?.version ?? 0)}>
              Drop it
            </Button>
          }
        >
          Not saved yet, kept on this device from before.
        </Alert>
      )}
      {flown?.kind === "refused" && (
        <Alert severity="error" sx={{ mb: 1 }}>
          <b>This cannot be flown:</b> {flown.why}. Undo, or change what it says.
        </Alert>
      )}
      {trickFlown && hardware ? (
        <Board
          data={data}
          draft={draft}
          flown={trickFlown}
          present={present}
          pending={pending}
          hardware={hardware}
          selected={selected}
          onSelect={setSelected}
          onChange={change}
          aircraft={aircraft}
          setup={setup}
          baseSolveFor={builtIn.solveFor}
          keep={
            <KeepPanel
              key={`${opened?.id} ${opened?.version}`}
              data={data}
              opened={opened}
              draft={draft}
              recipe={present}
              unfinished={trickFlown.problem && problemWords(trickFlown.problem)}
            />
          }
        />
      ) : (
        flown?.kind !== "refused" && <Typography sx={{ py: 6 }}>Flying it in the model with {aircraft.name}</Typography>
      )}
      {flown?.kind === "refused" && draft.undo && (
        <Button variant="contained" onClick={draft.undo}>
          Undo
        </Button>
      )}
    </>
  );
}

/** With what it is flown; null for a start that there is not. */
function useHardware(recipe: Recipe, aircraft: Aircraft, setup: Setup): Hardware | null {
  return useMemo(() => {
    const { airframe } = aircraft;
    const { settings } = setup;
    try {
      return { aircraft: airframe, settings, figures: startTrim(recipe, airframe, settings, CALM_AIR).figures };
    } catch (error) {
      // The flight says why.
      if (error instanceof DomainError) return null;
      throw error;
    }
  }, [recipe, aircraft, setup]);
}

function Heading({ data, direction }: { data: ChoreographerData; direction: string }) {
  const router = useRouter();
  const { hrefFor } = useAtHand();
  const trick = findTrick(data.trickId)!;
  const choices = [
    ...trick.variants.flatMap((way) =>
      Object.keys(way.recipes).map((id) => ({
        key: `${way.id} ${id}`,
        name: `${trick.variants.length > 1 ? way.name : "as the program has it"} · ${directionWords[id]}`,
        to: { step: trick.id, way: way.id, direction: id },
      })),
    ),
    ...data.own.map((one) => ({
      key: one.id,
      name: `${one.name} · ${directionWords[one.direction]}`,
      to: { step: trick.id, own: one.id },
    })),
  ];
  const value = data.openId ?? `${data.wayId} ${data.direction}`;
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 2, rowGap: 1, mb: 0.5 }}>
      <Typography variant="h1">Choreographer</Typography>
      <Typography sx={{ fontWeight: 650 }}>
        {trick.name}
        {direction !== data.direction && `, now ${directionWords[direction]}`}
      </Typography>
      <TextField
        select
        size="small"
        label="Open"
        value={value}
        sx={{ minWidth: 260 }}
        onChange={(event) => {
          const chosen = choices.find(({ key }) => key === event.target.value);
          if (chosen) router.push(hrefFor("/lab/choreographer", chosen.to));
        }}
      >
        {choices.map(({ key, name }) => (
          <MenuItem key={key} value={key}>
            {name}
          </MenuItem>
        ))}
      </TextField>
      <Box sx={{ flex: 1 }} />
      <Button component={Link} href={hrefFor("/lab", { step: trick.id })}>
        In the lab
      </Button>
    </Box>
  );
}

interface BoardProps {
  readonly data: ChoreographerData;
  readonly draft: ReturnType<typeof useDraft<Choreography>>;
  readonly flown: FlownTrick;
  /** As it is set down now; `flown` may be a moment behind. */
  readonly present: Recipe;
  readonly pending: boolean;
  readonly hardware: Hardware;
  readonly selected: number;
  readonly onSelect: (phase: number) => void;
  readonly onChange: (recipe: Recipe, gesture?: string) => void;
  readonly aircraft: Aircraft;
  readonly setup: Setup;
  readonly baseSolveFor: Recipe["solveFor"];
  readonly keep: React.ReactNode;
}

function Board(props: BoardProps) {
  const { data, draft, flown, present, pending, hardware, selected, onSelect, onChange, aircraft, setup } = props;
  const { flight } = flown;
  const player = usePlayer(flight.measures.durationS);
  const { cursorS } = player;
  const notes = useMemo(() => phaseNotes(flown.recipe, flight, hardware), [flown.recipe, flight, hardware]);
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
  const trick = findTrick(data.trickId)!;
  const cursor = cursorS === null ? null : indexAt(flight.trace, cursorS);
  const stays = whyItStays(hangsOn(present, selected), present.phases.length);
  const faults = recipeFaults(present);
  return (
    <>
      <Box sx={{ overflowX: "auto", mb: 0.5 }}>
        <Timeline
          recipe={present}
          flight={flight}
          pending={pending}
          hardware={hardware}
          stickMode={data.pilot.stickMode}
          notes={notes}
          selected={selected}
          cursorS={cursorS}
          onSelect={onSelect}
          onChange={onChange}
        />
      </Box>
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
        problem={flown.problem && problemWords(flown.problem)}
        onSelect={onSelect}
      />
      {faults.map(({ field, message }) => (
        <Typography key={`${field} ${message}`} role="alert" sx={{ color: "error.main", fontSize: "0.9rem" }}>
          ▲ {message}
        </Typography>
      ))}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1.15fr) minmax(0,1fr)" },
          columnGap: 4,
          rowGap: 2,
        }}
      >
        <Box sx={{ minWidth: 0 }}>
          <Typography variant="h2" sx={{ mb: 1 }}>
            Phase <span className="num">{selected + 1}</span> of <span className="num">{present.phases.length}</span>
          </Typography>
          <PhasePanel recipe={present} at={selected} figures={hardware.figures} onChange={onChange} />
          {stays && <Typography sx={{ fontSize: "0.85rem", color: "text.secondary", mt: 0.5 }}>{stays}</Typography>}
          <TrickFigures recipe={present} baseSolveFor={props.baseSolveFor} onChange={onChange} />
        </Box>
        <Drawing
          flown={flown}
          player={player}
          cursor={cursor}
          trick={trick}
          flownWith={`${aircraft.name}, setup ${setup.number}`}
        />
      </Box>
      {props.keep}
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
      {travelsFar(flight.trace) ? (
        <PathView
          plane="side"
          trace={flight.trace}
          obstacles={flight.obstacles}
          ghost={null}
          cursor={cursor}
          everyS={GLYPH_EVERY_S}
          wayOut={flown.wayOut}
          ceilingM={null}
          width={460}
          height={260}
        />
      ) : (
        <SideView trace={flight.trace} phases={[]} level={null} cursor={cursor} everyS={GLYPH_EVERY_S} />
      )}
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
  { draft, flown, present, pending, hardware, selected, onSelect, onChange }: BoardProps,
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
            ? () => onChange(withPhaseSplit(present, selected, flown.flight, cutS, hardware.figures))
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
  }, [draft, flown, present, pending, hardware, selected, cursorS, onChange, onSelect]);
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
            sx={{ minHeight: 24, p: 0, mr: 0.6, fontWeight: 700, textDecoration: "underline" }}
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
