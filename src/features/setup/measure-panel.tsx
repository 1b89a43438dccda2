"use client";

import { typedNumber } from "@/contract";
import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState } from "react";
import {
  type Airframe,
  curveFeel,
  DomainError,
  endRateFromRolls,
  fitAirframe,
  type FittedAirframe,
  type MeasuredNumber,
  type Measurement,
  requireMeasurement,
  SEA_LEVEL_AIR,
  type Settings,
  throttleOut,
} from "@/core";
import type { Aircraft } from "@/contract";
import { useSend } from "@/ui/actions/use-send";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { TextField } from "@/ui/forms/text-field";
import { Box } from "@/ui/layout/box";
import { tell } from "@/ui/messages/messages";
import { usePreferences } from "@/ui/theme/preferences";
import { entryIn, type Quantity, numeral, quantityText, refusedWords, type UnitSystem } from "@/words";
import { PlainTable } from "@/ui/layout/plain-table";

const kinds = [
  ["weight", "weight with battery"],
  ["hover", "throttle stick that hovers"],
  ["cruise-throttle", "throttle stick of level cruise"],
  ["cruise-speed", "speed of level cruise"],
  ["top-speed", "top speed, level"],
  ["run-on", "roll after letting go of full stick"],
  ["late-punch", "the same climb, fresh and late in the pack"],
  ["hang", "hang after a punch"],
] as const satisfies readonly (readonly [Measurement["kind"], string])[];
type Kind = Measurement["kind"];

/** The numbers of an aircraft: which are measured, which estimated, what was measured, and how well it agrees. */
export function MeasurePanel({
  aircraft,
  settings,
  mayChange,
}: {
  aircraft: Aircraft;
  settings: Settings;
  mayChange: boolean;
}) {
  const router = useRouter();
  const { units } = usePreferences();
  const { sendAction, pending } = useSend();
  const [list, setList] = useState<readonly Measurement[]>(aircraft.measurements);
  const changed = JSON.stringify(list) !== JSON.stringify(aircraft.measurements);
  const fit = tryFit(aircraft.estimate, list, units);
  const save = async () => {
    const result = await sendAction("measure-aircraft", {
      id: aircraft.id,
      version: aircraft.version,
      measurements: list,
    });
    if (!result.ok) return;
    tell("Saved; briefs and figures now use it", { kind: "done" });
    router.refresh();
  };
  return (
    <section aria-labelledby="measured">
      <Typography variant="h2" id="measured" sx={{ mb: 1 }}>
        Measured and estimated
      </Typography>
      {"problem" in fit ? (
        <Alert severity="error">{fit.problem}</Alert>
      ) : (
        <NumbersTable fitted={fit} estimate={aircraft.estimate} units={units} />
      )}
      <Typography variant="h2" sx={{ mt: 3, mb: 1 }}>
        At the field
      </Typography>
      {list.length === 0 && (
        <Typography color="text.secondary">
          Nothing measured yet. A kitchen scale, a hover and a straight level run already settle most of it.
        </Typography>
      )}
      {list.map((one, i) => (
        <Box
          key={i}
          sx={(theme) => ({
            display: "flex",
            gap: 2,
            alignItems: "center",
            minHeight: 44,
            borderBottom: `1.5px solid ${theme.tokens.rule}`,
          })}
        >
          <span>{inWords(one, units)}</span>
          <Box component="span" sx={{ flex: 1, color: "text.secondary", fontSize: "0.9rem" }}>
            {"residuals" in fit && agreement(fit.residuals[i].share)}
          </Box>
          {mayChange && (
            <Button size="small" onClick={() => setList(list.filter((other) => other !== one))}>
              Leave out
            </Button>
          )}
        </Box>
      ))}
      {mayChange && <AddMeasurement settings={settings} onAdd={(one) => setList([...list, one])} />}
      {mayChange && changed && (
        <Box sx={{ display: "flex", gap: 1, mt: 2 }}>
          <Button variant="contained" disabled={pending || "problem" in fit} onClick={save}>
            Save measurements
          </Button>
          <Button onClick={() => setList(aircraft.measurements)}>As they were</Button>
        </Box>
      )}
      <Stopwatch settings={settings} />
    </section>
  );
}

