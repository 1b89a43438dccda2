"use client";

import { Link } from "@/ui/actions/link";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { Box } from "@/ui/layout/box";
import { Progress } from "@/ui/layout/progress";
import { later } from "@/ui/loading/later";
import { usePreferences } from "@/ui/theme/preferences";
import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { CALM_AIR, DomainError, type FlightContext, type Recipe, recipes, startTrim, type TrickRequest } from "@/core";
import type { Aircraft, Setup } from "@/contract";
import { directionWords, trickOf } from "@/syllabus";
import { useDraft } from "@/ui/drafts/use-draft";
import { useFlown } from "@/ui/flight/use-flown";
import { BadFieldsProvider } from "@/ui/forms/bad-fields";
import { useAtHand } from "@/ui/shell/at-hand";
import { NeedsSetup } from "@/ui/shell/needs-setup";
import { problemWords, refusedWords } from "@/words";
import { KeepPanel } from "./keep-panel";
import { isWhole, type Choreography } from "./choreography";
import type { ChoreographerData } from "./load";

const Board = later(() => import("./board").then((part) => part.Board));

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
          why="What the sticks do is flown at once with one aircraft and its settings, so set those up first."
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
  const { units } = usePreferences();
  const trick = trickOf(data.trickId);
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
  const context = useFlightContext(trickFlown?.recipe ?? recipe, aircraft, setup);
  const [wanted, setSelected] = useState(0);
  const selected = Math.min(wanted, recipe.phases.length - 1);
  const change = (next: Recipe, gesture?: string) => draft.change({ ...draft.document, recipe: next }, gesture);
  return (
    <>
      <Heading data={data} direction={direction} />
      <Box sx={{ height: 4, mb: 0.5 }}>{pending && <Progress aria-label="Flying it in the model" />}</Box>
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
          <b>This cannot be flown:</b> {refusedWords(flown.why, units)}. Undo, or change what it says.
        </Alert>
      )}
      {trickFlown && context ? (
        <Board
          data={data}
          draft={draft}
          flown={trickFlown}
          present={present}
          pending={pending}
          context={context}
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
              unfinished={trickFlown.problem && problemWords(trickFlown.problem, units)}
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
function useFlightContext(recipe: Recipe, aircraft: Aircraft, setup: Setup): FlightContext | null {
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
  const trick = trickOf(data.trickId);
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
      <SelectField
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
          <Option key={key} value={key}>
            {name}
          </Option>
        ))}
      </SelectField>
      <Box sx={{ flex: 1 }} />
      <Button component={Link} href={hrefFor("/lab", { step: trick.id })}>
        In the lab
      </Button>
    </Box>
  );
}
