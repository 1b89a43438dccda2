"use client";

import {
  rateParameters,
  rateRanges,
  settingsRanges,
  throttleLimitKinds,
  throttleRanges,
  type RateCurve,
  type ThrottleLimitKind,
  type ThrottleProfile,
} from "@/core";
import { NumberSlider } from "../forms/number-slider";
import { Option } from "../forms/options";
import { SelectField } from "../forms/select-field";

const parameterNames = {
  base: "Base",
  rise: "Rise",
  expo: "Expo",
  centreDps: "Centre, °/s",
  endDps: "End, °/s",
} as const;
const limitNames: Readonly<Record<ThrottleLimitKind, string>> = {
  off: "off",
  scale: "scale: all of the stick, less of the power",
  clip: "clip: stick past the limit does nothing",
};

/** The figures of one rate curve. */
export function CurveSliders({
  axis,
  curve,
  onChange,
}: {
  axis: "roll" | "pitch" | "yaw";
  curve: RateCurve;
  onChange: (curve: RateCurve) => void;
}) {
  return rateParameters(curve.family).map((name) => (
    <NumberSlider
      key={name}
      label={`${axis} ${parameterNames[name].toLowerCase()}`}
      value={(curve as unknown as Record<string, number>)[name]}
      range={rateRanges[name]}
      step={name.endsWith("Dps") ? 5 : 0.01}
      digits={name.endsWith("Dps") ? 0 : 2}
      onChange={(value) => onChange({ ...curve, [name]: value })}
    />
  ));
}

interface ThrottleProps {
  readonly profile: ThrottleProfile;
  readonly onChange: (profile: ThrottleProfile) => void;
}

/** Where the soft part of the throttle lies, and how soft it is. */
export function MidAndExpo({ profile, onChange }: ThrottleProps) {
  return (
    <>
      <NumberSlider
        label="Mid"
        value={profile.mid}
        range={throttleRanges.mid}
        step={0.01}
        digits={2}
        onChange={(mid) => onChange({ ...profile, mid })}
      />
      <NumberSlider
        label="Throttle expo"
        value={profile.expo}
        range={throttleRanges.expo}
        step={0.01}
        digits={2}
        onChange={(expo) => onChange({ ...profile, expo })}
      />
    </>
  );
}

/** What kind of limit there is on the throttle, and at what. */
export function LimitControls({ profile, onChange }: ThrottleProps) {
  return (
    <>
      <SelectField
        size="small"
        label="Limit"
        fullWidth
        sx={{ my: 1 }}
        value={profile.limit.kind}
        onChange={(event) =>
          onChange({ ...profile, limit: { ...profile.limit, kind: event.target.value as ThrottleLimitKind } })
        }
      >
        {throttleLimitKinds.map((kind) => (
          <Option key={kind} value={kind}>
            {limitNames[kind]}
          </Option>
        ))}
      </SelectField>
      {profile.limit.kind !== "off" && (
        <NumberSlider
          label="Limit at"
          value={profile.limit.fraction}
          range={throttleRanges.limitFraction}
          step={0.01}
          digits={2}
          onChange={(fraction) => onChange({ ...profile, limit: { ...profile.limit, fraction } })}
        />
      )}
    </>
  );
}

/** Tilt of the camera. */
export function TiltSlider({ tiltDeg, onChange }: { tiltDeg: number; onChange: (tiltDeg: number) => void }) {
  return (
    <NumberSlider
      label="Tilt, °"
      value={tiltDeg}
      range={settingsRanges.tiltDeg}
      step={1}
      digits={Number.isInteger(tiltDeg) ? 0 : 1}
      unit="°"
      onChange={onChange}
    />
  );
}