function tryFit(
  estimate: Airframe,
  list: readonly Measurement[],
  units: UnitSystem,
): FittedAirframe | { readonly problem: string } {
  try {
    return fitAirframe(estimate, list, SEA_LEVEL_AIR);
  } catch (error) {
    if (error instanceof DomainError)
      return { problem: `These numbers contradict each other: ${refusedWords(error, units)}.` };
    throw error;
  }
}

function NumbersTable({
  fitted: { airframe, measured },
  estimate,
  units,
}: {
  fitted: FittedAirframe;
  estimate: Airframe;
  units: UnitSystem;
}) {
  const origin = (name: MeasuredNumber | null) => (name && measured.includes(name) ? "■ measured" : "estimate");
  const area = ({ dragAreaM2: { x, y, z } }: Airframe) => [x, y, z].map((side) => numeral(side, 4)).join(", ");
  const speedOrOff = (mps: number | null) => (mps === null ? "off" : quantityText(mps, "speed", units));
  const loop = ({ rateLoopPerS: { roll, pitch, yaw } }: Airframe) =>
    [roll, pitch, yaw].map((gain) => numeral(gain, 0)).join(", ");
  const sagText = ({ sag }: Airframe) => (sag ? percent(sag.emptyShare) : "none");
  // On a phone the table scrolls, not the page.
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: "minmax(0, 1fr)" }}>
      <PlainTable
        label="Numbers of this aircraft"
        head={["", "now", "estimate of its kind", ""]}
        rows={[
          [
            "Weight with battery",
            quantityText(airframe.massKg, "mass", units),
            quantityText(estimate.massKg, "mass", units),
            origin("massKg"),
          ],
          [
            "Thrust over weight",
            numeral(airframe.thrustToWeight, 2),
            numeral(estimate.thrustToWeight, 2),
            origin("thrustToWeight"),
          ],
          ["Drag area x, y, z, m²", area(airframe), area(estimate), origin("dragAreaM2")],
          [
            "Rotor drag, N per m/s",
            numeral(airframe.linearDragNPerMps, 3),
            numeral(estimate.linearDragNPerMps, 3),
            origin("dragAreaM2"),
          ],
          [
            "Pitch speed",
            speedOrOff(airframe.pitchSpeedMps),
            speedOrOff(estimate.pitchSpeedMps),
            origin("pitchSpeedMps"),
          ],
          ["Rate loop, 1/s", loop(airframe), loop(estimate), origin("rateLoopPerS")],
          ["Feed-forward", percent(airframe.feedForwardShare), "", origin(null)],
          ["Voltage lost, pack empty", sagText(airframe), sagText(estimate), origin("sag")],
          ["Voltage lost, full load", airframe.sag ? percent(airframe.sag.loadShare) : "none", "", origin(null)],
          ["Pack at full throttle", airframe.sag ? `${airframe.sag.fullThrottleS} s` : "for ever", "", origin(null)],
          ["Propeller diameter", quantityText(airframe.propellerDiameterM, "length", units, 3), "", origin(null)],
          ["Lost in its own wake", percent(airframe.wakeLossShare), "", origin(null)],
          ["Shake in its own wake", percent(airframe.wakeShakeShare), "", origin(null)],
          [
            "Air it was measured in",
            airframe.measuredDensityKgM3 === null ? "any" : `${numeral(airframe.measuredDensityKgM3, 3)} kg/m³`,
            "",
            origin(null),
          ],
          ["Motor diagonal", quantityText(airframe.motorDiagonalM, "length", units, 2), "", origin(null)],
          ["Motors up, down, s", `${airframe.rotorUpS}, ${airframe.rotorDownS}`, "", origin(null)],
        ]}
      />
    </Box>
  );
}

