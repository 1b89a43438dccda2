"use client";

import { Box } from "@/ui/layout/box";
import { numeral, capital } from "@/words";
import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useMemo, useState } from "react";
import {
  rounded,
  curveFeel,
  dpsPerMillimetre,
  equalStickError,
  equalStickYaw,
  feelDistance,
  fitCurve,
  rateAtStick,
  rateFamilies,
  stickTravelOf,
  type AxisRates,
  type RateCurve,
  type RateFamily,
} from "@/core";
import { LineChart, type Line } from "@/ui/charts/chart";
import type { Pilot } from "@/contract";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { familyName } from "@/ui/settings/differences";
import { CurveSliders } from "@/ui/settings/setting-sliders";
import { NumberSlider } from "@/ui/forms/number-slider";
import { PlainTable } from "@/ui/layout/plain-table";

const axes = ["roll", "pitch", "yaw"] as const;
type Axis = (typeof axes)[number];
const sameCurve = (a: RateCurve, b: RateCurve) => JSON.stringify(a) === JSON.stringify(b);
const looks = { roll: ["solid", "ink"], pitch: ["dashed", "shoal"], yaw: ["dotted", "buoy"] } as const;
const STICKS = Array.from({ length: 51 }, (_, i) => i / 50);
const percent = (stick: number) => `${Math.round(100 * stick)}\u202f% stick`;
const hundredths = (share: number) => String(Math.round(100 * share));
const whole = (value: number) => String(Math.round(value));
const rate = (dps: number) => `${Math.round(dps)} °/s`;

/** Another setup to hold the curves against. */
export interface Ghost {
  readonly id: string;
  readonly name: string;
  readonly rates: AxisRates;
}

interface RatesPanelProps {
  readonly rates: AxisRates;
  /** Setups that can be drawn as ghosts: the saved version first, then older ones and other aircraft. */
  readonly ghosts: readonly Ghost[];
  readonly tiltDeg: number;
  readonly pilot: Pilot;
  readonly onChange: (rates: AxisRates) => void;
}

/** Rates of the three axes: any family, curves drawn live, and what they feel like in figures. */
export function RatesPanel({ rates, ghosts: others, tiltDeg, pilot, onChange }: RatesPanelProps) {
  const [fitted, setFitted] = useState<string | null>(null);
  const [ghostId, setGhostId] = useState<string | null>(null);
  const [reading, setReading] = useState(0.5);
  const ghost = others.find(({ id }) => id === ghostId) ?? others[0] ?? null;
  const saved = ghost?.rates ?? null;
  const marks = useMemo(() => [{ axis: "x" as const, at: reading, text: "" }], [reading]);
  const lines = useMemo(() => linesOf(rates, saved), [rates, saved]);
  const top = Math.max(...lines.map((line) => line.points[line.points.length - 1][1]));

  const changeFamily = (axis: Axis, family: RateFamily) => {
    const fit = fitCurve(rates[axis], family);
    const [was, is] = [rates[axis], fit.curve].map((curve) => Math.round(curveFeel(curve).centreSlopeDps));
    const centre =
      was === is
        ? "Centre sensitivity stays the same"
        : `Centre sensitivity changes ${was} → ${is} °/s (${Math.round(100 * Math.abs(is / was - 1))}\u202f% ${is > was ? "quicker" : "softer"})`;
    setFitted(
      `${capital(axis)} converted to "${familyName(family)}": within ${Math.round(fit.worstErrorDps)} °/s everywhere, furthest at ${Math.round(100 * fit.worstAtStick)}\u202f% stick. ${centre}.`,
    );
    onChange({ ...rates, [axis]: tidied(fit.curve) });
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
          <AxisControls
            key={axis}
            axis={axis}
            rates={rates}
            onFamily={(family) => changeFamily(axis, family)}
            onChange={onChange}
          />
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
          marks={marks}
          x={{ name: "stick, %", min: 0, max: 1 }}
          y={{ name: "°/s", min: 0, max: Math.ceil(top / 100) * 100 }}
          height={250}
          tickX={hundredths}
          tickY={whole}
          formatX={percent}
          formatY={rate}
        />
        <FeelTable rates={rates} ghost={saved} reading={reading} pilot={pilot} />
      </Box>
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "minmax(0,1fr)", md: "1.35fr 1fr" }, gap: 3, mt: 1 }}>
        <NumberSlider
          label="Read at stick, %"
          value={Math.round(100 * reading)}
          range={[0, 100]}
          step={1}
          digits={0}
          onChange={(value) => setReading(value / 100)}
        />
        {ghost && (
          <SelectField
            size="small"
            label="Compare with"
            value={ghost.id}
            onChange={(event) => setGhostId(event.target.value)}
          >
            {others.map(({ id, name }) => (
              <Option key={id} value={id}>
                {name}
              </Option>
            ))}
          </SelectField>
        )}
      </Box>
      {ghost && <FeelLine rates={rates} ghost={ghost} />}
      <EqualSticks rates={rates} tiltDeg={tiltDeg} onChange={onChange} />
    </section>
  );
}

