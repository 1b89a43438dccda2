"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { ownCruise, loadedAirframe, proposedMid, stickTravelOf, throttlePoints, type Settings } from "@/core";
import type { Aircraft, Pilot, KeptLoad } from "@/contract";
import { useUndoable } from "@/ui/actions/use-undoable";
import { useAir } from "@/ui/air/use-air";
import { SendFormLater as SendForm } from "@/ui/forms/send-form-later";
import { Box } from "@/ui/layout/box";
import { PlainTable } from "@/ui/layout/plain-table";
import { usePreferences } from "@/ui/theme/preferences";
import { entryIn, numeral, percent, quantityText } from "@/words";
import { gramsFrom } from "./grams";

const reached = (share: number | null | undefined) =>
  share === null || share === undefined ? "out of reach" : percent(share);

/** Other batteries and cameras of the aircraft, each with what it does to hover, cruise and the throttle's mid. */
export function LoadsPanel({
  aircraft,
  loads,
  settings,
  pilot,
  mayChange,
}: {
  aircraft: Aircraft;
  loads: readonly KeptLoad[];
  /** As they stand on this screen, saved or not. */
  settings: Settings;
  pilot: Pilot;
  mayChange: boolean;
}) {
  const air = useAir();
  const router = useRouter();
  const undoable = useUndoable();
  const { units } = usePreferences();
  const [round, setRound] = useState(0);
  const cruising = { tiltDeg: settings.tiltDeg, cruiseMps: pilot.cruiseMps };
  const rows = [null, ...loads].map((load) => {
    const airframe = load ? loadedAirframe(aircraft.airframe, load) : aircraft.airframe;
    const points = throttlePoints(settings.throttle, airframe, cruising, air, stickTravelOf(pilot));
    const cruise = ownCruise(airframe, cruising, air);
    return [
      load?.name ?? "as it is",
      quantityText(airframe.massKg, "mass", units),
      `${numeral(airframe.thrustToWeight, 1)} ×${load && load.thrustToWeight === null ? " (by weight)" : ""}`,
      reached(points.hover.stick),
      cruise ? quantityText(cruise.speedMps, "speed", units) : "none",
      cruise ? reached(points.cruise?.stick) : "none",
      cruise ? numeral(proposedMid(settings.throttle, cruise.throttle), 2) : "none",
      ...(mayChange
        ? [
            load && (
              <Button
                size="small"
                aria-label={`Take ${load.name} off the list`}
                onClick={() =>
                  undoable("remove-load", "restore-load", load.id, `${load.name} is off the list; what was flown stays`)
                }
              >
                Take off
              </Button>
            ),
          ]
        : []),
    ];
  });
  return (
    <section aria-labelledby="loads">
      <Typography variant="h2" id="loads" sx={{ mb: 1 }}>
        Loads
      </Typography>
      <Typography sx={{ mb: 2, maxWidth: 640 }}>
        Another battery or another camera is another aircraft to the thumb. Pick the load next to the aircraft at the
        top, or in the plan: briefs, start heights and attempts follow it.
      </Typography>
      <PlainTable
        label="Loads"
        head={[
          "Load",
          "Weight",
          "Thrust over weight",
          "Hovers at, of the stick",
          `Cruise at ${settings.tiltDeg}°`,
          "Cruise, of the stick",
          "Mid that fits",
          ...(mayChange ? [""] : []),
        ]}
        rows={rows}
      />
      {mayChange && (
        <Box sx={{ mt: 3, maxWidth: 420 }}>
          <Typography variant="h3" sx={{ mb: 1 }}>
            Add a load
          </Typography>
          <SendForm
            key={round}
            action="add-load"
            submit="Add load"
            fields={{
              name: { label: "Name of the load", initial: "", help: "Such as “long pack” or “with camera”" },
              massG: { label: `Weight with it on, ready to fly, ${entryIn("mass", units).symbol}`, initial: "" },
              thrustToWeight: { label: "Thrust over weight with it, measured (optional)", initial: "" },
            }}
            input={(values, id) => ({ id, aircraftId: aircraft.id, ...values, massG: gramsFrom(values.massG, units) })}
            onDone={() => {
              setRound((now) => now + 1);
              router.refresh();
            }}
          />
        </Box>
      )}
    </section>
  );
}
