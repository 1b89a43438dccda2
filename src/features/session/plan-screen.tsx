"use client";

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import ListSubheader from "@mui/material/ListSubheader";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { v7 as newId } from "uuid";
import { places, type Place } from "@/core";
import { useSyllabusOf } from "@/ui/syllabus/use-syllabus";
import { useSend } from "@/ui/actions/use-send";
import { useHydrated } from "@/ui/hydration/use-hydrated";
import { Moment } from "@/ui/moment/moment";
import { useAtHand } from "@/ui/shell/at-hand";
import { BeforeGoggles } from "./before-goggles";
import type { Candidate, PlanData } from "./load";
import { peakTasks, siteRefusals, type Flying } from "./site-checks";
import { usePeaks } from "./use-peaks";

const placeNames: Readonly<Record<Place, string>> = {
  field: "field, through the camera",
  simulator: "simulator",
  "by-eye": "field, by eye",
};

/** Pilots that are drawn on the server; those of a large squad follow in the browser. */
const AT_ONCE = 12;

interface Choice {
  readonly taken: boolean;
  readonly stepId: string;
  readonly setupId: string;
}

/** Session: choose who flies what and start the tally; recent sessions beside it. */
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
          stepId: one.currentStepId,
          setupId: one.setups[0]?.id ?? "",
        },
      ]),
    ),
  );
  const taken = data.candidates.filter((one) => choices[one.id]?.taken);
  const sites = data.sites.filter(({ squadId }) => taken.length === 0 || squadId === taken[0].squadId);
  const [siteId, setSiteId] = useState(data.plan?.siteId ?? (data.sites.length === 1 ? data.sites[0].id : ""));
  const site = sites.find((known) => known.id === siteId) ?? null;
  const syllabusOf = useSyllabusOf();
  const flying = taken.map((one): Flying => ({
    one,
    stepId: choices[one.id].stepId,
    setupId: choices[one.id].setupId,
    syllabus: syllabusOf(one.squadId),
  }));
  const tasks = place === "simulator" ? [] : peakTasks(flying, site);
  const peaks = usePeaks(tasks);
  const refused = place === "simulator" ? [] : siteRefusals(flying, site, peaks);
  const start = async () => {
    const pilots = taken.map((one) => ({
      pilotId: one.id,
      stepId: choices[one.id].stepId,
      setupId: choices[one.id].setupId || null,
    }));
    const result = await sendAction("start-session", { id, place, siteId: site?.id ?? null, pilots });
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
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,1.7fr) minmax(0,1fr)" },
        gap: 4,
      }}
    >
      <section aria-labelledby="start">
        <Typography variant="h1" id="start" sx={{ mb: 2 }}>
          {data.coaches ? "Start a session" : "Practise alone"}
        </Typography>
        {!data.coaches && (
          <Typography sx={{ mb: 2 }}>
            Log each attempt as it was. It counts as evidence, marked as logged by you; your coach signs steps off.
          </Typography>
        )}
        {(hydrated ? data.candidates : data.candidates.slice(0, AT_ONCE)).map((one) => (
          <CandidateRow
            key={one.id}
            one={one}
            choice={choices[one.id]}
            onChange={(change) => setChoices((all) => ({ ...all, [one.id]: { ...all[one.id], ...change } }))}
          />
        ))}
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, mt: 2.5, alignItems: "center" }}>
          <TextField
            select
            size="small"
            label="Where"
            value={place}
            onChange={(event) => setPlace(event.target.value as Place)}
            sx={{ minWidth: 230 }}
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
              sx={{ minWidth: 200 }}
            >
              <MenuItem value="">not said</MenuItem>
              {sites.map((known) => (
                <MenuItem key={known.id} value={known.id}>
                  {known.name}
                </MenuItem>
              ))}
            </TextField>
          )}
          <Button
            variant="contained"
            size="large"
            disabled={taken.length === 0 || refused.length > 0 || pending}
            onClick={start}
          >
            {taken.length === 0
              ? "Choose who flies"
              : `Start with ${taken.length === 1 ? taken[0].name : `${taken.length} pilots`}`}
          </Button>
        </Box>
        {refused.length > 0 && (
          <Alert severity="error" sx={{ mt: 2 }}>
            Not at this site:
            {refused.map((line) => (
              <div key={line}>{line}</div>
            ))}
            Choose another step, aircraft or site.
          </Alert>
        )}
        {tasks.some(({ key }) => !peaks.has(key)) && (
          <Typography role="status" sx={{ mt: 1, color: "text.secondary" }}>
            Flying the tricks in the model for their highest point
          </Typography>
        )}
        {place !== "simulator" &&
          taken
            .filter((one) => one.simulatorFirst.includes(choices[one.id].stepId))
            .map((one) => (
              <Alert key={one.id} severity="warning" sx={{ mt: 2 }}>
                {one.name} is to fly this step in the simulator first: the school asks for the mark to be met there.
              </Alert>
            ))}
        <BeforeGoggles site={site} checkFirst={taken.flatMap((one) => one.checkFirst)} />
      </section>
      <section aria-labelledby="recent">
        <Typography variant="h2" id="recent" sx={{ mb: 1 }}>
          Recent sessions
        </Typography>
        {data.recent.length === 0 && <Typography color="text.secondary">None yet.</Typography>}
        {data.recent.map(({ session, coachName, pilotNames, attempts }) => (
          <Box key={session.id} sx={(theme) => ({ py: 1, borderTop: `1.5px solid ${theme.tokens.rule}` })}>
            <Box component={Link} href={`/session/${session.id}`} sx={{ fontWeight: 650 }}>
              <Moment atMs={session.startedAtMs} show="both" />
            </Box>
            {session.endedAtMs === null && (
              <Box component="span" sx={(theme) => ({ ml: 1, color: theme.tokens.ochreText, fontWeight: 650 })}>
                ▲ still open
              </Box>
            )}
            <Box sx={{ fontSize: "0.88rem" }}>{pilotNames.join(", ")}</Box>
            <Box sx={{ fontSize: "0.85rem", color: "text.secondary" }}>
              <span className="num">{attempts}</span> attempts · {placeNames[session.place]} · {coachName}
            </Box>
          </Box>
        ))}
      </section>
    </Box>
  );
}

function CandidateRow({
  one,
  choice,
  onChange,
}: {
  one: Candidate;
  choice: Choice;
  onChange: (change: Partial<Choice>) => void;
}) {
  const { skills } = useSyllabusOf()(one.squadId);
  return (
    <Box
      sx={(theme) => ({
        display: "grid",
        gridTemplateColumns: { xs: "44px 1fr", md: "44px minmax(120px,1fr) minmax(180px,1.2fr) minmax(180px,1.2fr)" },
        gap: 1.5,
        alignItems: "center",
        py: 1,
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
      <TextField
        select
        size="small"
        label="Step"
        value={choice.stepId}
        onChange={(event) => onChange({ stepId: event.target.value })}
        sx={{ gridColumn: { xs: "2", md: "auto" } }}
      >
        {skills.flatMap((skill) => [
          <ListSubheader key={skill.id}>{skill.name}</ListSubheader>,
          ...skill.steps.map((step) => (
            <MenuItem key={step.id} value={step.id}>
              {step.name}
              {step.id === one.currentStepId && " (due)"}
            </MenuItem>
          )),
        ])}
      </TextField>
      {one.setups.length > 0 ? (
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
    </Box>
  );
}
