"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { outcomes } from "@/core";
import { directionNames, findStep, stepName } from "@/syllabus";
import { DateField } from "@/ui/forms/date-field";
import { Box } from "@/ui/layout/box";
import { OutcomeMark, RateBar } from "@/ui/marks/marks";
import { Moment } from "@/ui/moment/moment";
import { useAtHand } from "@/ui/shell/at-hand";
import { useListener } from "@/ui/units/listener";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { adviceWords, evidenceWords, percent, percentRange } from "@/words";
import type { Season } from "./load";
import { SeasonPicture } from "./season-picture";

/** A pilot's season: what was flown, with counts and intervals, what was signed off and changed, and where they stand. */
export function SeasonScreen({ season }: { season: Season }) {
  const { pilot, figures, milestones, setups, current, since } = season;
  const syllabus = useSyllabus();
  const listener = useListener();
  const router = useRouter();
  const { hrefFor } = useAtHand();
  const file = (name: string) => `/reports/${pilot.id}/${name}?since=${since}`;
  const name = (id: string) => stepName(syllabus, id);
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 2, rowGap: 1, mb: 1.5 }}>
        <Typography variant="h1">Season of {pilot.name}</Typography>
        <Since key={since} since={since} onSince={(day) => router.replace(hrefFor("/season", { since: day }))} />
        <Box sx={{ flex: 1 }} />
        <Button component="a" href={file("season.pdf")} download>
          Export PDF
        </Button>
        <Button component="a" href={file("season.csv")} download>
          Export CSV
        </Button>
      </Box>
      <Typography>
        <b className="num">{figures.attempts}</b> attempts on <b className="num">{figures.daysFlown}</b> days,{" "}
        <b className="num">{milestones.length}</b> steps signed off, <b className="num">{setups.length}</b> setups
        saved.
      </Typography>
      {figures.gaps.map(({ fromMs, days }) => (
        <Typography key={fromMs} sx={(theme) => ({ color: theme.tokens.ochreText, fontWeight: 600 })}>
          ▲ No flight for <span className="num">{days}</span> days from <Moment atMs={fromMs} />.
        </Typography>
      ))}
      <Typography sx={{ mt: 1, fontWeight: 600 }}>
        {current
          ? `${name(current.stepId)}. ${adviceWords(current.advice, current.stepId, syllabus, listener)}`
          : "Every step of the way is signed off."}
      </Typography>
      <SeasonPicture season={season} stages={syllabus.stages} />
      <Typography variant="h2" sx={{ mt: 3 }}>
        Flown
      </Typography>
      {figures.lines.length === 0 && <Typography>Nothing in this time. Choose an earlier day.</Typography>}
      {figures.lines.map((line) => (
        <FlownLine key={`${line.stepId} ${line.direction}`} line={line} />
      ))}
      <Typography sx={{ fontSize: "0.85rem", color: "text.secondary", mt: 0.5 }}>
        Bar: clean share with its 90&#8239;% Wilson interval; then the earlier and the later half of the attempts.
      </Typography>
      <Typography variant="h2" sx={{ mt: 3 }}>
        Signed off
      </Typography>
      {milestones.length === 0 && <Typography>Nothing in this time.</Typography>}
      {milestones.map((one) => (
        <Box key={one.id} sx={(theme) => ({ py: 0.5, borderTop: `1px solid ${theme.tokens.rule}` })}>
          <b>{name(one.stepId)}</b> <Moment atMs={one.signedAtMs} />, {one.coachName}.{" "}
          {evidenceWords(one.evidence, one.stepId, syllabus, listener)}
        </Box>
      ))}
      {setups.length > 0 && (
        <Typography variant="h2" sx={{ mt: 3 }}>
          Setups
        </Typography>
      )}
      {setups.map((one) => (
        <Box key={one.id} sx={(theme) => ({ py: 0.5, borderTop: `1px solid ${theme.tokens.rule}` })}>
          {one.aircraftName}, setup <b className="num">{one.number}</b>, <Moment atMs={one.createdAtMs} />,{" "}
          {one.coachName}: {one.reason}
        </Box>
      ))}
    </>
  );
}

/** One step in one direction: counts, the clean share with its interval, and its two halves. */
function FlownLine({ line }: { line: Season["figures"]["lines"][number] }) {
  const syllabus = useSyllabus();
  const step = findStep(syllabus, line.stepId);
  return (
    <Box
      sx={(theme) => ({
        display: "grid",
        gridTemplateColumns: {
          xs: "1fr 60px",
          md: "minmax(220px,1.4fr) 90px minmax(120px,1fr) 100px 130px 150px",
        },
        columnGap: 2,
        alignItems: "center",
        py: 0.5,
        borderTop: `1px solid ${theme.tokens.rule}`,
      })}
    >
      <span>
        {stepName(syllabus, line.stepId)}
        {step && step.directions.length > 1 && `, ${directionNames(step)[line.direction] ?? line.direction}`}
      </span>
      <span>
        <b className="num">{line.counts.clean}</b> of <span className="num">{line.attempts}</span>
      </span>
      <RateBar mean={line.counts.clean / line.attempts} low={line.low} high={line.high} mark={0.75} />
      <span className="num">{percentRange(line)}</span>
      <Box component="span" sx={{ fontSize: "0.88rem" }}>
        {line.halves && (
          <>
            <span className="num">{Math.round(100 * line.halves[0])}</span> then{" "}
            <span className="num">{percent(line.halves[1])}</span>
          </>
        )}
      </Box>
      <span>
        {outcomes
          .filter((outcome) => outcome !== "clean" && line.counts[outcome] > 0)
          .map((outcome) => (
            <Box component="span" key={outcome} sx={{ mr: 1, whiteSpace: "nowrap" }}>
              <OutcomeMark outcome={outcome} size={12} /> <span className="num">{line.counts[outcome]}</span>
            </Box>
          ))}
      </span>
    </Box>
  );
}

/** The day the season is counted from: once it was picked, or typed and left. */
function Since({ since, onSince }: { since: string; onSince: (day: string) => void }) {
  const [day, setDay] = useState(since);
  return (
    <Box onBlur={() => day !== "" && day !== since && onSince(day)}>
      <DateField size="small" label="Since" value={day} onChange={setDay} />
    </Box>
  );
}
