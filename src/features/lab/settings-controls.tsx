import Typography from "@mui/material/Typography";
import { memo, useState } from "react";
import type { Setup } from "@/contract";
import type { Settings } from "@/core";
import { PickOne } from "@/ui/forms/pick-one";
import { Box } from "@/ui/layout/box";
import { Fold } from "@/ui/layout/fold";
import { SavePanel } from "@/ui/settings/save-panel";
import { CurveSliders, LimitControls, MidAndExpo, TiltSlider } from "@/ui/settings/setting-sliders";
import { familyName } from "@/ui/settings/differences";
import type { useSetupDraft } from "@/ui/settings/use-setup-draft";

const axes = ["roll", "pitch", "yaw"] as const;
type Axis = (typeof axes)[number];

/** Tilt, rates and throttle, moved as a draft beside what is saved: the same draft that is open under Setup. */
export const SettingsControls = memo(function SettingsControls({
  setup,
  draft,
  differences,
  mayChange,
  frozen,
}: {
  setup: Setup;
  draft: ReturnType<typeof useSetupDraft>;
  /** What the draft has otherwise than the setup, a line each. */
  differences: readonly string[];
  mayChange: boolean;
  frozen: boolean;
}) {
  const { settings, reason } = draft.draft;
  return (
    <Box component="section" aria-labelledby="settings" sx={{ mt: 1.5 }}>
      <Typography variant="h2" id="settings">
        Settings
      </Typography>
      <Typography sx={{ fontSize: "0.8rem", color: "text.secondary", mb: 0.5 }}>
        {differences.length === 0
          ? `Setup ${setup.number}. Move any control: it stays a draft until you save it.`
          : `Draft on setup ${setup.number}, not saved. Flown as the draft; setup ${setup.number} is dashed.`}
      </Typography>
      <Sliders settings={settings} onChange={(next) => draft.change({ reason, settings: next })} />
      {differences.length > 0 && (
        <Box sx={{ display: "grid", gap: 1, mt: 1 }}>
          <SavePanel
            aircraftId={setup.aircraftId}
            latest={setup}
            draft={draft}
            differences={differences}
            mayChange={mayChange}
            frozen={{ yes: frozen, thawed: false }}
            onBack={() => draft.drop(setup.settings)}
          />
          {frozen && mayChange && (
            <Typography sx={{ fontSize: "0.8rem", color: "text.secondary" }}>
              Settings are frozen. To save this, open it in Setup and say why.
            </Typography>
          )}
        </Box>
      )}
    </Box>
  );
});

const Sliders = memo(function Sliders({
  settings,
  onChange,
}: {
  settings: Settings;
  onChange: (next: Settings) => void;
}) {
  const { rates, throttle, tiltDeg } = settings;
  const [axis, setAxis] = useState<Axis>("pitch");
  const set = (change: Partial<Settings>) => onChange({ ...settings, ...change });
  return (
    <>
      <TiltSlider tiltDeg={tiltDeg} onChange={(next) => set({ tiltDeg: next })} />
      <Fold title="Rates" beside={familyName(rates[axis].family)}>
        <PickOne
          label="Axis"
          value={axis}
          options={axes.map((one) => [one, one])}
          onPick={setAxis}
          buttonSx={{ px: 1.5, mb: 0.5 }}
        />
        <CurveSliders
          axis={axis}
          curve={rates[axis]}
          onChange={(curve) => set({ rates: { ...rates, [axis]: curve } })}
        />
      </Fold>
      <Fold title="Throttle" beside={`mid ${throttle.mid}, expo ${throttle.expo}`}>
        <MidAndExpo profile={throttle} onChange={(next) => set({ throttle: next })} />
        <LimitControls profile={throttle} onChange={(next) => set({ throttle: next })} />
      </Fold>
    </>
  );
});
