"use client";

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import FormControlLabel from "@mui/material/FormControlLabel";
import LinearProgress from "@mui/material/LinearProgress";
import ListSubheader from "@mui/material/ListSubheader";
import MenuItem from "@mui/material/MenuItem";
import Switch from "@mui/material/Switch";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import dynamic from "next/dynamic";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { memo, useDeferredValue, useMemo, useState } from "react";
import {
  edgesOf,
  indexAt,
  segmentInFrame,
  withParameters,
  type FlownTrick,
  type Settings,
  type SpeedMargin,
  type TrickRequest,
} from "@/core";
import type { Aircraft, Pilot, Setup } from "@/server/repositories";
import { directionWords, findStep, findTrick, tricks, type Trick } from "@/syllabus";
import { CameraView } from "@/ui/flight/camera-view";
import { instructionsFor } from "@/ui/flight/choreography";
import { HorizonRibbon } from "@/ui/flight/horizon-ribbon";
import { PathView } from "@/ui/flight/path-view";
import { PlayerBar } from "@/ui/flight/player-bar";
import { SideView } from "@/ui/flight/side-view";
import { GLYPH_EVERY_S, travelsFar } from "@/ui/flight/travels";
import { usePlayer } from "@/ui/flight/use-player";
import { BadFieldsProvider } from "@/ui/forms/bad-fields";
import { useKeys } from "@/ui/keys/keys";
import { PlainTable } from "@/ui/layout/plain-table";
import { WhenSeen } from "@/ui/layout/when-seen";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { useAtHand } from "@/ui/shell/at-hand";
import { NeedsSetup } from "@/ui/shell/needs-setup";
import { StickDials } from "@/ui/sticks/stick-dials";
import { usePreferences } from "@/ui/theme/preferences";
import { quantityText } from "@/ui/units/quantity";
import { ParameterControls, SurroundingsControls } from "./controls";
import { FlightGraphs } from "./graphs";
import type { LabData } from "./load";
import { Measured } from "@/ui/flight/measured";
import { RecommendPanel } from "./recommend-panel";
import { ScatterPanel } from "./scatter-panel";
import { calm, environmentOf, type Surroundings } from "./surroundings";
import { useFlown } from "@/ui/flight/use-flown";
import { USUAL_STOP_DEG } from "./usual-stop";
import { waysOf, type Way } from "./ways";
import { comparedInWords } from "./words";

const Scene = dynamic(() => import("@/ui/flight/scene"), { ssr: false });

const speeds = [1, 0.5, 0.25] as const;

/** Trick lab: any trick of the model with this aircraft and setup; change something and see what it does. */
export function LabScreen({ data }: { data: LabData }) {
  const { pilot, aircraft, setup } = data;
  if (!aircraft || !setup) {
    return (
      <>
        <Typography variant="h1">Trick lab</Typography>
        <NeedsSetup
          pilotName={pilot.name}
          aircraftName={aircraft?.name ?? null}
          why="Tricks are flown with one aircraft and its settings, so that comes first."
        />
      </>
    );
  }
  return (
    <BadFieldsProvider>
      <Lab data={data} aircraft={aircraft} setup={setup} />
    </BadFieldsProvider>
  );
}

/** What is flown beside it: another setup of this aircraft, another school, the other direction, or what was kept to be held against. */
interface Other {
  readonly kind: "setup" | "variant" | "direction" | "kept";
  readonly id: string;
}