/** A line for each axis, or for those alike together; dotted what the ghost has otherwise. */
function linesOf(rates: AxisRates, saved: AxisRates | null): Line[] {
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
    ...ghosts.map((axis) => line(`${axis}, ghost`, saved![axis], "dotted", "slate")),
  ];
}

/** Family and figures of one axis. */
function AxisControls({
  axis,
  rates,
  onFamily,
  onChange,
}: {
  axis: Axis;
  rates: AxisRates;
  onFamily: (family: RateFamily) => void;
  onChange: (rates: AxisRates) => void;
}) {
  return (
    <Box>
      <SelectField
        size="small"
        fullWidth
        label={`${capital(axis)}, family`}
        value={rates[axis].family}
        onChange={(event) => onFamily(event.target.value as RateFamily)}
        sx={{ mb: 1 }}
      >
        {rateFamilies.map((family) => (
          <Option key={family} value={family}>
            {familyName(family)}
          </Option>
        ))}
      </SelectField>
      <CurveSliders axis={axis} curve={rates[axis]} onChange={(curve) => onChange({ ...rates, [axis]: curve })} />
    </Box>
  );
}

function FeelTable({
  rates,
  ghost,
  reading,
  pilot,
}: {
  rates: AxisRates;
  ghost: AxisRates | null;
  reading: number;
  pilot: Pilot;
}) {
  const feel = axes.map((axis) => curveFeel(rates[axis]));
  const travel = stickTravelOf(pilot);
  const at = Math.round(100 * reading);
  const perMm = axes.map((axis) => numeral(dpsPerMillimetre(rates[axis], 0, travel), 0));
  return (
    <PlainTable
      label="What the curves feel like"
      head={["", ...axes]}
      rows={[
        [`At ${at}\u202f%, °/s`, ...axes.map((axis) => numeral(rateAtStick(rates[axis], reading), 0))],
        ...(ghost && axes.some((axis) => !sameCurve(ghost[axis], rates[axis]))
          ? [[`Compared at ${at}\u202f%`, ...axes.map((axis) => numeral(rateAtStick(ghost[axis], reading), 0))]]
          : []),
        ["Centre slope, °/s", ...feel.map((one) => numeral(one.centreSlopeDps, 0))],
        ["Half stick, °/s", ...feel.map((one) => numeral(one.halfStickDps, 0))],
        ["End, °/s", ...feel.map((one) => numeral(one.endDps, 0))],
        ["90, 180, 360°, s", ...feel.map((one) => [one.time90S, one.time180S, one.time360S].map(hundredth).join(" "))],
        [`°/s per mm at centre, ${pilot.stickLengthMm === null ? pilot.grip : `${pilot.stickLengthMm} mm`}`, ...perMm],
      ]}
    />
  );
}

/** A faster end rate is more than hands follow. Common practice, no source. */
const FOLLOWED_DPS = 1200;

/** Closer to flat than this nobody sees a difference. Our choice. */
const NEARLY_FLAT_DEG = 2;

const hundredth = (seconds: number) => numeral(seconds, 2);

