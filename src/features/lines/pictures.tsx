"use client";

import Typography from "@mui/material/Typography";
import { indexAt, type Line, type LineFlight, type Settings } from "@/core";
import { CameraView } from "@/ui/flight/camera-view";
import { InSpace } from "@/ui/flight/in-space";
import { seenAt } from "@/ui/flight/seen-at";
import { Box } from "@/ui/layout/box";
import { StickDials } from "@/ui/sticks/stick-dials";
import { usePreferences } from "@/ui/theme/preferences";
import { lineItemName, numeral } from "@/words";
import { trickNumbers } from "./numbered";

/** What the pilot sees and what their sticks do at one moment, and the line in space. */
export function Pictures(props: {
  line: Line;
  flight: LineFlight;
  settings: Settings;
  stickMode: number;
  cursor: number | null;
}) {
  const { line, flight, settings, stickMode, cursor } = props;
  const { trace, items } = flight;
  const { units } = usePreferences();
  const now = cursor ?? 0;
  const obstacles = line.anchors.map(({ obstacle }) => obstacle);
  const { attitude, lines } = seenAt(trace, now, settings, obstacles);
  const at = items.findIndex(({ toS }) => trace.timeS[now] < toS);
  const current = at < 0 ? items.length - 1 : at;
  const numbers = trickNumbers(line.items);
  const { fromS, toS } = items[current];
  const from = indexAt(trace, fromS);
  // Sticks of the item that is flown: of the whole line nobody could follow them.
  const own = { ...trace, ...sliced(trace, from, indexAt(trace, toS) + 1) };
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", md: "repeat(3, minmax(0,1fr))" },
        columnGap: 3,
        rowGap: 1.5,
      }}
    >
      <CameraView
        title={`At ${numeral(cursor === null ? 0 : trace.timeS[now], 2)} s`}
        attitude={attitude}
        tiltDeg={settings.tiltDeg}
        lens={settings.camera}
        lines={lines}
      />
      <Box sx={{ minWidth: 0 }}>
        <Typography sx={{ fontWeight: 650 }}>
          Sticks in {numbers[current] !== null && <span className="num">{numbers[current]} </span>}
          {lineItemName(line.items[current], units)}
        </Typography>
        <StickDials trace={own} stickMode={stickMode} phases={[]} cursor={Math.max(0, now - from)} />
      </Box>
      <Box sx={{ minWidth: 0 }}>
        <InSpace trace={trace} obstacles={obstacles} ghost={null} cursor={cursor} height={230} />
      </Box>
    </Box>
  );
}

type Trace = LineFlight["trace"];

/** Every column of a trace between two samples. */
function sliced(trace: Trace, from: number, to: number): Partial<Trace> {
  const columns = Object.entries(trace).flatMap(([name, column]) =>
    Array.isArray(column) ? [[name, column.slice(from, to) as number[]] as const] : [],
  );
  return Object.fromEntries(columns);
}