/** How a measurement agrees with the aircraft fitted to all of them. Within 3 % is our choice for "well". */
function agreement(share: number): string {
  const off = Math.abs(100 * share);
  if (off < 0.5) return "agrees";
  return `${numeral(off, 0)}\u202f% ${share > 0 ? "above" : "below"} what the rest says${off < 3 ? "" : ": measure it again"}`;
}

function inWords(one: Measurement, units: UnitSystem): string {
  const at = ({ elevationM }: { readonly elevationM?: number }) =>
    elevationM === undefined ? "" : `, at ${quantityText(elevationM, "length", units, 0)} above the sea`;
  switch (one.kind) {
    case "weight":
      return `weighs ${quantityText(one.massKg, "mass", units)}`;
    case "hover":
      return `hovers with ${percent(one.command)} to the motors${at(one)}`;
    case "cruise-throttle":
      return `cruises at ${one.tiltDeg}° with ${percent(one.command)} to the motors${at(one)}`;
    case "cruise-speed":
      return `cruises at ${one.tiltDeg}° with ${quantityText(one.speedMps, "speed", units)}${at(one)}`;
    case "top-speed":
      return `flies level at ${quantityText(one.speedMps, "speed", units)} at most${at(one)}`;
    case "run-on":
      return `rolls on ${one.deg}° from ${one.rateDps} °/s`;
    case "late-punch":
      return `climbs in ${one.lateS} s with ${percent(one.usedShare)} of the pack used, in ${one.freshS} s fresh`;
    case "hang":
      return `hangs ${one.hangS} s after a punch of ${one.punchS} s with ${percent(one.command)} to the motors${at(one)}`;
  }
}

const percent = (share: number) => `${numeral(100 * share, 0)}\u202f%`;
const elevation = ["elevation", "Elevation", "length"] as const;
/** Fields of each kind; with a quantity in the unit chosen, else in that of the label. */
const fieldsOf: Readonly<Record<Kind, readonly (readonly [name: string, label: string, quantity?: Quantity])[]>> = {
  weight: [["value", "Weight", "mass"]],
  hover: [["value", "Stick, %"], elevation],
  "cruise-throttle": [["value", "Stick, %"], elevation],
  "cruise-speed": [["value", "Speed", "speed"], elevation],
  "top-speed": [["value", "Speed", "speed"], elevation],
  "run-on": [
    ["value", "Turned on, °"],
    ["rate", "From, °/s"],
  ],
  "late-punch": [
    ["fresh", "Fresh, s"],
    ["value", "Late, s"],
    ["used", "Pack used, %"],
  ],
  hang: [["value", "Hang, s"], ["punch", "Punch, s"], ["stick", "Stick of the punch, %"], elevation],
};
const withSettings: readonly Kind[] = ["hover", "cruise-throttle", "cruise-speed", "hang"];

