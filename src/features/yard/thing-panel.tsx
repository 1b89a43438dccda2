"use client";

import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import Typography from "@mui/material/Typography";
import { areaM2, groundKinds, planShapes, type PlanFeature, type PlanPoint } from "@/core";
import { PickOne } from "@/ui/forms/pick-one";
import { TextField } from "@/ui/forms/text-field";
import { Box } from "@/ui/layout/box";
import { Fold } from "@/ui/layout/fold";
import { Num } from "@/ui/units/figure";
import { groundNames, planKindNames } from "@/words";
import { NumberField } from "./number-field";

const stands: readonly PlanFeature["kind"][] = ["building", "wall", "bar", "gap", "post", "tree"];
const hasWidth: readonly PlanFeature["kind"][] = ["post", "tree"];
const PLACE_RANGE = [-5000, 5000] as const;

/** What is said of one thing on the plan, by name and by numbers. */
export function ThingPanel(props: {
  feature: PlanFeature;
  mayChange: boolean;
  onChange: (change: Partial<PlanFeature>, gesture: string) => void;
  onRemove: () => void;
}) {
  const { feature, mayChange, onChange, onRemove } = props;
  const { kind, points } = feature;
  return (
    <Box component="section" aria-labelledby="thing">
      <Typography variant="h2" id="thing">
        {planKindNames[kind]}
      </Typography>
      {planShapes[kind] === "area" && (
        <Typography sx={{ fontSize: "0.88rem", color: "text.secondary", mb: 1 }}>
          <Num value={areaM2(points)} quantity="area" />, <b className="num">{points.length}</b> corners
        </Typography>
      )}
      <Box sx={{ display: "grid", gap: 1.5, mt: 1 }}>
        <TextField
          size="small"
          label="Name"
          value={feature.name}
          disabled={!mayChange}
          onChange={(event) => onChange({ name: event.target.value }, "name")}
          slotProps={{ htmlInput: { maxLength: 80 } }}
        />
        {stands.includes(kind) && (
          <NumberField
            label="Height"
            value={feature.heightM}
            quantity="length"
            range={[0.1, 300]}
            disabled={!mayChange}
            onChange={(heightM) => onChange({ heightM }, "height")}
          />
        )}
        {hasWidth.includes(kind) && (
          <NumberField
            label={kind === "tree" ? "Crown across" : "Thickness"}
            value={feature.widthM}
            quantity="length"
            range={[0.05, 100]}
            disabled={!mayChange}
            onChange={(widthM) => onChange({ widthM }, "width")}
          />
        )}
        {kind === "ground" && (
          <>
            <PickOne
              label="What the ground is"
              value={feature.ground ?? "grass"}
              disabled={!mayChange}
              options={groundKinds.map((ground) => [ground, groundNames[ground]] as const)}
              onPick={(ground) => onChange({ ground, fetchable: ground !== "water" }, "ground")}
            />
            <FormControlLabel
              control={
                <Checkbox
                  size="small"
                  checked={feature.fetchable}
                  disabled={!mayChange}
                  onChange={(_, fetchable) => onChange({ fetchable }, "fetchable")}
                />
              }
              label="A lost aircraft can be fetched from here"
            />
          </>
        )}
      </Box>
      <ByNumbers
        points={points}
        mayChange={mayChange}
        onPoints={(moved, gesture) => onChange({ points: moved }, gesture)}
      />
      {mayChange && (
        <Button size="small" variant="outlined" onClick={onRemove} sx={{ mt: 1 }}>
          Take it off the plan
        </Button>
      )}
    </Box>
  );
}

/** Each of its places typed, east and north of the origin. */
function ByNumbers({
  points,
  mayChange,
  onPoints,
}: {
  points: readonly PlanPoint[];
  mayChange: boolean;
  onPoints: (points: readonly PlanPoint[], gesture: string) => void;
}) {
  return (
    <Fold title="By numbers" beside={`${points.length}`}>
      <Box component="ol" sx={{ listStyle: "none", p: 0, m: 0, display: "grid", gap: 1, pt: 1 }}>
        {points.slice(0, 60).map((point, i) => (
          <Box component="li" key={i} sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1 }}>
            {(["eastM", "northM"] as const).map((name) => (
              <NumberField
                key={name}
                label={`${name === "eastM" ? "East" : "North"} ${points.length > 1 ? i + 1 : ""}`.trim()}
                value={point[name]}
                quantity="length"
                range={PLACE_RANGE}
                disabled={!mayChange}
                onChange={(value) =>
                  value !== null &&
                  onPoints(
                    points.map((one, n) => (n === i ? { ...one, [name]: value } : one)),
                    `point ${i} ${name}`,
                  )
                }
              />
            ))}
          </Box>
        ))}
      </Box>
      {points.length > 60 && (
        <Typography sx={{ fontSize: "0.85rem", mt: 1 }}>
          The first 60 of <Num value={points.length} quantity="count" />; the rest is moved on the plan.
        </Typography>
      )}
    </Fold>
  );
}
