"use client";

import Button from "@mui/material/Button";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { v7 as newId } from "uuid";
import { checkParts, toBeChecked, type Aircraft, type CheckFlight, type Defect } from "@/contract";
import { useSend } from "@/ui/actions/use-send";
import { useUndoOffer } from "@/ui/actions/use-undoable";
import { TextField } from "@/ui/forms/text-field";
import { Box } from "@/ui/layout/box";
import { Fold } from "@/ui/layout/fold";
import { PlainTable } from "@/ui/layout/plain-table";
import { Moment } from "@/ui/moment/moment";
import { usePreferences } from "@/ui/theme/preferences";
import { capital, checkQuestions, defectWords, quantityText } from "@/words";
import { CheckFlightDialog } from "./check-flight";

/** Whether an aircraft is ready, what is wrong with it, and the check flight that clears it. */
export function FlightStateLine({
  aircraft,
  flights,
  mayChange,
}: {
  aircraft: Aircraft;
  /** Check flights, newest first. */
  flights: readonly CheckFlight[];
  mayChange: boolean;
}) {
  const { sendAction, pending } = useSend();
  const router = useRouter();
  const { units } = usePreferences();
  const [checking, setChecking] = useState(false);
  const [noting, setNoting] = useState(false);
  const { id, lastTilt, openDefects } = aircraft;
  const why = toBeChecked(aircraft);
  const repaired = async () => {
    if ((await sendAction("set-flight-state", { id, flightState: "repaired" })).ok) router.refresh();
  };
  return (
    <Box sx={{ mb: 2, fontSize: "0.92rem", color: why === null ? "text.secondary" : "error.main" }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, alignItems: "center" }}>
        {why === null ? (
          <>
            Checked and flying.
            {lastTilt && (
              <span>
                Tilt measured {quantityText(lastTilt.tiltDeg, "angle", units, 1)} on{" "}
                <Moment atMs={lastTilt.atMs} show="day" />.
              </span>
            )}
          </>
        ) : (
          <b>
            ▲ {capital(why)}: first flight by eye, not goggles. Propellers off on the bench
            {why !== "new" && "; measure the tilt before anything else, under Tilt"}.
          </b>
        )}
        {mayChange && (
          <>
            <Button
              size="small"
              variant={why === null ? "text" : "outlined"}
              onClick={() => setChecking(true)}
              sx={{ minHeight: 28 }}
            >
              Check flight
            </Button>
            <Button size="small" onClick={() => setNoting(!noting)} sx={{ minHeight: 28 }}>
              Note a defect
            </Button>
            {why === null && (
              <Button size="small" disabled={pending} onClick={repaired} sx={{ minHeight: 28 }}>
                Mark as repaired
              </Button>
            )}
          </>
        )}
      </Box>
      {noting && <NoteDefect aircraftId={id} onDone={() => setNoting(false)} />}
      {openDefects.map((defect) => (
        <OpenDefect key={defect.id} aircraftId={id} defect={defect} mayChange={mayChange} />
      ))}
      {flights.length > 0 && (
        <Box sx={{ maxWidth: 760, mt: 0.5 }}>
          <Fold level={2} title="Check flights" beside={String(flights.length)}>
            <PlainTable
              label="Check flights"
              head={["flown on", "turns", "sticks at rest", "sound", "motors", "by"]}
              rows={flights.map((one) => [
                <Moment key="when" atMs={one.atMs} show="day" />,
                ...checkParts.map(
                  (part) => (checkQuestions[part].answers as Readonly<Record<string, string>>)[one[part]],
                ),
                one.coachName,
              ])}
            />
          </Fold>
        </Box>
      )}
      {mayChange && <CheckFlightDialog aircraft={aircraft} open={checking} onClose={() => setChecking(false)} />}
    </Box>
  );
}

/** Something that is wrong, until it is mended. */
function OpenDefect({ aircraftId, defect, mayChange }: { aircraftId: string; defect: Defect; mayChange: boolean }) {
  const { sendAction, pending } = useSend();
  const offerUndo = useUndoOffer();
  const set = (mended: boolean) => sendAction("mend-defect", { id: defect.id, aircraftId, mended });
  return (
    <Box
      sx={(theme) => ({
        display: "flex",
        gap: 2,
        alignItems: "center",
        minHeight: 36,
        color: theme.tokens.buoyText,
        borderLeft: `4px solid ${theme.tokens.buoy}`,
        pl: 1,
        mt: 0.5,
      })}
    >
      <span>
        ▲ {defectWords(defect)}, since <Moment atMs={defect.foundAtMs} show="day" />
      </span>
      {mayChange && (
        <Button
          size="small"
          disabled={pending}
          sx={{ minHeight: 28 }}
          onClick={async () => {
            if ((await set(true)).ok) offerUndo("Repaired; fly a check flight to clear it", () => set(false));
          }}
        >
          Mended
        </Button>
      )}
    </Box>
  );
}

function NoteDefect({ aircraftId, onDone }: { aircraftId: string; onDone: () => void }) {
  const { sendAction, pending } = useSend();
  const router = useRouter();
  const [id] = useState(() => newId());
  const [what, setWhat] = useState("");
  const keep = async () => {
    if (!(await sendAction("add-defect", { id, aircraftId, what: what.trim() })).ok) return;
    onDone();
    router.refresh();
  };
  return (
    <Box sx={{ display: "flex", gap: 1, mt: 1, maxWidth: 560 }}>
      <TextField
        size="small"
        fullWidth
        label="What is wrong"
        value={what}
        onChange={(event) => setWhat(event.target.value)}
        onKeyDown={(event) => event.key === "Enter" && what.trim() !== "" && void keep()}
        slotProps={{ htmlInput: { maxLength: 200 } }}
      />
      <Button variant="outlined" disabled={pending || what.trim() === ""} onClick={keep}>
        Keep
      </Button>
    </Box>
  );
}