/** How far the hands have to learn anew. Under 3 % is our choice for what nobody notices, over 10 % for new hands. */
function FeelLine({ rates, ghost }: { rates: AxisRates; ghost: Ghost }) {
  const { percent, fasterPercent, worstAxis, worstPercent } = feelDistance(ghost.rates, rates);
  const meaning =
    percent < 0.05
      ? "the same curves"
      : percent < 3
        ? "barely noticeable"
        : percent < 10
          ? "noticed at once, learnt in a pack or two"
          : "new hands: plan for settling";
  return (
    <Typography sx={{ mt: 1 }}>
      Feel change from {ghost.name}: <b className="num">{numeral(percent, 1)}&#8239;%</b>, {meaning}
      {percent >= 0.05 && (
        <>
          . At the same stick it turns {fasterPercent >= 0 ? "faster" : "slower"} by{" "}
          <span className="num">{numeral(Math.abs(fasterPercent), 1)}&#8239;%</span> on average; most on {worstAxis},{" "}
          <span className="num">{numeral(worstPercent, 0)}&#8239;%</span>.
        </>
      )}
    </Typography>
  );
}

/** Roll and yaw matched so that equal sticks make a flat spin at this tilt, for those who fly it so. */
function EqualSticks({
  rates,
  tiltDeg,
  onChange,
}: {
  rates: AxisRates;
  tiltDeg: number;
  onChange: (rates: AxisRates) => void;
}) {
  if (tiltDeg < 1) return null;
  const nowOffDeg = equalStickError(rates.roll, rates.yaw, tiltDeg);
  const { curve, worstTiltOffDeg, worstErrorDps, worstAtStick } = equalStickYaw(rates.roll, rates.yaw, tiltDeg);
  const endDps = rateAtStick(curve, 1);
  const flies = endDps <= FOLLOWED_DPS;
  return (
    <Box sx={(theme) => ({ mt: 2, pt: 1.5, borderTop: `1.5px solid ${theme.tokens.rule}` })}>
      <Typography>
        <b>Do equal roll and yaw stick give a flat spin?</b> {nowOffDeg < NEARLY_FLAT_DEG ? "Yes" : "No"}: off by up to{" "}
        <b className="num">{numeral(nowOffDeg, 1)}°</b> at {tiltDeg}° of tilt. It would take a yaw rate of{" "}
        <span className="num">{rate(rateAtStick(curve, 1))}</span>
        {flies ? (
          <>
            ; up to <span className="num">{numeral(worstTiltOffDeg, 1)}°</span> would be left (
            {Math.round(worstErrorDps)} °/s at {Math.round(100 * worstAtStick)}&#8239;% stick).
          </>
        ) : (
          `, which is not flyable: use ${leastTiltDeg(rates.roll)}° of tilt or more, or a roll rate of ${Math.floor((FOLLOWED_DPS * Math.tan((tiltDeg * Math.PI) / 180)) / 10) * 10} °/s at most.`
        )}
        {worstTiltOffDeg > 3 && " At so little tilt no curve gets there."}
      </Typography>
      {flies && (
        <Button
          size="small"
          variant="outlined"
          sx={{ mt: 1 }}
          onClick={() => onChange({ ...rates, yaw: tidied(curve) })}
        >
          Use this yaw curve
        </Button>
      )}
      <Typography sx={{ fontSize: "0.85rem", color: "text.secondary", mt: 0.5 }}>
        Matched curves let both hands move alike in a spin; unmatched ones suit each axis to its own job.
      </Typography>
    </Box>
  );
}

/** Tilt from which equal sticks ask for no faster yaw than can be followed: yaw = roll / tan(tilt). */
const leastTiltDeg = (roll: RateCurve) => Math.ceil((Math.atan(rateAtStick(roll, 1) / FOLLOWED_DPS) * 180) / Math.PI);

/** Parameters as people type them. */
function tidied(curve: RateCurve): RateCurve {
  return Object.fromEntries(
    Object.entries(curve).map(([name, value]) => [
      name,
      typeof value === "number" ? rounded(value, name.endsWith("Dps") ? 0 : 2) : value,
    ]),
  ) as unknown as RateCurve;
}
