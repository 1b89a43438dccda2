"use client";

import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { mounts, type Aircraft, type Mount, type TiltReading } from "@/contract";
import { useSend } from "@/ui/actions/use-send";
import { PickOne } from "@/ui/forms/pick-one";
import { Box } from "@/ui/layout/box";
import { PlainTable } from "@/ui/layout/plain-table";
import { Moment } from "@/ui/moment/moment";
import { quantityText } from "@/words";

/** A camera that reads this much off its setup has moved, °. A protractor reads to about half a degree. */
const MOVED_DEG = 1;
const mountWords: Readonly<Record<Mount, string>> = {
  fixed: "fixed: one angle",
  adjustable: "adjustable: can be set, and slips",
};
const angle = (deg: number) => quantityText(deg, "angle", "metric", 1);

/** How the camera is mounted, and every reading of its tilt against the setup. */
export function TiltReadings({
  aircraft,
  tilts,
  setupTiltDeg,
  mayChange,
}: {
  aircraft: Aircraft;
  tilts: readonly TiltReading[];
  setupTiltDeg: number;
  mayChange: boolean;
}) {
  const router = useRouter();
  const { sendAction, pending } = useSend();
  const { id, version, mount } = aircraft;
  const set = async (next: Mount) => {
    if (next !== mount && (await sendAction("set-mount", { id, version, mount: next })).ok) router.refresh();
  };
  const last = tilts.at(0);
  const offDeg = last ? last.tiltDeg - setupTiltDeg : 0;
  return (
    <Box component="section" aria-labelledby="tilts" sx={{ mt: 2 }}>
      <Typography variant="h2" id="tilts" sx={{ mb: 1 }}>
        The mount, and what was read
      </Typography>
      <PickOne
        label="Mount of the camera"
        value={mount ?? ""}
        options={mounts.map((one) => [one, mountWords[one]])}
        disabled={!mayChange || pending}
        onPick={(next) => void set(next as Mount)}
      />
      {last && Math.abs(offDeg) > MOVED_DEG && (
        <Typography role="status" sx={(theme) => ({ mt: 1, fontWeight: 650, color: theme.tokens.buoyText })}>
          ▲ Last read {angle(Math.abs(offDeg))} {offDeg > 0 ? "more" : "less"} than this setup has:{" "}
          {mount === "fixed" ? "take the reading into the setup" : "set the camera back, or take the reading"}; the mix
          of roll and yaw hangs on it.
        </Typography>
      )}
      {tilts.length === 0 ? (
        <Typography color="text.secondary" sx={{ mt: 1 }}>
          Never measured. Two or three readings tell how far to trust one.
        </Typography>
      ) : (
        <Box sx={{ mt: 1, maxWidth: 520 }}>
          <PlainTable
            label="Readings of the tilt"
            head={["read on", "tilt", "spread", "against this setup"]}
            rows={tilts.map(({ tiltDeg, spreadDeg, atMs }) => [
              <Moment key="when" atMs={atMs} show="day" />,
              angle(tiltDeg),
              spreadDeg === undefined ? "one reading" : angle(spreadDeg),
              `${tiltDeg >= setupTiltDeg ? "+" : "−"}${angle(Math.abs(tiltDeg - setupTiltDeg))}`,
            ])}
          />
        </Box>
      )}
    </Box>
  );
}
