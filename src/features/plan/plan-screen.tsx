"use client";

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useCallback, useMemo, useState, type ReactNode } from "react";
import { v7 as newId } from "uuid";
import { places, type Place, type StartHeightInputs } from "@/core";
import type { PlannedBlock, Site } from "@/contract";
import { findStep } from "@/syllabus";
import { useSyllabusOf } from "@/ui/syllabus/use-syllabus";
import { useSend } from "@/ui/actions/use-send";
import { useHydrated } from "@/ui/hydration/use-hydrated";
import { Moment } from "@/ui/moment/moment";
import { useKeys } from "@/ui/keys/keys";
import { useAtHand } from "@/ui/shell/at-hand";
import { usePreferences } from "@/ui/theme/preferences";
import { BeforeGoggles } from "@/features/field/client";
import type { Candidate, PlanData } from "./load";
import { PlanBlocks } from "./plan-blocks";
import { PlanTurns } from "./plan-turns";
import { limitsBroken, planSession, slotsFit, slotsFor, windRefusal, type Flier, type SessionPlan } from "./planning";
import { peakTasks, siteRefusalFor } from "./site-checks";
import { dayOfPlan, startHeightsAsked, startHeightText } from "./start-heights";
import { usePeaks } from "./use-peaks";
import { frameFields, usePlanFrame } from "./use-plan-frame";
import { useStartHeights } from "./use-start-heights";

const placeNames: Readonly<Record<Place, string>> = {
  field: "field, through the camera",
  simulator: "simulator",
  "by-eye": "field, by eye",
};

/** Pilots that are drawn on the server; those of a large squad follow in the browser. */
const AT_ONCE = 12;

interface Choice {
  readonly taken: boolean;
  readonly packs: string;
  readonly setupId: string;
}

/** What the coach changed by hand; what is left out is as planned. */
interface ByHand {
  readonly blocks: Readonly<Record<string, readonly PlannedBlock[]>>;
  readonly slots: SessionPlan["slots"] | null;
}
const UNTOUCHED: ByHand = { blocks: {}, slots: null };
const NOTHING_ASKED: readonly (readonly [string, StartHeightInputs])[] = [];
const MINUTES = 90;
const PACKS = "4";
const MOST_PACKS = 50;

