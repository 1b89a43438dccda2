"use client";

import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Aircraft, FlightState } from "@/contract";
import { airframePresets, measuredNumbers, MODEL_VERSION, withMass } from "@/core";
import { useSend } from "@/ui/actions/use-send";
import { useUndoable } from "@/ui/actions/use-undoable";
import { choiceField } from "@/ui/forms/form-fields";
import { SendFormLater as SendForm } from "@/ui/forms/send-form-later";
import { Box } from "@/ui/layout/box";
import { Dialog } from "@/ui/layout/opened";
import { usePreferences } from "@/ui/theme/preferences";
import { entryIn, numeral, quantityText } from "@/words";
import { gramsFrom } from "./grams";
import type { SetupData } from "./load";
import { FlightStateLine } from "./flight-state";
import { SetupEditor } from "./setup-editor";
import type { Tab } from "./setup-parts";

/** Setup: the aircraft and the versioned settings on it. */
export function SetupScreen({ data }: { data: SetupData }) {
  const { units } = usePreferences();
  const { pilot, aircraft } = data;
  const [adding, setAdding] = useState(false);
  // Stays over a save, which begins the editor anew.
  const [tab, setTab] = useState<Tab>("rates");
  const router = useRouter();
  const form = (
    <SendForm
      action="add-aircraft"
      submit="Add aircraft"
      fields={{
        name: { label: "Name of the aircraft", initial: "" },
        presetId: {
          label: "Kind",
          initial: "five-inch-freestyle",
          options: Object.values(airframePresets).map((preset) => [preset.id, preset.name]),
          help: "An estimate to begin with, until you measure",
        },
        massG: { label: `Weighed with battery, ${entryIn("mass", units).symbol} (optional)`, initial: "" },
        thrustToWeight: { label: "Thrust over weight, measured (optional)", initial: "" },
        flightState: choiceField<FlightState>({
          label: "State",
          initial: "new",
          options: [
            ["new", "new: first flight by eye"],
            ["repaired", "repaired: first flight by eye"],
            ["flying", "flying"],
          ],
        }),
      }}
      input={(values, id) => ({ id, pilotId: pilot.id, ...values, massG: gramsFrom(values.massG, units) })}
      onDone={(id) => {
        setAdding(false);
        router.push(`/setup?pilot=${pilot.id}&aircraft=${id}`);
        router.refresh();
      }}
    />
  );
  if (!aircraft) {
    return (
      <Box sx={{ maxWidth: 560 }}>
        <Typography variant="h1">Setup for {pilot.name}</Typography>
        <Typography sx={{ my: 2 }}>
          {data.mayChange
            ? `${pilot.name} has no aircraft yet. Add one from a kind: its numbers are estimates, and every figure in the briefs follows from them.`
            : "You have no aircraft here yet. Your coach adds one; then every figure in your briefs follows from it."}
        </Typography>
        {data.mayChange && form}
      </Box>
    );
  }
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "baseline", columnGap: 3, rowGap: 1, mb: 1 }}>
        <Typography variant="h1">{aircraft.name}</Typography>
        <AircraftNumbers aircraft={aircraft} />
        <Box sx={{ flex: 1 }} />
        {data.mayChange && (
          <>
            <RenameAircraft aircraft={aircraft} />
            <RemoveAircraft aircraft={aircraft} />
            <Button variant="outlined" onClick={() => setAdding(true)}>
              Add an aircraft
            </Button>
          </>
        )}
      </Box>
      <FiguresChanged aircraft={aircraft} mayChange={data.mayChange} />
      <FlightStateLine aircraft={aircraft} flights={data.checks.flights} mayChange={data.mayChange} />
      <SetupEditor
        key={`${aircraft.id} ${data.setups[0]?.id ?? "none"}`}
        data={data}
        aircraft={aircraft}
        tab={tab}
        onTab={setTab}
      />
      <Dialog open={adding} onClose={() => setAdding(false)} aria-labelledby="add-aircraft" fullWidth maxWidth="xs">
        <DialogTitle id="add-aircraft">Add an aircraft for {pilot.name}</DialogTitle>
        <DialogContent>
          <Box sx={{ pt: 1 }}>{form}</Box>
        </DialogContent>
      </Dialog>
    </>
  );
}