function Lab({ data, aircraft, setup }: { data: LabData; aircraft: Aircraft; setup: Setup }) {
  const trick = findTrick(data.trickId)!;
  const syllabus = useSyllabus();
  const ways = useMemo(() => waysOf(trick, data.own), [trick, data.own]);
  const [variantId, setVariant] = useState(data.variantId);
  const variant = ways.find(({ id }) => id === variantId) ?? ways[0];
  const [wantedDirection, setDirection] = useState(Object.keys(variant.recipes)[0]);
  const direction = variant.recipes[wantedDirection] ? wantedDirection : Object.keys(variant.recipes)[0];
  const [values, setValues] = useState<Readonly<Record<string, number>> | null>(null);
  // Moved while the rest is worked out.
  const [moved, setMoved] = useState<Readonly<Record<string, number>>>({});
  const [kept, setKept] = useState<TrickRequest | null>(null);
  const [surroundings, setSurroundings] = useState<Surroundings>(calm);
  const [otherKey, setOther] = useState("none");
  const other = otherOf(otherKey);
  const request = useMemo(
    (): TrickRequest => ({
      recipe: withParameters(variant.recipes[direction], moved),
      values,
      entryHeightM: surroundings.entryHeightM,
      airframe: aircraft.airframe,
      settings: setup.settings,
      environment: environmentOf(surroundings),
    }),
    [variant, direction, values, moved, surroundings, aircraft, setup],
  );
  const otherRequest = useMemo(
    () => (other ? askedBeside(other, request, { ways, variant, direction, setups: data.setups, kept }) : null),
    [other, request, ways, variant, direction, data.setups, kept],
  );
  const { flown, pending } = useFlown(request);
  const { flown: flownOther } = useFlown(otherRequest);
  const change =
    <T,>(set: (next: T) => void) =>
    (next: T) => {
      // Another recipe has other parameters.
      setValues(null);
      setMoved({});
      set(next);
    };
  const flownTrick = flown?.kind === "flown" ? flown.trick : null;
  // The old flight stays while the next is on its way, but never under another trick's name.
  const shown = flownTrick && flownTrick.recipe.id === request.recipe.id ? flownTrick : null;
  const flownBeside = otherRequest && flownOther?.kind === "flown" ? flownOther.trick : null;
  const besideSettings = otherRequest?.settings;
  const ghost = useMemo(
    () => (flownBeside && besideSettings ? { trick: flownBeside, settings: besideSettings } : null),
    [flownBeside, besideSettings],
  );
  const stopWithinDeg = request.recipe.turn ? (findStep(syllabus, trick.id)?.stopWithinDeg ?? USUAL_STOP_DEG) : null;
  // The drawings follow a moving slider when there is time.
  const drawn = useDeferredValue(shown);
  const upToDate = shown !== null && drawn?.recipe.id === shown.recipe.id;
  return (
    <>
      <Heading
        trick={trick}
        ways={ways}
        variantId={variant.id}
        direction={direction}
        onVariant={change(setVariant)}
        onDirection={change(setDirection)}
      />
      {variant.gains && (
        <Typography sx={{ fontSize: "0.9rem", color: "text.secondary", mb: 1 }}>{variant.gains}</Typography>
      )}
      <Box sx={{ height: 4, mb: 0.5 }}>{pending && <LinearProgress aria-label="Flying it in the model" />}</Box>
      <Statements flown={flown} shown={shown} ceilingM={surroundings.ceilingM} />
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "250px minmax(0,1fr)" },
          columnGap: 3,
          rowGap: 2,
        }}
      >
        <Box sx={{ order: { xs: 2, md: 0 } }}>
          <ParameterControls
            recipe={shown?.recipe ?? request.recipe}
            byHand={values !== null}
            moved={Object.keys(moved).length > 0}
            onChange={setValues}
            onMove={(name, value) => setMoved((before) => ({ ...before, [name]: value }))}
            onReset={() => {
              setValues(null);
              setMoved({});
            }}
          />
          <SurroundingsControls
            surroundings={surroundings}
            shownHeightM={shown?.entryHeightM ?? 10}
            onChange={setSurroundings}
          />
          <OtherControl
            ways={ways}
            variantId={variant.id}
            direction={direction}
            setups={data.setups}
            value={otherKey}
            kept={kept !== null}
            onChange={setOther}
            onKeep={() => {
              // As it is flown, worked-out figures and all.
              setKept(request);
              setOther("kept:now");
            }}
          />
        </Box>
        {upToDate ? (
          <FlightViews
            trick={drawn}
            settings={setup.settings}
            pilot={data.pilot}
            looksAt={trick.looksAt}
            aircraftName={aircraft.name}
            ceilingM={surroundings.ceilingM}
            ghost={ghost}
          />
        ) : (
          flown?.kind !== "refused" && (
            <Typography sx={{ py: 6 }}>Flying it in the model with {aircraft.name}</Typography>
          )
        )}
      </Box>
      {shown && shown.problem === null && (
        <ScatterPanel
          key={request.recipe.id}
          trick={shown}
          settings={setup.settings}
          aircraft={aircraft}
          environment={request.environment}
          stage={trick.stage}
          stopWithinDeg={stopWithinDeg}
          measured={data.measured}
          beside={
            ghost && ghost.trick.problem === null ? { ...ghost, name: nameOfOther(other!, ways, data.setups) } : null
          }
        >
          {(errors) => (
            <RecommendPanel
              recipe={request.recipe}
              trick={trick}
              direction={direction}
              manner={data.manner}
              settings={setup.settings}
              setup={setup}
              aircraft={aircraft}
              environment={request.environment}
              errors={errors}
              stopWithinDeg={stopWithinDeg}
            />
          )}
        </ScatterPanel>
      )}
    </>
  );
}