/** Session: who flies what and when, planned from where they stand; every choice with its reason, to be changed by hand. */
export function PlanScreen({ data }: { data: PlanData }) {
  const { pilot: atHand } = useAtHand();
  const router = useRouter();
  const hydrated = useHydrated();
  const { sendAction, pending } = useSend();
  const [id] = useState(() => newId());
  const [place, setPlace] = useState<Place>("field");
  const [choices, setChoices] = useState<Readonly<Record<string, Choice>>>(() =>
    Object.fromEntries(
      data.candidates.map((one) => [
        one.id,
        {
          taken: !data.coaches || (data.plan ? data.plan.pilotIds.includes(one.id) : one.id === atHand?.id),
          packs: PACKS,
          setupId: one.setups[0]?.id ?? "",
        },
      ]),
    ),
  );
  const taken = data.candidates.filter((one) => choices[one.id]?.taken);
  const sites = data.sites.filter(({ squadId }) => taken.length === 0 || squadId === taken[0].squadId);
  const [siteId, setSiteId] = useState(data.plan?.siteId ?? (data.sites.length === 1 ? data.sites[0].id : ""));
  const site = sites.find((known) => known.id === siteId) ?? null;
  const day = usePlanFrame(data.plan?.minutes ?? MINUTES);
  const syllabusOf = useSyllabusOf();
  const [history, setHistory] = useState<readonly ByHand[]>([UNTOUCHED]);
  const byHand = history[history.length - 1];
  const change = (part: Partial<ByHand>) =>
    setHistory((before) => [...before, { ...before[before.length - 1], ...part }]);
  const undo = useCallback(() => setHistory((before) => (before.length > 1 ? before.slice(0, -1) : before)), []);
  const keys = useMemo(
    () => [
      {
        key: "u",
        label: "Undo the last change of the plan",
        run: undo,
      },
    ],
    [undo],
  );
  useKeys(keys);

  const packsOf = (one: Candidate) => {
    const packs = Number(choices[one.id].packs);
    return Number.isInteger(packs) && packs >= 0 && packs <= MOST_PACKS ? packs : null;
  };
  const fliers = taken.map((one): Flier => ({
    one,
    packs: packsOf(one) ?? 0,
    setupId: choices[one.id].setupId,
    syllabus: syllabusOf(one.squadId),
  }));
  const outside = place !== "simulator";
  const flierOf = (one: Candidate) => fliers.find((flier) => flier.one.id === one.id)!;
  const { units } = usePreferences();
  const { plan, tasks, peaks, refused } = useChecked(day.frame, fliers, byHand, {
    outside,
    site,
  });
  const air = dayOfPlan(site, day.frame);
  const heights = useStartHeights(
    plan && outside
      ? fliers.flatMap((flier) =>
          (plan.blocks.get(flier.one.id) ?? []).flatMap(({ stepId }) =>
            stepId ? startHeightsAsked({ ...flier, stepId }, air).map(([, inputs, key]) => [key, inputs] as const) : [],
          ),
        )
      : NOTHING_ASKED,
  );
  const known = taken.every((one) => packsOf(one) !== null);
  const broken = plan && day.frame ? limitsBroken(fliers, plan, day.frame) : [];
  const start = async (prepared: boolean) => {
    if (!plan) return;
    const pilots = taken.map((one) => {
      const blocks = plan.blocks.get(one.id) ?? [];
      const main = blocks.find(({ kind, stepId }) => kind === "main" && stepId) ?? blocks.find(({ stepId }) => stepId);
      const flown = one.setups.find(({ id }) => id === choices[one.id].setupId);
      return {
        pilotId: one.id,
        stepId: main?.stepId ?? one.currentStepId,
        setupId: flown?.setupId ?? null,
        loadId: flown?.loadId ?? null,
        plan: { blocks, turns: plan.slots.flatMap((slot, i) => (slot.includes(one.id) ? [i] : [])) },
      };
    });
    const result = await sendAction("start-session", {
      id,
      place,
      siteId: site?.id ?? null,
      temperatureC: day.frame?.temperatureC ?? null,
      windMps: day.frame?.windKnown ? day.frame.windMps : null,
      prepared,
      pilots,
    });
    if (result.ok) router.push(`/session/${id}`);
  };
  if (data.candidates.length === 0) {
    return (
      <Box sx={{ maxWidth: 560 }}>
        <Typography variant="h1">Session</Typography>
        <Typography sx={{ my: 2 }}>A session needs pilots. Add the first one on the squad screen.</Typography>
        <Button variant="contained" component={Link} href="/squad">
          To the squad
        </Button>
      </Box>
    );
  }
  const flown = peaks.size === tasks.length;
  const ready = taken.length > 0 && plan !== null && known && flown && refused.length === 0 && broken.length === 0;
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,2fr) minmax(0,1fr)" },
        gap: 4,
      }}
    >
      <section aria-labelledby="start">
        <Typography variant="h1" id="start" sx={{ mb: 1.5 }}>
          {data.coaches ? "Plan a session" : "Practise alone"}
        </Typography>
        {!data.coaches && (
          <Typography sx={{ mb: 2 }}>
            Log each attempt as it was. It counts as evidence, marked as logged by you; your coach signs steps off.
          </Typography>
        )}
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, rowGap: 1.5, mb: 2 }}>
          <TextField
            select
            size="small"
            label="Where"
            value={place}
            onChange={(event) => setPlace(event.target.value as Place)}
            sx={{ minWidth: 190 }}
          >
            {places.map((one) => (
              <MenuItem key={one} value={one}>
                {placeNames[one]}
              </MenuItem>
            ))}
          </TextField>
          {sites.length > 0 && (
            <TextField
              select
              size="small"
              label="Site"
              value={site?.id ?? ""}
              onChange={(event) => setSiteId(event.target.value)}
              slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
              sx={{ minWidth: 170 }}
            >
              <MenuItem value="">not said</MenuItem>
              {sites.map((one) => (
                <MenuItem key={one.id} value={one.id}>
                  {one.name}
                </MenuItem>
              ))}
            </TextField>
          )}
          {frameFields.map(({ name, label }) => (
            <TextField
              key={name}
              size="small"
              label={label}
              value={day.typed[name]}
              error={Boolean(day.errors[name])}
              helperText={day.errors[name]}
              onChange={(event) => day.set(name, event.target.value)}
              slotProps={{ htmlInput: { inputMode: "decimal", maxLength: 6 }, inputLabel: { shrink: true } }}
              sx={{ width: 106 }}
            />
          ))}
        </Box>
        {(hydrated ? data.candidates : data.candidates.slice(0, AT_ONCE)).map((one) => (
          <CandidateRow
            key={one.id}
            one={one}
            choice={choices[one.id]}
            packsWrong={packsOf(one) === null}
            onChange={(part) => setChoices((all) => ({ ...all, [one.id]: { ...all[one.id], ...part } }))}
          >
            {choices[one.id].taken && plan && day.frame && (
              <PlanBlocks
                one={one}
                syllabus={syllabusOf(one.squadId)}
                blocks={plan.blocks.get(one.id) ?? []}
                left={plan.left.flatMap(({ pilotId, text }) => (pilotId === one.id ? [text] : []))}
                packMin={day.frame.packMin}
                startHeight={(stepId) => startHeightText({ ...flierOf(one), stepId }, air, heights.known, units)}
                onChange={(blocks) => change({ blocks: { ...byHand.blocks, [one.id]: blocks } })}
              />
            )}
          </CandidateRow>
        ))}
        {[
          ["Not here today:", refused, "Choose another step, aircraft or site."] as const,
          ["Beyond the limits:", broken, "Take something out, or change the limit above."] as const,
        ].map(
          ([title, lines, way]) =>
            lines.length > 0 && (
              <Alert key={title} severity="error" sx={{ mt: 2 }}>
                {title}
                {lines.map((line) => (
                  <div key={line}>{line}</div>
                ))}
                {way}
              </Alert>
            ),
        )}
        {outside && data.coaches && heights.missing > 0 && (
          <Box sx={{ display: "flex", alignItems: "center", gap: 1.5, mt: 1 }} role="status">
            {heights.working ? (
              <span>
                Working out minimum start heights, <span className="num">{heights.working.done}</span> of{" "}
                <span className="num">{heights.working.of}</span>
              </span>
            ) : (
              <>
                <span>
                  <span className="num">{heights.missing}</span> minimum start{" "}
                  {heights.missing === 1 ? "height is" : "heights are"} not worked out yet.
                </span>
                <Button size="small" variant="outlined" onClick={heights.workOutMissing}>
                  Work {heights.missing === 1 ? "it" : "them"} out
                </Button>
              </>
            )}
            {heights.why && <Box sx={{ color: "error.main" }}>{heights.why}</Box>}
          </Box>
        )}
        {!flown && (
          <Typography role="status" sx={{ mt: 1, color: "text.secondary" }}>
            Flying the tricks in the model for their highest point, <span className="num">{peaks.size}</span> of{" "}
            <span className="num">{tasks.length}</span>
          </Typography>
        )}
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, mt: 2.5, alignItems: "center" }}>
          <Button variant="contained" size="large" disabled={!ready || pending} onClick={() => start(false)}>
            {taken.length === 0
              ? "Choose who flies"
              : `Start with ${taken.length === 1 ? taken[0].name : `${taken.length} pilots`}`}
          </Button>
          <Button variant="outlined" size="large" disabled={!ready || pending} onClick={() => start(true)}>
            Prepare it for later
          </Button>
          {history.length > 1 && (
            <>
              <Button onClick={undo}>Undo</Button>
              <Button onClick={() => change(UNTOUCHED)}>Plan afresh</Button>
            </>
          )}
        </Box>
      </section>
      <div>
        {plan && day.frame && plan.slots.length > 0 && (
          <PlanTurns
            slots={plan.slots}
            names={new Map(taken.map((one) => [one.id, one.name]))}
            frame={day.frame}
            onChange={(slots) => change({ slots })}
          />
        )}
        <BeforeGoggles site={site} checkFirst={taken.flatMap((one) => one.checkFirst)} />
        <RecentSessions recent={data.recent} />
      </div>
    </Box>
  );
}

