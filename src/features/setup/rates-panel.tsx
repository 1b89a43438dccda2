"use client";

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMemo, useState } from "react";
import {
  curveFeel,
  fitCurve,
  rateAtStick,
  rateFamilies,
  rateParameters,
  rateRanges,
  type AxisRates,
  type RateCurve,
  type RateFamily,
} from "@/core";
import { LineChart, type Line } from "@/ui/charts/chart";
import { familyName } from "./differences";
import { NumberSlider } from "./number-slider";

const axes = ["roll", "pitch", "yaw"] as const;
type Axis = (typeof axes)[number];
const sameCurve = (a: RateCurve, b: RateCurve) => JSON.stringify(a) === JSON.stringify(b);
const looks = { roll: ["solid", "ink"], pitch: ["dashed", "shoal"], yaw: ["dotted", "buoy"] } as const;
const parameterNames = {
  base: "Base",
  super: "Super",
  expo: "Expo",
  centreDps: "Centre, °/s",
  endDps: "End, °/s",
} as const;
const STICKS = Array.from({ length: 51 }, (_, i) => i / 50);
const percent = (stick: number) => `${Math.round(100 * stick)} % stick`;
const hundredths = (share: number) => String(Math.round(100 * share));
const whole = (value: number) => String(Math.round(value));
const rate = (dps: number) => `${Math.round(dps)} °/s`;

interface RatesPanelProps {
  readonly rates: AxisRates;
  /** The saved version, drawn as a ghost where it differs. */
  readonly saved: AxisRates | null;
  readonly onChange: (rates: AxisRates) => void;
}

/** Rates of the three axes: any family, curves drawn live, and what they feel like in figures. */
export function RatesPanel({ rates, saved, onChange }: RatesPanelProps) {
  const [fitted, setFitted] = useState<string | null>(null);
  const lines = useMemo(() => {
    const line = (name: string, curve: RateCurve, look: Line["look"], colour: Line["colour"]): Line => ({
      name,
      look,
      colour,
      points: STICKS.map((stick) => [stick, rateAtStick(curve, stick)]),
    });
    const ghosts = axes.filter((axis) => saved && !sameCurve(saved[axis], rates[axis]));
    const kinds = axes.filter((axis, i) => axes.findIndex((other) => sameCurve(rates[other], rates[axis])) === i);
    const named = (axis: Axis) => axes.filter((other) => sameCurve(rates[other], rates[axis])).join(", ");
    return [
      ...kinds.map((axis) => line(named(axis), rates[axis], looks[axis][0], looks[axis][1])),
      ...ghosts.map((axis) => line(`${axis} before`, saved![axis], "dotted", "slate")),
    ];
  }, [rates, saved]);
  const top = Math.max(...lines.map((line) => line.points[line.points.length - 1][1]));

  const changeFamily = (axis: Axis, family: RateFamily) => {
    const fit = fitCurve(rates[axis], family);
    const tidy = Object.fromEntries(
      Object.entries(fit.curve).map(([name, value]) => [
        name,
        typeof value === "number" ? Number(value.toFixed(name.endsWith("Dps") ? 0 : 2)) : value,
      ]),
    ) as unknown as RateCurve;
    setFitted(
      `${axis}: nearest curve of "${familyName(family)}" by least squares; off by ${Math.round(fit.worstErrorDps)} °/s at worst, at ${Math.round(100 * fit.worstAtStick)} % stick.`,
    );
    onChange({ ...rates, [axis]: tidy });
  };

  return (
    <section aria-labelledby="rates">
      <Typography variant="h2" id="rates" sx={{ mb: 1 }}>
        Rates
      </Typography>
      <Box
        sx={{ display: "grid", gridTemplateColumns: { xs: "minmax(0,1fr)", md: "repeat(3, minmax(0,1fr))" }, gap: 3 }}
      >
        {axes.map((axis) => (
          <Box key={axis}>
            <TextField
              select
              size="small"
              fullWidth
              label={`${axis.charAt(0).toUpperCase()}${axis.slice(1)}, family`}
              value={rates[axis].family}
              onChange={(event) => changeFamily(axis, event.target.value as RateFamily)}
              sx={{ mb: 1 }}
            >
              {rateFamilies.map((family) => (
                <MenuItem key={family} value={family}>
                  {familyName(family)}
                </MenuItem>
              ))}
            </TextField>
            {rateParameters(rates[axis].family).map((name) => (
              <NumberSlider
                key={name}
                label={`${axis} ${parameterNames[name].toLowerCase()}`}
                value={(rates[axis] as unknown as Record<string, number>)[name]}
                range={rateRanges[name]}
                step={name.endsWith("Dps") ? 5 : 0.01}
                digits={name.endsWith("Dps") ? 0 : 2}
                onChange={(value) => onChange({ ...rates, [axis]: { ...rates[axis], [name]: value } })}
              />
            ))}
          </Box>
        ))}
      </Box>
      {fitted && (
        <Alert severity="info" onClose={() => setFitted(null)} sx={{ mt: 1 }}>
          {fitted}
        </Alert>
      )}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1.35fr) minmax(0,1fr)" },
          gap: 3,
          mt: 1,
          alignItems: "start",
        }}
      >
        <LineChart
          label={`Turning rate against stick: ${axes.map((axis) => `${axis} ends at ${rate(curveFeel(rates[axis]).endDps)}`).join(", ")}`}
          lines={lines}
          x={{ name: "stick, %", min: 0, max: 1 }}
          y={{ name: "°/s", min: 0, max: Math.ceil(top / 100) * 100 }}
          height={250}
          tickX={hundredths}
          tickY={whole}
          formatX={percent}
          formatY={rate}
        />
        <FeelTable rates={rates} />
      </Box>
    </section>
  );
}

function FeelTable({ rates }: { rates: AxisRates }) {
  const feel = axes.map((axis) => curveFeel(rates[axis]));
  const rows = [
    ["Centre slope, °/s", (i: number) => feel[i].centreSlopeDps.toFixed(0)],
    ["Half stick, °/s", (i: number) => feel[i].halfStickDps.toFixed(0)],
    ["End, °/s", (i: number) => feel[i].endDps.toFixed(0)],
    ["360° at full stick, s", (i: number) => feel[i].time360S.toFixed(2)],
  ] as const;
  return (
    <Box
      component="table"
      sx={(theme) => ({
        width: "100%",
        borderCollapse: "collapse",
        "& td, & th": { py: 0.7, borderBottom: `1.5px solid ${theme.tokens.rule}`, textAlign: "right" },
      })}
    >
      <thead>
        <tr>
          <Box component="th" sx={{ textAlign: "left !important" }} />
          {axes.map((axis) => (
            <th key={axis}>{axis}</th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(([name, value]) => (
          <tr key={name}>
            <Box component="th" scope="row" sx={{ textAlign: "left !important", fontWeight: 400, fontSize: "0.9rem" }}>
              {name}
            </Box>
            {axes.map((axis, i) => (
              <Box component="td" key={axis} className="num" sx={{ fontSize: "1.1rem" }}>
                {value(i)}
              </Box>
            ))}
          </tr>
        ))}
      </tbody>
    </Box>
  );
}
