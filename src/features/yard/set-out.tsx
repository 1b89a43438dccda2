"use client";

import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import Typography from "@mui/material/Typography";
import { useMemo } from "react";
import { between, inSteps, settingOut, TAPE_TOLERANCE_M, type PlannedCourse, type SetPole } from "@/core";
import { PickOne } from "@/ui/forms/pick-one";
import { Box } from "@/ui/layout/box";
import { usePreferences } from "@/ui/theme/preferences";
import { Num } from "@/ui/units/figure";
import { formatQuantity, numeral, quantityText } from "@/words";

export type HowSetOut = "tapes" | "offsets" | "steps";

/** The poles in the order of walking, each by two tapes, by offsets or in steps; ticked as they stand. */
export function SetOut(props: {
  course: PlannedCourse;
  how: HowSetOut;
  onHow: (how: HowSetOut) => void;
  stepM: number;
  standing: readonly string[];
  onStanding: (pole: string, stands: boolean) => void;
  next: string | null;
  /** Looks for the two pegs from which the poles come out best; null where nothing may be changed. */
  onBestPegs: (() => void) | null;
}) {
  const { course, how, onHow, stepM, standing, onStanding, next, onBestPegs } = props;
  const { units } = usePreferences();
  const { pegs, poles } = course;
  const rows = useMemo(() => (pegs ? settingOut(poles, { pegs }) : []), [poles, pegs]);
  if (!pegs) return <Typography>This course has no pegs to be set out from.</Typography>;
  const worst = Math.max(...rows.map(({ worstM }) => worstM));
  return (
    <Box component="section" aria-labelledby="set-out">
      <Typography variant="h2" id="set-out">
        Set out
      </Typography>
      <Typography sx={{ fontSize: "0.92rem", mb: 1 }}>
        Peg A, peg B <Num value={between(...pegs)} quantity="length" digits={2} /> apart.{" "}
        {how === "offsets"
          ? "Along the line from A to B, then square off it: R to the right, L to the left."
          : "Then two tapes for each pole, in this order."}
      </Typography>
      <PickOne
        label="How it is set out"
        value={how}
        options={[
          ["tapes", "Two tapes"],
          ["offsets", "Offsets"],
          ["steps", "Steps"],
        ]}
        onPick={onHow}
      />
      <PoleTable rows={rows} how={how} stepM={stepM} standing={standing} onStanding={onStanding} next={next} />
      <Typography sx={{ fontSize: "0.85rem", color: "text.secondary", mt: 0.5 }}>
        {Number.isFinite(worst)
          ? `A tape off by ${quantityText(TAPE_TOLERANCE_M, "length", units)} moves a pole by at most ${quantityText(worst, "length", units, 2)}.`
          : "One of the poles stands in line with the pegs: two tapes give it no place across. Move a peg."}
      </Typography>
      {onBestPegs && (
        <Button size="small" variant="outlined" sx={{ mt: 0.5 }} onClick={onBestPegs}>
          Find the best pegs
        </Button>
      )}
    </Box>
  );
}

/** The poles in the order of walking. */
function PoleTable(props: {
  rows: readonly SetPole[];
  how: HowSetOut;
  stepM: number;
  standing: readonly string[];
  onStanding: (pole: string, stands: boolean) => void;
  next: string | null;
}) {
  const { rows, how, stepM, standing, onStanding, next } = props;
  const { units } = usePreferences();
  const length = (m: number) => formatQuantity(m, "length", units, 2).value;
  const inHand = (m: number) => (how === "steps" ? numeral(inSteps(m, stepM), 1) : length(m));
  const unit = how === "steps" ? "steps" : formatQuantity(1, "length", units).unit;
  const heads = how === "offsets" ? [`along, ${unit}`, `across, ${unit}`] : [`from A, ${unit}`, `from B, ${unit}`];
  return (
    <Box
      component="table"
      sx={(theme) => ({
        width: "100%",
        mt: 1,
        borderCollapse: "collapse",
        "& th": { textAlign: "left", fontSize: "0.82rem", fontWeight: 600, py: 0.5 },
        "& td": { borderTop: `1.5px solid ${theme.tokens.rule}`, py: 0.5 },
        "& td.num": { fontSize: "1.05rem", textAlign: "right", pr: 1 },
      })}
    >
      <thead>
        <tr>
          <th scope="col">pole</th>
          {heads.map((head) => (
            <th scope="col" key={head}>
              {head}
            </th>
          ))}
          <th scope="col">check</th>
          <th scope="col">stands</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <Box
            component="tr"
            key={row.pole}
            sx={(theme) => ({ outline: row.pole === next ? `2px solid ${theme.tokens.buoy}` : "none" })}
          >
            <td>
              <b>{row.pole}</b>
            </td>
            <td className="num">{inHand(how === "offsets" ? row.alongM : row.fromAM)}</td>
            <td className="num">
              {how === "offsets"
                ? `${length(Math.abs(row.acrossM))} ${row.side === "on" ? "" : row.side === "right" ? "R" : "L"}`
                : inHand(row.fromBM)}
            </td>
            <td>
              <span className="num">{inHand(row.checkM)}</span>{" "}
              <Box component="span" sx={{ fontSize: "0.82rem" }}>
                to {row.checkTo}
              </Box>
            </td>
            <td>
              <Checkbox
                size="small"
                checked={standing.includes(row.pole)}
                slotProps={{ input: { "aria-label": `Pole ${row.pole} stands` } }}
                onChange={(_, stands) => onStanding(row.pole, stands)}
              />
            </td>
          </Box>
        ))}
      </tbody>
    </Box>
  );
}