function nameOfOther({ kind, id }: Other, ways: readonly Way[], setups: readonly Setup[]): string {
  switch (kind) {
    case "setup":
      return `setup ${setups.find((one) => one.id === id)?.number ?? ""}`;
    case "variant":
      return ways.find((one) => one.id === id)?.name ?? "the other way";
    case "direction":
      return directionWords[id];
    case "kept":
      return "the one kept";
  }
}

function otherOf(key: string): Other | null {
  const [kind, id] = key.split(":");
  return kind === "setup" || kind === "variant" || kind === "direction" || kind === "kept" ? { kind, id } : null;
}

function askedBeside(
  { kind, id }: Other,
  request: TrickRequest,
  {
    ways,
    variant,
    direction,
    setups,
    kept,
  }: {
    ways: readonly Way[];
    variant: Way;
    direction: string;
    setups: readonly Setup[];
    kept: TrickRequest | null;
  },
): TrickRequest | null {
  const worked = { ...request, values: null };
  switch (kind) {
    case "setup": {
      const setup = setups.find((one) => one.id === id);
      return setup ? { ...worked, settings: setup.settings } : null;
    }
    case "variant": {
      const recipe = ways.find((one) => one.id === id)?.recipes[direction];
      return recipe ? { ...worked, recipe } : null;
    }
    case "direction": {
      const recipe = variant.recipes[id];
      return recipe ? { ...worked, recipe } : null;
    }
    case "kept":
      // Round about it is as it is now.
      return kept && { ...kept, environment: request.environment, entryHeightM: request.entryHeightM };
  }
}

