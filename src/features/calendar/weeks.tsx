"use client";

import { useTheme, type Theme } from "@mui/material/styles";
import { addDays, addWeeks, differenceInCalendarWeeks, format, isSameDay, startOfDay, startOfWeek } from "date-fns";
import { stepName } from "@/syllabus";
import { Link } from "@/ui/actions/link";
import { useHydrated } from "@/ui/hydration/use-hydrated";
import { Box } from "@/ui/layout/box";
import { useSyllabusOf } from "@/ui/syllabus/use-syllabus";
import { visuallyHidden } from "@/ui/layout/visually-hidden";
import { counted } from "@/words";
import type { CalendarData } from "./load";

/** Weeks before this one, and at the most in all. Ours. */
const WEEKS_BACK = 7;
const MOST_WEEKS = 18;
const MONDAY = { weekStartsOn: 1 } as const;
const dayNames = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];

/** The weeks round today by the device's clocks: flown and planned sessions, target dates, and the days of a gap hatched. */
export function Weeks({ data }: { data: CalendarData }) {
  const inBrowser = useHydrated();
  // A server does not know the clocks of the device.
  return inBrowser ? (
    <WeekTable data={data} />
  ) : (
    <Box sx={{ minHeight: HEAD_PX + WEEK_PX * weeksShown(data).length }} />
  );
}

/** About as high as the head of the table with what stands below it, and a week. */
const HEAD_PX = 42;
const WEEK_PX = 45;

/** The Mondays shown. */
function weeksShown(data: CalendarData): readonly Date[] {
  const thisWeek = startOfWeek(startOfDay(data.nowMs), MONDAY);
  const lastMs = Math.max(
    addWeeks(thisWeek, 1).getTime(),
    ...data.planned.map(({ startsAtMs }) => startsAtMs),
    ...data.targets.map(({ dueAtMs }) => dueAtMs),
  );
  const firstMs = Math.min(data.nowMs, ...data.past.map(({ startedAtMs }) => startedAtMs));
  const back = Math.min(WEEKS_BACK, differenceInCalendarWeeks(thisWeek, firstMs, MONDAY));
  const ahead = differenceInCalendarWeeks(lastMs, thisWeek, MONDAY);
  return Array.from({ length: Math.min(MOST_WEEKS, back + ahead + 1) }, (_, i) => addWeeks(thisWeek, i - back));
}

function WeekTable({ data }: { data: CalendarData }) {
  const { tokens } = useTheme();
  const today = startOfDay(data.nowMs);
  const weeks = weeksShown(data);
  return (
    <Box
      component="table"
      aria-label="Weeks"
      sx={{ width: "100%", borderCollapse: "collapse", tableLayout: "fixed", mb: 2.5, fontSize: "0.8rem" }}
    >
      <thead>
        <tr>
          <Box component="th" scope="col" sx={{ width: { xs: 44, md: 74 }, textAlign: "left", fontWeight: 400 }}>
            Week
          </Box>
          {dayNames.map((name) => (
            <Box component="th" scope="col" key={name} sx={{ textAlign: "left", fontWeight: 600, pl: 1 }}>
              {name}
            </Box>
          ))}
        </tr>
      </thead>
      <tbody>
        {weeks.map((monday) => (
          <tr key={monday.getTime()}>
            <Box component="th" scope="row" sx={{ textAlign: "left", fontWeight: 400, verticalAlign: "top", pt: 0.5 }}>
              {format(monday, "d MMM")}
            </Box>
            {dayNames.map((name, i) => {
              const day = addDays(monday, i);
              return <Day key={name} day={day} data={data} isToday={isSameDay(day, today)} tokens={tokens} />;
            })}
          </tr>
        ))}
      </tbody>
    </Box>
  );
}

function Day(props: { day: Date; data: CalendarData; isToday: boolean; tokens: Theme["tokens"] }) {
  const { day, data, isToday, tokens } = props;
  const syllabusOf = useSyllabusOf();
  const on = (atMs: number) => isSameDay(atMs, day);
  const past = data.past.filter(({ startedAtMs }) => on(startedAtMs)).reverse();
  const planned = data.planned.filter(({ startsAtMs }) => on(startsAtMs));
  const targets = data.targets.filter(({ dueAtMs }) => on(dueAtMs));
  const noon = day.getTime() + 12 * 3_600_000;
  const inGap = data.gaps.some(({ fromMs, toMs }) => noon > fromMs && noon < toMs && !on(fromMs) && !on(toMs));
  return (
    <Box
      component="td"
      aria-current={isToday ? "date" : undefined}
      sx={{
        height: 40,
        verticalAlign: "top",
        p: 0.5,
        pl: 1,
        border: `1px solid ${tokens.rule}`,
        outline: isToday ? `2.5px solid ${tokens.buoy}` : "none",
        outlineOffset: -2,
        overflow: "hidden",
        backgroundImage: inGap
          ? `repeating-linear-gradient(45deg, ${tokens.ochre}44 0 2px, transparent 2px 8px)`
          : undefined,
      }}
    >
      {past.map((session) => (
        <Box
          key={session.id}
          component={Link}
          href={`/session/${session.id}`}
          title={counted(session.attempts, "attempt")}
          sx={{
            display: "block",
            px: 0.5,
            bgcolor: tokens.depths[3],
            color: tokens.ink,
            fontWeight: 650,
            whiteSpace: "nowrap",
            overflow: "hidden",
            textOverflow: "ellipsis",
          }}
        >
          {format(session.startedAtMs, "HH:mm")} ■ {session.place === "simulator" ? "sim, " : ""}
          {counted(session.pilots, "pilot")}
        </Box>
      ))}
      {planned.map((one) => (
        <Box
          key={one.id}
          title={one.note}
          sx={{
            px: 0.5,
            border: `1.5px dashed ${tokens.ink}`,
            fontWeight: 650,
            whiteSpace: "nowrap",
            overflow: "hidden",
            textOverflow: "ellipsis",
          }}
        >
          {format(one.startsAtMs, "HH:mm")} □ {counted(one.pilotIds.length, "pilot")}
        </Box>
      ))}
      {targets.map(({ id, pilotId, stepId }) => {
        const pilot = data.pilots.find((one) => one.id === pilotId);
        return (
          <Box key={id} sx={{ color: tokens.ochreText, fontWeight: 650, overflowWrap: "anywhere", lineHeight: 1.2 }}>
            ◆ {pilot?.name}: {stepName(syllabusOf(pilot?.squadId ?? ""), stepId)}
          </Box>
        );
      })}
      {inGap && past.length + planned.length + targets.length === 0 && (
        <Box component="span" sx={visuallyHidden}>
          no flying
        </Box>
      )}
    </Box>
  );
}
