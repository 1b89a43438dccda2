"use client";

import Button from "@mui/material/Button";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import { useMemo } from "react";
import { DAY_MS, monthMeasures, type MonthMeasure, type TapeMonth } from "@/core";
import { Link } from "@/ui/actions/link";
import { LineChart } from "@/ui/charts/chart";
import { Box } from "@/ui/layout/box";
import { Moment } from "@/ui/moment/moment";
import { useAtHand } from "@/ui/shell/at-hand";
import { counted, monthChangeWords, monthFigureText, monthMeasureNames, numeral, percent } from "@/words";
import type { MonthData } from "./load-month";

const spanNames = [
  [31, "a month"],
  [92, "three months"],
  [366, "a year"],
] as const;

/** A pilot's recordings side by side: what changed, and how. */
export function MonthScreen({ data }: { data: MonthData }) {
  const { pilot, days, month, recordings } = data;
  const { hrefFor } = useAtHand();
  const { packs, changes } = month;
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 2, mb: 1.5 }}>
        <Typography variant="h1">{pilot.name} on tape</Typography>
        <Box sx={{ flex: 1 }} />
        {spanNames.map(([span, name]) => (
          <Button
            key={span}
            component={Link}
            href={hrefFor("/tape/month", { days: `${span}` })}
            variant={span === days ? "contained" : "text"}
            aria-current={span === days ? "page" : undefined}
          >
            {name}
          </Button>
        ))}
        <Button component={Link} href={hrefFor("/tape")} variant="outlined">
          Recordings
        </Button>
      </Box>
      {packs.length === 0 ? (
        <Typography>
          No recording of that time is kept. Open one under Tape and keep it; then it stands here.
        </Typography>
      ) : (
        <>
          <Box
            role="status"
            aria-label="What changed"
            sx={(theme) => ({
              borderLeft: `6px solid ${theme.tokens.shoal}`,
              bgcolor: theme.tokens.sheet,
              px: 1.5,
              py: 1,
              mb: 2,
            })}
          >
            {changes.length === 0 ? (
              <Typography>
                {packs.length < 4
                  ? `${counted(packs.length, "recording")}: two early and two late ones say more.`
                  : "Nothing changed by more than chance makes it."}
              </Typography>
            ) : (
              changes.map((change) => (
                <Typography key={change.measure} sx={{ fontSize: "1.05rem" }}>
                  {change.better ? "■ " : "▲ "}
                  {monthChangeWords(change)}
                </Typography>
              ))
            )}
          </Box>
          <Box
            sx={{
              display: "grid",
              gridTemplateColumns: { xs: "minmax(0,1fr)", md: "repeat(2, minmax(0,1fr))" },
              columnGap: 4,
              rowGap: 2,
            }}
          >
            {monthMeasures.map((measure) => (
              <Course key={measure} measure={measure} month={month} />
            ))}
          </Box>
          <Packs month={month} recordings={recordings} />
          <Typography sx={{ mt: 1, fontSize: "0.88rem", color: "text.secondary" }}>
            Means over the tricks of each recording; less is better in all of them. Roughness is the log dimensionless
            jerk of the flying, without its sign.
          </Typography>
        </>
      )}
    </>
  );
}

/** One figure over the packs. */
function Course({ measure, month: { packs } }: { measure: MonthMeasure; month: TapeMonth }) {
  const name = monthMeasureNames[measure];
  const chart = useMemo(() => {
    const known = packs.flatMap(({ atMs, figures }) => {
      const figure = figures[measure];
      return figure ? [[(atMs - packs[0].atMs) / DAY_MS, figure.mean * scaleOf(measure)] as const] : [];
    });
    const most = Math.max(...known.map(([, value]) => value), measure === "logDimensionlessJerk" ? 12 : 10);
    return {
      lines: [{ name, points: known, look: "solid" as const, colour: "shoal" as const }],
      x: { name: "days", min: 0, max: Math.max(1, Math.ceil(known.at(-1)?.[0] ?? 1)) },
      y: { name: "", min: 0, max: Math.ceil(most / 5) * 5 },
      enough: known.length >= 2,
    };
  }, [packs, measure, name]);
  if (!chart.enough) return null;
  const figure = (value: number) => monthFigureText(measure, value / scaleOf(measure));
  return (
    <section>
      <Typography variant="h2">{name}</Typography>
      <LineChart
        label={`${name} by recording`}
        lines={chart.lines}
        x={chart.x}
        y={chart.y}
        height={200}
        namesAtEnds={false}
        // Of a few days there are figures between them, too.
        tickX={(days) => (Number.isInteger(days) ? numeral(days, 0) : "")}
        tickY={(value) => numeral(value, 0)}
        formatX={(days) => `day ${numeral(days, 0)}`}
        formatY={figure}
      />
    </section>
  );
}

/** Shares are drawn as per cent. */
const scaleOf = (measure: MonthMeasure) => (measure === "throttleUpsideDown" ? 100 : 1);

function Packs({ month: { packs }, recordings }: Pick<MonthData, "month" | "recordings">) {
  const { hrefFor } = useAtHand();
  return (
    <Box sx={{ overflowX: "auto", mt: 2 }} tabIndex={0} role="region" aria-label="Recordings">
      <Table size="small">
        <TableHead>
          <TableRow>
            <TableCell>Recording</TableCell>
            <TableCell align="right">Tricks</TableCell>
            {monthMeasures.map((measure) => (
              <TableCell key={measure} align="right">
                {monthMeasureNames[measure]}
              </TableCell>
            ))}
            <TableCell align="right">Most stick</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {packs.map(({ atMs, tricks, figures, reach }, i) => (
            <TableRow key={recordings[i].id}>
              <TableCell>
                <Link href={hrefFor("/tape", { recording: recordings[i].id })}>
                  {recordings[i].name.replace(/\.csv$/i, "")}
                </Link>
                , <Moment atMs={atMs} />
              </TableCell>
              <TableCell align="right" className="num">
                {tricks}
              </TableCell>
              {monthMeasures.map((measure) => (
                <TableCell key={measure} align="right" className="num">
                  {figures[measure] ? monthFigureText(measure, figures[measure].mean) : "–"}
                </TableCell>
              ))}
              <TableCell align="right" className="num">
                {percent(reach)}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}