/** The plan as it stands, and what the site and its height limit refuse of it. What is refused is planned round. */
function useChecked(
  frame: ReturnType<typeof usePlanFrame>["frame"],
  fliers: readonly Flier[],
  byHand: ByHand,
  {
    outside,
    site,
  }: {
    outside: boolean;
    site: Site | null;
  },
) {
  // Only what is offered is flown in the model for its highest point; what was chosen by hand, too.
  const stepsOf = (flier: Flier) => [
    ...new Set([
      ...flier.one.offers.flatMap(({ stepId }) => stepId ?? []),
      ...(byHand.blocks[flier.one.id] ?? []).flatMap(({ stepId }) => stepId ?? []),
    ]),
  ];
  const tasks = outside
    ? peakTasks(
        fliers.flatMap((flier) => stepsOf(flier).map((stepId) => ({ ...flier, stepId }))),
        site,
        dayOfPlan(site, frame),
      )
    : [];
  const peaks = usePeaks(tasks);
  const refusal = (flier: Flier, stepId: string, isNew: boolean): string | null => {
    if (!outside) return null;
    const step = findStep(flier.syllabus, stepId);
    if (!step) return null;
    if (flier.one.simulatorFirst.includes(stepId))
      return `${step.name} is flown in the simulator first: the school asks for the mark to be met there.`;
    return (
      siteRefusalFor({ ...flier, stepId }, site, peaks) ??
      (frame && windRefusal(flier, step.name, isNew, frame, site?.elevationM ?? 0))
    );
  };
  if (!frame) return { plan: null, tasks, peaks, refused: [] };
  const proposed = planSession(fliers, frame, (flier, { stepId, isNew }) =>
    stepId ? refusal(flier, stepId, isNew) : null,
  );
  const blocks = new Map([...proposed.blocks].map(([id, own]) => [id, byHand.blocks[id] ?? own]));
  const plan: SessionPlan = {
    blocks,
    left: proposed.left,
    slots:
      byHand.slots && slotsFit(byHand.slots, fliers, blocks, frame) ? byHand.slots : slotsFor(fliers, blocks, frame),
  };
  const refused = fliers.flatMap((flier) =>
    (byHand.blocks[flier.one.id] ?? []).flatMap(({ stepId }) => {
      const why = stepId && refusal(flier, stepId, !flier.one.known.includes(stepId));
      return why ? [`${flier.one.name}: ${why}`] : [];
    }),
  );
  return { plan, tasks, peaks, refused: [...new Set(refused)] };
}

