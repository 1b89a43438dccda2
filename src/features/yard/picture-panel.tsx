"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { v7 as newId } from "uuid";
import type { PlanPicture, PlanPoint } from "@/core";
import { useSend } from "@/ui/actions/use-send";
import { NumberSlider } from "@/ui/forms/number-slider";
import { useFilePicker } from "@/ui/forms/use-file-picker";
import { Box } from "@/ui/layout/box";
import { Fold } from "@/ui/layout/fold";
import { usePreferences } from "@/ui/theme/preferences";
import { quantityText } from "@/words";
import { NumberField } from "./number-field";
import { shrunkPicture } from "./shrunk-picture";

/** A picture is laid as wide as this until it is scaled, m. Ours. */
const FIRST_WIDTH_M = 100;

/** A picture of one's own under the plan: a photo from above or a sketch, scaled by two points of known distance. */
export function PicturePanel(props: {
  siteId: string;
  picture: PlanPicture | undefined;
  /** Where a new one is laid. */
  middle: () => PlanPoint;
  /** What was measured last on the plan, m; null for nothing. */
  measuredM: number | null;
  onMeasure: () => void;
  onChange: (picture: PlanPicture | undefined, gesture: string | null) => void;
}) {
  const { siteId, picture, middle, measuredM, onMeasure, onChange } = props;
  const { sendAction, pending } = useSend();
  const [problem, setProblem] = useState<string | null>(null);
  const take = async (file: File) => {
    try {
      const { jpeg, widthPx, heightPx } = await shrunkPicture(file);
      setProblem(null);
      const id = newId();
      if (!(await sendAction("put-site-picture", { id: siteId, pictureId: id, jpeg })).ok) return;
      const lies = picture ?? { at: middle(), widthM: FIRST_WIDTH_M, turnedDeg: 0, strength: 0.6 };
      onChange({ ...lies, id, widthPx, heightPx }, null);
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  const { input, pick } = useFilePicker({
    label: "Picture to lie under the plan",
    accept: "image/jpeg,image/png,image/webp",
    onFile: (file) => void take(file),
  });
  const change = (part: Partial<PlanPicture>, gesture: string) =>
    picture && onChange({ ...picture, ...part }, `picture ${gesture}`);
  return (
    <Fold title="Picture underneath" beside={picture ? "laid" : undefined} level={2}>
      <Box sx={{ display: "grid", gap: 1.5, pt: 1 }}>
        {input}
        <Typography sx={{ fontSize: "0.9rem" }}>
          A photo from above or a sketch. It is redrawn: where and when it was taken is left out.
        </Typography>
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
          <Button size="small" variant="outlined" disabled={pending} onClick={pick}>
            {picture ? "Another picture" : "Choose a picture"}
          </Button>
          {picture && (
            <Button size="small" variant="outlined" onClick={() => onChange(undefined, null)}>
              Take it away
            </Button>
          )}
        </Box>
        {problem && (
          <Typography role="alert" color="error.main">
            ▲ {problem}
          </Typography>
        )}
        {picture && (
          <>
            <NumberSlider
              label="Turned"
              quantity="angle"
              value={picture.turnedDeg}
              range={[-180, 180]}
              step={1}
              digits={0}
              onChange={(turnedDeg) => change({ turnedDeg }, "turn")}
            />
            <NumberSlider
              label="Seen, %"
              value={Math.round(100 * picture.strength)}
              range={[10, 100]}
              step={5}
              digits={0}
              onChange={(percent) => change({ strength: percent / 100 }, "strength")}
            />
            <Scale key={measuredM} {...{ picture, measuredM, onMeasure }} onChange={(part) => change(part, "scale")} />
            <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1 }}>
              {(["eastM", "northM"] as const).map((axis) => (
                <NumberField
                  key={axis}
                  label={axis === "eastM" ? "Middle, east" : "Middle, north"}
                  value={picture.at[axis]}
                  quantity="length"
                  range={[-5000, 5000]}
                  onChange={(m) => m !== null && change({ at: { ...picture.at, [axis]: m } }, axis)}
                />
              ))}
            </Box>
          </>
        )}
      </Box>
    </Fold>
  );
}

/** Scaled by what was measured between two points of it on the plan, and what that is on the ground. */
function Scale(props: {
  picture: PlanPicture;
  measuredM: number | null;
  onMeasure: () => void;
  onChange: (part: Partial<PlanPicture>) => void;
}) {
  const { picture, measuredM, onMeasure, onChange } = props;
  const { units } = usePreferences();
  const [trueM, setTrue] = useState<number | null>(null);
  if (measuredM === null || measuredM < 0.5)
    return (
      <Box sx={{ display: "grid", gap: 0.5 }}>
        <Typography>
          <b className="num">{quantityText(picture.widthM, "length", units, 1)}</b> wide. To scale it, measure between
          two points that you know the distance of.
        </Typography>
        <Button size="small" variant="outlined" sx={{ justifySelf: "start" }} onClick={onMeasure}>
          Measure between two points
        </Button>
      </Box>
    );
  return (
    <Box sx={{ display: "grid", gap: 1 }}>
      <Typography>
        You measured <b className="num">{quantityText(measuredM, "length", units, 2)}</b> on the plan.
      </Typography>
      <NumberField
        label="On the ground that is"
        value={trueM}
        quantity="length"
        range={[0.5, 5000]}
        mayBeEmpty
        onChange={setTrue}
      />
      <Button
        size="small"
        variant="outlined"
        sx={{ justifySelf: "start" }}
        disabled={trueM === null}
        onClick={() => trueM !== null && onChange({ widthM: Math.min(10_000, (picture.widthM * trueM) / measuredM) })}
      >
        Scale the picture
      </Button>
    </Box>
  );
}