function RenameAircraft({ aircraft: { id, name, version } }: { aircraft: Aircraft }) {
  const router = useRouter();
  const [renaming, setRenaming] = useState(false);
  return (
    <>
      <Button onClick={() => setRenaming(true)}>Rename</Button>
      <Dialog open={renaming} onClose={() => setRenaming(false)} aria-labelledby="rename" fullWidth maxWidth="xs">
        <DialogTitle id="rename">Rename {name}</DialogTitle>
        <DialogContent>
          <Box sx={{ pt: 1 }}>
            <SendForm
              action="rename-aircraft"
              submit="Rename"
              fields={{ name: { label: "Name of the aircraft", initial: name } }}
              input={(typed) => ({ id, version, name: typed.name })}
              onDone={() => {
                setRenaming(false);
                router.refresh();
              }}
            />
          </Box>
        </DialogContent>
      </Dialog>
    </>
  );
}

/** Puts an aircraft into the bin, from where it comes back for 30 days. */
function RemoveAircraft({ aircraft }: { aircraft: Aircraft }) {
  const router = useRouter();
  const undoable = useUndoable();
  const { id, name, pilotId } = aircraft;
  return (
    <Button
      onClick={async () => {
        const done = `${name} is in the bin for 30 days; what was flown with it stays`;
        if (await undoable("remove-aircraft", "restore-aircraft", id, done)) router.push(`/setup?pilot=${pilotId}`);
      }}
    >
      Delete
    </Button>
  );
}

function AircraftNumbers({ aircraft }: { aircraft: Aircraft }) {
  const { units } = usePreferences();
  const { airframe, presetId, estimate, measurements } = aircraft;
  const preset = airframePresets[presetId];
  const measured = measuredNumbers(measurements);
  // A weight or thrust typed when the aircraft was added is measured too: it is not what its kind says.
  const kind = preset?.airframe && withMass(preset.airframe, estimate.massKg);
  const weighed = measured.includes("massKg") || estimate.massKg !== preset?.airframe.massKg;
  const pushes =
    measured.includes("thrustToWeight") ||
    kind === undefined ||
    Math.abs(kind.thrustToWeight - estimate.thrustToWeight) > 1e-9;
  const given = (isMeasured: boolean) => (isMeasured ? "measured" : "estimate");
  return (
    <Box component="span" sx={{ fontSize: "0.92rem" }}>
      {preset?.name} · <b className="num">{quantityText(airframe.massKg, "mass", units)}</b> ({given(weighed)}) · thrust{" "}
      <b className="num">{numeral(airframe.thrustToWeight, 1)}</b> × weight ({given(pushes)})
    </Box>
  );
}

/** Said once of an aircraft kept before the flight model knew what it knows now. */
function FiguresChanged({ aircraft, mayChange }: { aircraft: Aircraft; mayChange: boolean }) {
  const { sendAction, pending } = useSend();
  const router = useRouter();
  const { id, version, measurements, modelVersion } = aircraft;
  if (modelVersion >= MODEL_VERSION) return null;
  const accept = async () => {
    if ((await sendAction("measure-aircraft", { id, version, measurements })).ok) router.refresh();
  };
  return (
    <Alert
      severity="warning"
      sx={{ mb: 2 }}
      action={
        mayChange && (
          <Button color="inherit" disabled={pending} onClick={accept}>
            Figures checked
          </Button>
        )
      }
    >
      Figures changed: the flight model now counts inflow, air density, rotor drag, battery sag and the rate loop of
      this size of aircraft. What nobody measured is the estimate of its kind: look through Measured and estimated.
    </Alert>
  );
}