function Heading(props: {
  trick: Trick;
  ways: readonly Way[];
  variantId: string;
  direction: string;
  onVariant: (id: string) => void;
  onDirection: (id: string) => void;
}) {
  const { trick, ways, variantId, direction, onVariant, onDirection } = props;
  const router = useRouter();
  const { hrefFor, coaches } = useAtHand();
  const syllabus = useSyllabus();
  const variant = ways.find(({ id }) => id === variantId)!;
  const builtIn = trick.variants.some(({ id }) => id === variantId);
  const directions = Object.keys(variant.recipes);
  const at = tricks.findIndex(({ id }) => id === trick.id);
  const keys = useMemo(() => {
    const go = (id: string | undefined) => id && router.push(hrefFor("/lab", { step: id }));
    return [
      { key: "n", label: "Next trick", run: () => go(tricks[at + 1]?.id) },
      { key: "p", label: "Trick before", run: () => go(tricks[at - 1]?.id) },
      {
        key: "d",
        label: "The other direction",
        run: () => onDirection(directions[(directions.indexOf(direction) + 1) % directions.length]),
      },
    ];
  }, [at, router, hrefFor, directions, direction, onDirection]);
  useKeys(keys);
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 2, rowGap: 1, mb: 0.5 }}>
      <Typography variant="h1" sx={{ mr: 1 }}>
        Trick lab
      </Typography>
      <TextField
        select
        size="small"
        label="Trick"
        value={trick.id}
        onChange={(event) => router.push(hrefFor("/lab", { step: event.target.value }))}
        sx={{ minWidth: 250 }}
      >
        {syllabus.stages.flatMap((stageName, stage) => {
          const own = tricks.filter((one) => one.stage === stage);
          return own.length === 0
            ? []
            : [
                <ListSubheader key={stageName}>{stageName}</ListSubheader>,
                ...own.map(({ id, name }) => (
                  <MenuItem key={id} value={id}>
                    {name}
                  </MenuItem>
                )),
              ];
        })}
      </TextField>
      {ways.length > 1 && (
        <ToggleButtonGroup
          exclusive
          size="small"
          value={variantId}
          aria-label="Way to fly it"
          onChange={(_, next) => next && onVariant(next)}
        >
          {ways.map(({ id, name }) => (
            <ToggleButton key={id} value={id} sx={{ px: 1.5 }}>
              {name}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      )}
      {directions.length > 1 && (
        <ToggleButtonGroup
          exclusive
          size="small"
          value={direction}
          aria-label="Direction"
          onChange={(_, next) => next && onDirection(next)}
        >
          {directions.map((id) => (
            <ToggleButton key={id} value={id} sx={{ px: 1.5 }}>
              {directionWords[id]}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      )}
      <Box sx={{ flex: 1 }} />
      {coaches && (
        <Button
          component={Link}
          href={hrefFor("/lab/choreographer", {
            step: trick.id,
            ...(builtIn ? { way: variantId, direction } : { own: variantId }),
          })}
        >
          Change its phases
        </Button>
      )}
      {findStep(syllabus, trick.id) && (
        <Button
          component={Link}
          href={hrefFor("/brief", { step: trick.id, ...(directions.length > 1 && { direction }) })}
        >
          Its brief
        </Button>
      )}
    </Box>
  );
}

/** What cannot be flown, and what breaks the local ceiling, before anything else. */
function Statements({
  flown,
  shown,
  ceilingM,
}: {
  flown: ReturnType<typeof useFlown>["flown"];
  shown: FlownTrick | null;
  ceilingM: number | null;
}) {
  const { units } = usePreferences();
  return (
    <>
      {flown?.kind === "refused" && (
        <Alert severity="error" sx={{ mb: 1 }}>
          <b>This cannot be flown:</b> {flown.why}.
        </Alert>
      )}
      {shown?.problem && (
        <Alert severity="error" sx={{ mb: 1 }}>
          <b>It does not go like this:</b> {shown.problem}.
        </Alert>
      )}
      {shown && shown.overCeilingM !== null && (
        <Alert severity="error" sx={{ mb: 1 }}>
          <b>
            Its highest point, {quantityText(shown.flight.measures.peakM, "length", units)}, breaks the local ceiling of{" "}
            {quantityText(ceilingM, "length", units)} by {quantityText(shown.overCeilingM, "length", units)}.
          </b>{" "}
          Do not fly it here. Local rules come before anything this program says.
        </Alert>
      )}
    </>
  );
}

function OtherControl(props: {
  ways: readonly Way[];
  variantId: string;
  direction: string;
  setups: readonly Setup[];
  value: string;
  kept: boolean;
  onChange: (value: string) => void;
  onKeep: () => void;
}) {
  const { ways, variantId, direction, setups, value, kept, onChange, onKeep } = props;
  const variant = ways.find(({ id }) => id === variantId)!;
  const choices = [
    ...(kept ? [{ key: "kept:now", name: "the one kept" }] : []),
    ...setups.slice(1).map(({ id, number }) => ({ key: `setup:${id}`, name: `setup ${number}` })),
    ...ways.filter(({ id }) => id !== variantId).map(({ id, name }) => ({ key: `variant:${id}`, name })),
    ...Object.keys(variant.recipes)
      .filter((id) => id !== direction)
      .map((id) => ({ key: `direction:${id}`, name: directionWords[id] })),
  ];
  return (
    <Box sx={{ mt: 1.5 }}>
      <Typography variant="h2">Beside it</Typography>
      <TextField
        select
        fullWidth
        size="small"
        margin="dense"
        label="Also flown, dashed"
        value={choices.some(({ key }) => key === value) ? value : "none"}
        onChange={(event) => onChange(event.target.value)}
      >
        <MenuItem value="none">nothing</MenuItem>
        {choices.map(({ key, name }) => (
          <MenuItem key={key} value={key}>
            {name}
          </MenuItem>
        ))}
      </TextField>
      <Button size="small" onClick={onKeep}>
        Keep this one, and change it
      </Button>
    </Box>
  );
}

const FlightViews = memo(function FlightViews(props: {
  trick: FlownTrick;
  settings: Settings;
  pilot: Pilot;
  looksAt: Trick["looksAt"];
  aircraftName: string;
  ceilingM: number | null;
  ghost: { readonly trick: FlownTrick; readonly settings: Settings } | null;
}) {
  const { trick, settings, pilot, looksAt, aircraftName, ceilingM, ghost } = props;
  const { flight, recipe, wayOut } = trick;
  const { trace, measures, obstacles } = flight;
  const { units } = usePreferences();
  const [speed, setSpeed] = useState<number>(1);
  const [turning, setTurning] = useState(false);
  const player = usePlayer(measures.durationS, speed);
  const { cursorS, setCursorS, keys } = player;
  const travels = travelsFar(trace);
  const [chosenOver, setOver] = useState<"way" | "time" | null>(null);
  const over = chosenOver ?? (travels ? "way" : "time");
  const instructions = useMemo(
    () => instructionsFor({ recipe, flight, stickMode: pilot.stickMode }),
    [recipe, flight, pilot.stickMode],
  );
  const cursor = cursorS === null ? null : indexAt(trace, cursorS);
  const screenKeys = useMemo(
    () => [
      ...keys,
      {
        key: "s",
        label: "Slower, faster",
        run: () => setSpeed((now) => speeds[(speeds.indexOf(now as 1) + 1) % speeds.length]),
      },
      { key: "t", label: "Side view over way or time", run: () => setOver(over === "way" ? "time" : "way") },
    ],
    [keys, over],
  );
  useKeys(screenKeys);
  const compared = ghost ? comparedInWords({ trick, settings }, ghost, looksAt, units) : null;
  const now = cursor ?? 0;
  const attitude = { w: trace.qw[now], x: trace.qx[now], y: trace.qy[now], z: trace.qz[now] };
  const camera = { tiltDeg: settings.tiltDeg, ...settings.camera };
  const here = { x: trace.northM[now], y: trace.eastM[now], z: -trace.heightM[now] };
  const lines = obstacles.flatMap((one) =>
    edgesOf(one).flatMap(([a, b]) => {
      const seen = segmentInFrame(here, attitude, camera, a, b);
      return seen ? [seen] : [];
    }),
  );
  const current = instructions.filter((one) => one.startS <= trace.timeS[now]).at(-1);
  const pick = (sample: number) => setCursorS(trace.timeS[Math.max(0, Math.min(trace.timeS.length - 1, sample))]);
  return (
    <Box sx={{ minWidth: 0 }}>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,1fr) 290px" },
          columnGap: 3,
          rowGap: 1.5,
        }}
      >
        <Box sx={{ minWidth: 0 }}>
          <Box sx={{ display: "flex", alignItems: "baseline", gap: 1 }}>
            <Typography variant="h2">From the side</Typography>
            <Button size="small" sx={{ minHeight: 26 }} onClick={() => setOver(over === "way" ? "time" : "way")}>
              {over === "way" ? "over time" : "over the way"}
            </Button>
          </Box>
          {over === "way" ? (
            <PathView
              plane="side"
              trace={trace}
              obstacles={obstacles}
              ghost={ghost?.trick.flight.trace ?? null}
              cursor={cursor}
              everyS={GLYPH_EVERY_S}
              wayOut={wayOut}
              ceilingM={ceilingM}
              width={520}
              height={230}
            />
          ) : (
            <Box sx={{ maxWidth: 520, mx: "auto" }}>
              <SideView trace={trace} phases={instructions} level={null} cursor={cursor} everyS={GLYPH_EVERY_S} />
            </Box>
          )}
          <HorizonRibbon
            trace={trace}
            tiltDeg={settings.tiltDeg}
            lens={settings.camera}
            cursor={cursor}
            notches={instructions.map(({ startS }) => indexAt(trace, startS))}
            onPick={pick}
          />
          <Phases
            instructions={instructions}
            durationS={measures.durationS}
            current={current?.number ?? null}
            onPick={setCursorS}
          />
          <PlayerBar player={player} durationS={measures.durationS}>
            <ToggleButtonGroup
              exclusive
              size="small"
              value={speed}
              aria-label="Speed of play"
              onChange={(_, next) => next && setSpeed(next)}
            >
              {speeds.map((one) => (
                <ToggleButton key={one} value={one} sx={{ px: 1 }}>
                  {one === 1 ? "1" : `1/${1 / one}`}
                </ToggleButton>
              ))}
            </ToggleButtonGroup>
          </PlayerBar>
        </Box>
        <Box sx={{ minWidth: 0 }}>
          <CameraView
            title={`At ${(cursorS ?? 0).toFixed(2)} s`}
            attitude={attitude}
            tiltDeg={settings.tiltDeg}
            lens={settings.camera}
            lines={lines}
          />
          <StickDials trace={trace} stickMode={pilot.stickMode} phases={instructions} cursor={cursor} />
          <Typography sx={{ minHeight: 44, fontSize: "0.9rem", mt: 0.5 }}>
            {current && (
              <>
                <b className="num">{current.number}</b> {current.text} <b className="num">{current.figure}</b>
              </>
            )}
          </Typography>
        </Box>
      </Box>
      {compared && (
        <Box sx={(theme) => ({ borderLeft: `4px dashed ${theme.tokens.slate}`, pl: 1.5, my: 1.5 })}>
          <Typography sx={{ fontWeight: 650 }}>
            The dashed one: {compared.settings.join("; ") || "same settings"}
          </Typography>
          <Typography>{compared.flight.join("; ") || "no difference that would be felt"}</Typography>
        </Box>
      )}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1fr) minmax(0,1fr)" },
          columnGap: 3,
          rowGap: 1.5,
          mt: 1,
        }}
      >
        <Box sx={{ minWidth: 0 }}>
          <Measured trick={trick} looksAt={looksAt} aircraftName={aircraftName} />
          {trick.bySpeed && <SpeedMargins margins={trick.bySpeed} />}
        </Box>
        <Box sx={{ minWidth: 0 }}>
          <Typography variant="h2">From above</Typography>
          <PathView
            plane="above"
            trace={trace}
            obstacles={obstacles}
            ghost={ghost?.trick.flight.trace ?? null}
            cursor={cursor}
            everyS={GLYPH_EVERY_S}
            wayOut={wayOut}
            ceilingM={null}
            width={400}
            height={150}
          />
          <Box sx={{ display: "flex", alignItems: "center", justifyContent: "space-between" }}>
            <Typography variant="h2">In space</Typography>
            <FormControlLabel
              control={<Switch size="small" checked={turning} onChange={(_, on) => setTurning(on)} />}
              label="turn it"
            />
          </Box>
          <Box
            sx={(theme) => ({ height: 260, border: `1.5px solid ${theme.tokens.ink}` })}
            role="img"
            aria-label="The path in space; drag to turn it"
          >
            <WhenSeen minHeight={257}>
              <Scene
                trace={trace}
                obstacles={obstacles}
                ghost={ghost?.trick.flight.trace ?? null}
                cursor={cursor}
                turning={turning}
              />
            </WhenSeen>
          </Box>
        </Box>
      </Box>
      <Box sx={{ mt: 2 }}>
        <WhenSeen minHeight={390}>
          <FlightGraphs trace={trace} ghost={ghost?.trick.flight.trace ?? null} cursorS={cursorS} />
        </WhenSeen>
      </Box>
    </Box>
  );
});