function AddMeasurement({ settings, onAdd }: { settings: Settings; onAdd: (one: Measurement) => void }) {
  const { units } = usePreferences();
  const [kind, setKind] = useState<Kind>("weight");
  const [texts, setTexts] = useState<Readonly<Record<string, string>>>({});
  const [problem, setProblem] = useState<string | null>(null);
  const fields = fieldsOf[kind];
  const text = (name: string) => texts[name] ?? "";
  const add = () => {
    const number = (name: string) => {
      const quantity = fields.find(([known]) => known === name)?.[2];
      const typed = typedNumber(text(name));
      return quantity ? entryIn(quantity, units).read(typed) : typed;
    };
    try {
      onAdd(requireMeasurement(read(kind, number, settings)));
      setTexts({});
      setProblem(null);
    } catch (error) {
      if (!(error instanceof DomainError)) throw error;
      const missing = fields.some((field) => field !== elevation && text(field[0]).trim() === "");
      setProblem(missing ? "a number is missing" : refusedWords(error, units));
    }
  };
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, mt: 2, alignItems: "start" }}>
      <SelectField
        size="small"
        label="Measured"
        value={kind}
        onChange={(event) => {
          setKind(event.target.value as Kind);
          setTexts({});
          setProblem(null);
        }}
        sx={{ minWidth: 250 }}
      >
        {kinds.map(([id, name]) => (
          <Option key={id} value={id}>
            {name}
          </Option>
        ))}
      </SelectField>
      {fields.map(([name, label, quantity], i) => (
        <TextField
          key={`${kind} ${name}`}
          size="small"
          label={`${label}${quantity ? `, ${entryIn(quantity, units).symbol}` : ""}${name === "elevation" ? " (optional)" : ""}`}
          value={text(name)}
          error={i === 0 && problem !== null}
          helperText={
            i > 0
              ? undefined
              : (problem ??
                (withSettings.includes(kind)
                  ? `with the settings of this screen, tilt ${settings.tiltDeg}°`
                  : undefined))
          }
          onChange={(event) => setTexts({ ...texts, [name]: event.target.value })}
          onKeyDown={(event) => event.key === "Enter" && add()}
          slotProps={{ htmlInput: { inputMode: "decimal", maxLength: 12 } }}
        />
      ))}
      <Button variant="outlined" onClick={add}>
        Add it
      </Button>
    </Box>
  );
}

/** What was typed as a measurement; a stick is turned into what reached the motors by the throttle profile flown. */
function read(kind: Kind, number: (name: string) => number, { throttle, tiltDeg }: Settings): Measurement {
  const value = number("value");
  const elevationM = number("elevation");
  const there = Number.isNaN(elevationM) ? {} : { elevationM };
  switch (kind) {
    case "weight":
      return { kind, massKg: value };
    case "hover":
      return { kind, command: throttleOut(throttle, value / 100), ...there };
    case "cruise-throttle":
      return { kind, tiltDeg, command: throttleOut(throttle, value / 100), ...there };
    case "cruise-speed":
      return { kind, tiltDeg, speedMps: value, ...there };
    case "top-speed":
      return { kind, speedMps: value, ...there };
    case "run-on":
      return { kind, rateDps: number("rate"), deg: value };
    case "late-punch":
      return { kind, freshS: number("fresh"), lateS: value, usedShare: number("used") / 100 };
    case "hang":
      return {
        kind,
        punchS: number("punch"),
        command: throttleOut(throttle, number("stick") / 100),
        hangS: value,
        ...there,
      };
  }
}

/** Ten full-stick rolls against a stopwatch: what the end rate really is. */
function Stopwatch({ settings }: { settings: Settings }) {
  const [text, setText] = useState("");
  const seconds = typedNumber(text);
  const timed = text.trim() !== "" && seconds >= 0.5 && seconds <= 600 ? endRateFromRolls(10, seconds) : null;
  const { endDps } = curveFeel(settings.rates.roll);
  return (
    <Box sx={(theme) => ({ mt: 3, pt: 1.5, borderTop: `1.5px solid ${theme.tokens.rule}` })}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        Ten rolls at full stick
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, alignItems: "center" }}>
        <TextField
          size="small"
          label="Seconds for ten"
          value={text}
          onChange={(event) => setText(event.target.value)}
          slotProps={{ htmlInput: { inputMode: "decimal", maxLength: 8 } }}
        />
        <Typography>
          {timed === null ? (
            <>
              The curve says <b className="num">{numeral(3600 / endDps, 1)} s</b>, at {Math.round(endDps)} °/s.
            </>
          ) : (
            <>
              <b className="num">{Math.round(timed)} °/s</b>, {Math.abs(Math.round(100 * (timed / endDps - 1)))}&#8239;%{" "}
              {timed < endDps ? "less" : "more"} than the curve&apos;s {Math.round(endDps)} °/s.
              {timed < 0.93 * endDps && " The motors cannot follow the curve to its end."}
            </>
          )}
        </Typography>
      </Box>
    </Box>
  );
}
