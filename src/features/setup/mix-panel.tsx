"use client";

import { Box } from "@/ui/layout/box";
import { numeral } from "@/words";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { fastestMix, ownCruise, rounded, tiltError, type Airframe, type MixKind, type Settings } from "@/core";
import type { Pilot } from "@/contract";
import { useAir } from "@/ui/air/use-air";
import { StickPair } from "@/ui/sticks/stick-pair";
import { changeText, mixRows, stickText, TILT_ERRORS_DEG, type By } from "./mix-rows";
import { NumberSlider } from "@/ui/forms/number-slider";
import { PickOne } from "@/ui/forms/pick-one";
import { PlainTable } from "@/ui/layout/plain-table";

const rate = (dps: number) => numeral(Math.abs(dps), 0);

/** The mix: how much roll goes with how much yaw at this tilt, in body rates and in stick travel through the pilot's own curves. */
export function MixPanel({
  settings,
  airframe,
  pilot: { stickMode, cruiseMps },
}: {
  settings: Settings;
  airframe: Airframe;
  pilot: Pick<Pilot, "stickMode" | "cruiseMps">;
}) {
  const [turnDps, setTurn] = useState(90);
  const [spinDps, setSpin] = useState(300);
  const [by, setBy] = useState<By>("hand");
  const { tiltDeg } = settings;
  const own = ownCruise(airframe, { tiltDeg, cruiseMps }, useAir());
  const [chosenLean, setLean] = useState<number | null>(null);
  const leanDeg = chosenLean ?? rounded(own?.leanDeg ?? tiltDeg, 0);
  const rows = mixRows(settings, { stickMode, leanDeg, turnDps, spinDps, by });
  return (
    <section aria-labelledby="mix">
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, alignItems: "center", mb: 1 }}>
        <Typography variant="h2" id="mix">
          Mix at {tiltDeg}° of tilt
        </Typography>
        <Box sx={{ flex: 1 }} />
        <Button size="small" sx={{ displayPrint: "none" }} onClick={() => window.print()}>
          Print this table
        </Button>
        <PickOne
          label="Who mixes"
          value={by}
          options={[
            ["hand", "by hand"],
            ["controller", "by the flight controller"],
          ]}
          onPick={setBy}
        />
      </Box>
      <Typography sx={{ fontSize: "0.9rem", color: "text.secondary", mb: 1 }}>
        {by === "hand"
          ? "By hand: two sticks at once, every mixture between is yours; learnt again after each change of tilt or curves."
          : "By the flight controller, set to this tilt: one stick turns or rolls about what the camera sees; the mixtures between are given up, and a wrong angle is wrong in every move."}
      </Typography>
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", md: "1fr 1fr" }, columnGap: 4 }}>
        <NumberSlider label="Turn at, °/s" value={turnDps} range={[10, 360]} step={5} digits={0} onChange={setTurn} />
        <NumberSlider
          label="Spin and roll at, °/s"
          value={spinDps}
          range={[45, 1200]}
          step={15}
          digits={0}
          onChange={setSpin}
        />
        {by === "hand" && (
          <NumberSlider
            label="Turned with the nose down, °"
            value={leanDeg}
            range={[0, 80]}
            step={1}
            digits={0}
            onChange={setLean}
          />
        )}
      </Box>
      {by === "hand" && Math.abs(leanDeg - tiltDeg) >= 1 && (
        <Typography sx={{ fontSize: "0.9rem", mb: 1 }}>
          {chosenLean === null && cruiseMps !== null && "That is this pilot's own cruise. "}
          Turns go by the pitch that is flown, not by the tilt: at {leanDeg}° nose down the horizon stands{" "}
          <b className="num">{Math.abs(tiltDeg - leanDeg)}°</b> {leanDeg < tiltDeg ? "below" : "above"} the middle of
          the picture. A roll about the view goes by the tilt.
        </Typography>
      )}
      <PlainTable
        label="Mix"
        head={["to the right", "roll, °/s", "yaw, °/s", "roll stick", "yaw stick", "how the hands move"]}
        rows={rows.map(({ name, mix, words }) => [
          <Box key="move" sx={{ display: "flex", flexDirection: "column", alignItems: "flex-start", gap: 0.5 }}>
            {name}
            <StickPair rollStick={mix.rollStick} yawStick={mix.yawStick} stickMode={stickMode} title={name} />
          </Box>,
          rate(mix.rates.rollDps),
          rate(mix.rates.yawDps),
          stickText(mix.rollStick),
          stickText(mix.yawStick),
          words,
        ])}
      />
      <Typography sx={{ fontSize: "0.9rem", my: 1 }}>
        Fastest with these curves: turn or spin{" "}
        <Fastest kind="level-turn" settings={{ ...settings, tiltDeg: by === "hand" ? leanDeg : tiltDeg }} />, roll about
        the view <Fastest kind="view-roll" settings={settings} />.
      </Typography>
      <WrongTilt settings={settings} turnDps={turnDps} spinDps={spinDps} />
    </section>
  );
}

/** What the same sticks do when the camera is not tilted as one thinks. */
function WrongTilt({
  settings: { rates, tiltDeg },
  turnDps,
  spinDps,
}: {
  settings: Settings;
  turnDps: number;
  spinDps: number;
}) {
  return (
    <>
      <Typography variant="h2" sx={{ mt: 3, mb: 0.5 }}>
        If the camera sits differently than you think
      </Typography>
      <PlainTable
        label="What a wrong tilt does"
        head={[
          "tilt off by",
          "turn: horizon leans after half a turn",
          "right sticks: roll",
          "yaw",
          "roll: view off after half a roll",
        ]}
        rows={TILT_ERRORS_DEG.map((errorDeg) => {
          const turn = tiltError("level-turn", rates, tiltDeg, turnDps, errorDeg);
          const roll = tiltError("view-roll", rates, tiltDeg, spinDps, errorDeg);
          return [
            `+${errorDeg}°`,
            `${numeral(turn.offAfterHalfTurnDeg, 0)}°`,
            changeText(turn.rollStickChange),
            changeText(turn.yawStickChange),
            `${numeral(roll.offAfterHalfTurnDeg, 0)}°`,
          ];
        })}
      />
      <Typography sx={{ fontSize: "0.85rem", color: "text.secondary", mt: 1 }}>
        Body rates of a steady turn, ISO 1151-1 axes: roll = turn · sin tilt, yaw = turn · cos tilt; about the view,
        roll = rate · cos tilt, yaw = rate · sin tilt the other way. Sticks through these curves.
      </Typography>
    </>
  );
}

function Fastest({ kind, settings: { rates, tiltDeg } }: { kind: MixKind; settings: Settings }) {
  const { speedDps, stopsAt } = fastestMix(kind, rates, tiltDeg);
  return (
    <>
      <b className="num">{numeral(speedDps, 0)} °/s</b> ({stopsAt} stick at its stop)
    </>
  );
}