function RecentSessions({ recent }: Pick<PlanData, "recent">) {
  return (
    <section aria-labelledby="recent">
      <Typography variant="h2" id="recent" sx={{ mt: 3, mb: 1 }}>
        Recent sessions
      </Typography>
      {recent.length === 0 && <Typography color="text.secondary">None yet.</Typography>}
      {recent.map(({ session, coachName, pilotNames, attempts }) => (
        <Box key={session.id} sx={(theme) => ({ py: 1, borderTop: `1.5px solid ${theme.tokens.rule}` })}>
          <Box component={Link} href={`/session/${session.id}`} sx={{ fontWeight: 650 }}>
            <Moment atMs={session.startedAtMs} show="both" />
          </Box>
          {session.endedAtMs === null && (
            <Box component="span" sx={(theme) => ({ ml: 1, color: theme.tokens.ochreText, fontWeight: 650 })}>
              {session.begun ? "▲ still open" : "▲ prepared"}
            </Box>
          )}
          <Box sx={{ fontSize: "0.88rem" }}>{pilotNames.join(", ")}</Box>
          <Box sx={{ fontSize: "0.85rem", color: "text.secondary" }}>
            <span className="num">{attempts}</span> attempts · {placeNames[session.place]} · {coachName}
          </Box>
          {!session.begun && <DropPrepared sessionId={session.id} />}
        </Box>
      ))}
    </section>
  );
}

function DropPrepared({ sessionId }: { sessionId: string }) {
  const router = useRouter();
  const { sendAction, pending } = useSend();
  return (
    <Button
      size="small"
      disabled={pending}
      onClick={async () => {
        if ((await sendAction("drop-session", { id: sessionId })).ok) router.refresh();
      }}
    >
      Let go of it
    </Button>
  );
}

function CandidateRow({
  one,
  choice,
  packsWrong,
  onChange,
  children,
}: {
  one: Candidate;
  choice: Choice;
  packsWrong: boolean;
  onChange: (part: Partial<Choice>) => void;
  children: ReactNode;
}) {
  return (
    <Box
      sx={(theme) => ({
        display: "grid",
        gridTemplateColumns: { xs: "44px 1fr", md: "44px minmax(120px,1.4fr) minmax(180px,1.4fr) 90px" },
        columnGap: 1.5,
        rowGap: 0.5,
        alignItems: "center",
        py: 0.6,
        borderTop: `1.5px solid ${theme.tokens.rule}`,
      })}
    >
      <Checkbox
        checked={choice.taken}
        onChange={(_, taken) => onChange({ taken })}
        slotProps={{ input: { "aria-label": `${one.name} flies` } }}
      />
      <span>
        <b>{one.name}</b>
        {one.squadName && (
          <Box component="span" sx={{ display: "block", fontSize: "0.82rem", color: "text.secondary" }}>
            {one.squadName}
          </Box>
        )}
      </span>
      {!choice.taken ? (
        <span />
      ) : one.setups.length > 0 ? (
        <TextField
          select
          size="small"
          label="With"
          value={choice.setupId}
          onChange={(event) => onChange({ setupId: event.target.value })}
          sx={{ gridColumn: { xs: "2", md: "auto" } }}
        >
          {one.setups.map((setup) => (
            <MenuItem key={setup.id} value={setup.id}>
              {setup.name}
            </MenuItem>
          ))}
        </TextField>
      ) : (
        <Box component="span" sx={{ color: "text.secondary", fontSize: "0.9rem", gridColumn: { xs: "2", md: "auto" } }}>
          no setup yet: attempts count, without one
        </Box>
      )}
      {choice.taken && (
        <TextField
          size="small"
          label="Packs"
          value={choice.packs}
          error={packsWrong}
          helperText={packsWrong ? `0 to ${MOST_PACKS}` : undefined}
          onChange={(event) => onChange({ packs: event.target.value })}
          slotProps={{ htmlInput: { inputMode: "numeric", maxLength: 3, "aria-label": `Packs of ${one.name}` } }}
          sx={{ gridColumn: { xs: "2", md: "auto" } }}
        />
      )}
      {children}
    </Box>
  );
}