/** How much time to react each speed of approach leaves. */
function SpeedMargins({ margins }: { margins: readonly SpeedMargin[] }) {
  const { units } = usePreferences();
  return (
    <Box sx={{ mt: 1.5 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        Speed against reaction
      </Typography>
      <PlainTable
        label="Speed against reaction"
        head={["flown at", "may react within", "last way out before it"]}
        rows={margins.map(({ speedMps, reactionS, leftM }) => [
          quantityText(speedMps, "speed", units),
          reactionS === null ? "too late already" : quantityText(reactionS, "time", units),
          leftM === null ? "–" : quantityText(leftM, "length", units),
        ])}
      />
    </Box>
  );
}

/** The phases as a strip in time; each is a button that goes to its beginning. */
function Phases(props: {
  instructions: readonly { readonly number: number; readonly startS: number; readonly text: string }[];
  durationS: number;
  current: number | null;
  onPick: (timeS: number) => void;
}) {
  const { instructions, durationS, current, onPick } = props;
  return (
    <Box sx={{ display: "flex", width: "100%", mt: 0.5 }}>
      {instructions.map(({ number, startS, text }, i) => {
        const endS = instructions[i + 1]?.startS ?? durationS;
        return (
          <Box
            component="button"
            type="button"
            key={number}
            title={text}
            aria-label={`Phase ${number}: ${text}`}
            onClick={() => onPick(startS)}
            sx={(theme) => ({
              flexGrow: Math.max(0.01, endS - startS),
              flexBasis: 24,
              minWidth: 24,
              minHeight: 26,
              px: 0.5,
              font: "inherit",
              fontSize: "0.78rem",
              textAlign: "left",
              whiteSpace: "nowrap",
              overflow: "hidden",
              cursor: "pointer",
              color: number === current ? theme.tokens.paper : theme.tokens.ink,
              bgcolor: number === current ? theme.tokens.ink : theme.tokens.depths[0],
              border: `1.5px solid ${theme.tokens.ink}`,
              borderRight: i === instructions.length - 1 ? undefined : 0,
            })}
          >
            <b className="num">{number}</b> {text}
          </Box>
        );
      })}
    </Box>
  );
}
