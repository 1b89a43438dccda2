"use client";

import Button from "@mui/material/Button";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import FormControlLabel from "@mui/material/FormControlLabel";
import Switch from "@mui/material/Switch";
import Typography from "@mui/material/Typography";
import { propsFound, typedNumber, type PropsFound, type TallyAircraft } from "@/contract";
import { isRecord, isText } from "@/ui/device/device-storage";
import { useDeviceState } from "@/ui/device/use-device-state";
import { PickOne } from "@/ui/forms/pick-one";
import { TextField } from "@/ui/forms/text-field";
import { Box } from "@/ui/layout/box";
import { Dialog } from "@/ui/layout/opened";
import { Moment } from "@/ui/moment/moment";
import { quantityText } from "@/words";

/** A camera that sits this much off what the setup says has moved, °. A protractor reads to about half a degree. */
const MOVED_DEG = 1;

/** How far the check of an aircraft has come, as this device has it. */
interface Looked {
  readonly props: PropsFound | null;
  readonly tilt: string;
  readonly byEye: boolean;
}
const NOTHING: Looked = { props: null, tilt: "", byEye: false };
const lookedFrom = (kept: unknown): Looked | null =>
  isRecord(kept)
    ? {
        props: propsFound.find((one) => one === kept.props) ?? null,
        tilt: isText(kept.tilt) ? kept.tilt : "",
        byEye: kept.byEye === true,
      }
    : null;

interface CrashCheckProps {
  readonly aircraft: TallyAircraft;
  /** Null where only a coach clears it. */
  readonly onClear: ((found: { readonly props: PropsFound; readonly tiltDeg: number }) => void) | null;
  readonly open: boolean;
  readonly onOpen: () => void;
  readonly onClose: () => void;
}

/** An aircraft that crashed stays marked until it was looked at: propellers, tilt, a flight by eye. */
export function CrashCheck({ aircraft, onClear, open, onOpen, onClose }: CrashCheckProps) {
  const [looked, change] = useDeviceState(`bathygon-check-${aircraft.id}`, NOTHING, lookedFrom);
  if (aircraft.openCrashes.length === 0) return null;
  const tiltDeg = typedNumber(looked.tilt);
  const measured = looked.tilt.trim() !== "" && tiltDeg >= 0 && tiltDeg <= 90;
  const set = (part: Partial<Looked>) => change((before) => ({ ...before, ...part }));
  const clear = () => {
    if (!onClear || !looked.props || !measured) return;
    onClear({ props: looked.props, tiltDeg });
    change(() => NOTHING);
    onClose();
  };
  return (
    <>
      <Mark name={aircraft.name} onOpen={onOpen} />
      <Dialog open={open} onClose={onClose} aria-labelledby="crash-check" fullWidth maxWidth="xs">
        <DialogTitle id="crash-check">After the crash: {aircraft.name}</DialogTitle>
        <DialogContent>
          <Typography component="h3" sx={{ fontWeight: 650 }}>
            1 Disarm, battery off, then the props
          </Typography>
          <PickOne
            label="Props"
            value={looked.props ?? ""}
            options={[
              ["fine", "All fine"],
              ["changed", "Changed"],
            ]}
            onPick={(props) => set({ props: propsFound.find((one) => one === props) ?? null })}
            buttonSx={{ minHeight: 56, px: 2 }}
          />
          <Typography component="h3" sx={{ fontWeight: 650, mt: 2 }}>
            2 Measure the camera tilt
          </Typography>
          <TextField
            label="Tilt now, °"
            value={looked.tilt}
            onChange={(event) => set({ tilt: event.target.value })}
            error={looked.tilt.trim() !== "" && !measured}
            helperText={
              <>
                Setup {quantityText(aircraft.tiltDeg, "angle", "metric", 1)}
                {aircraft.lastTilt && (
                  <>
                    , last measured {quantityText(aircraft.lastTilt.tiltDeg, "angle", "metric", 1)} on{" "}
                    <Moment atMs={aircraft.lastTilt.atMs} show="day" />
                  </>
                )}
              </>
            }
            slotProps={{ htmlInput: { inputMode: "decimal", maxLength: 5 }, inputLabel: { shrink: true } }}
            sx={{ mt: 1, width: 260, "& input": { fontSize: "1.3rem" } }}
          />
          {measured && <TiltMoved tiltDeg={tiltDeg} setupDeg={aircraft.tiltDeg} />}
          <Typography component="h3" sx={{ fontWeight: 650, mt: 2 }}>
            3 Fly it by eye
          </Typography>
          <FormControlLabel
            sx={{ minHeight: 56 }}
            control={<Switch checked={looked.byEye} onChange={(_, byEye) => set({ byEye })} />}
            label="Hovers, answers every stick, sounds as before"
          />
          {!onClear && <Typography>Your coach clears it to fly.</Typography>}
        </DialogContent>
        <DialogActions>
          <Button sx={{ minHeight: 56 }} onClick={onClose}>
            Later
          </Button>
          {onClear && (
            <Button
              variant="contained"
              sx={{ minHeight: 56 }}
              disabled={!looked.props || !measured || !looked.byEye}
              onClick={clear}
            >
              Clear it to fly
            </Button>
          )}
        </DialogActions>
      </Dialog>
    </>
  );
}

function Mark({ name, onOpen }: { name: string; onOpen: () => void }) {
  return (
    <Box
      role="alert"
      sx={(theme) => ({
        display: "flex",
        alignItems: "center",
        gap: 1,
        pl: 1.5,
        borderLeft: `6px solid ${theme.tokens.buoy}`,
        fontWeight: 650,
        color: theme.tokens.buoyText,
      })}
    >
      <Box component="span" sx={{ flex: 1, minWidth: 0, overflowWrap: "anywhere" }}>
        ✕ {name} crashed: not through goggles before it is checked.
      </Box>
      <Button variant="outlined" sx={{ minHeight: 56, flexShrink: 0 }} onClick={onOpen}>
        Check it
      </Button>
    </Box>
  );
}

function TiltMoved({ tiltDeg, setupDeg }: { tiltDeg: number; setupDeg: number }) {
  const offDeg = tiltDeg - setupDeg;
  const moved = Math.abs(offDeg) > MOVED_DEG;
  return (
    <Box
      role="status"
      sx={(theme) => ({ mt: 0.5, fontWeight: moved ? 650 : 400, color: moved ? theme.tokens.buoyText : undefined })}
    >
      {moved
        ? `It moved by ${quantityText(Math.abs(offDeg), "angle", "metric", 1)}: set it back, or the mix of roll and yaw no longer fits.`
        : "As the setup says."}
    </Box>
  );
}
