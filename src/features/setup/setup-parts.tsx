"use client";

import { useMemo } from "react";
import type { Aircraft } from "@/contract";
import type { Settings } from "@/core";
import { Box } from "@/ui/layout/box";
import { later } from "@/ui/loading/later";
import type { SetupData } from "./load";
import { RatesPanel, type Ghost } from "./rates-panel";

const ThrottlePanel = later(() => import("./throttle-panel").then((part) => part.ThrottlePanel));
const PunchPanel = later(() => import("./punch-panel").then((part) => part.PunchPanel));
const TiltPanel = later(() => import("./tilt-panel").then((part) => part.TiltPanel));
const MixPanel = later(() => import("./mix-panel").then((part) => part.MixPanel));
const LoadsPanel = later(() => import("./loads-panel").then((part) => part.LoadsPanel));
const FleetPanel = later(() => import("./fleet-panel").then((part) => part.FleetPanel));
const MeasurePanel = later(() => import("./measure-panel").then((part) => part.MeasurePanel));
const StagePanel = later(() => import("./stage-panel").then((part) => part.StagePanel));

export const tabs = [
  { id: "rates", name: "Rates" },
  { id: "throttle", name: "Throttle" },
  { id: "punch", name: "Punch" },
  { id: "tilt", name: "Tilt" },
  { id: "mix", name: "Mix" },
  { id: "loads", name: "Loads" },
  { id: "fleet", name: "Fleet" },
  { id: "stage", name: "By stage" },
  { id: "measure", name: "Measured" },
] as const;
/** Parts whose figures depend on the air. */
export const inAir: readonly string[] = ["throttle", "punch", "tilt", "loads", "fleet", "stage"];
export type Tab = (typeof tabs)[number]["id"];

/** The part of a setup that is open. */
export function SetupPart({
  tab,
  data,
  aircraft,
  settings,
  set,
}: {
  tab: Tab;
  data: SetupData;
  aircraft: Aircraft;
  settings: Settings;
  set: (next: Partial<Settings>) => void;
}) {
  const ghosts = useMemo<Ghost[]>(
    () => [
      ...data.setups.map(({ id, number, settings: had }) => ({ id, name: `setup ${number}`, rates: had.rates })),
      ...data.elsewhere.map(({ aircraft: other, setup }) => ({
        id: setup.id,
        name: `${other.name}, setup ${setup.number}`,
        rates: setup.settings.rates,
      })),
    ],
    [data],
  );
  return (
    <Box role="tabpanel" id={`part-${tab}`} aria-labelledby={`tab-${tab}`}>
      {tab === "rates" && (
        <RatesPanel
          rates={settings.rates}
          ghosts={ghosts}
          tiltDeg={settings.tiltDeg}
          pilot={data.pilot}
          onChange={(rates) => set({ rates })}
        />
      )}
      {tab === "throttle" && (
        <ThrottlePanel
          profile={settings.throttle}
          airframe={aircraft.airframe}
          tiltDeg={settings.tiltDeg}
          pilot={data.pilot}
          onChange={(throttle) => set({ throttle })}
        />
      )}
      {tab === "punch" && (
        <PunchPanel key={aircraft.version} aircraft={aircraft} settings={settings} mayChange={data.mayChange} />
      )}
      {tab === "tilt" && (
        <TiltPanel
          settings={settings}
          aircraft={aircraft}
          tilts={data.checks.tilts}
          mayChange={data.mayChange}
          stage={data.stage}
          onChange={set}
        />
      )}
      {tab === "mix" && <MixPanel settings={settings} airframe={aircraft.airframe} pilot={data.pilot} />}
      {tab === "loads" && (
        <LoadsPanel
          aircraft={aircraft}
          loads={data.loads}
          settings={settings}
          pilot={data.pilot}
          mayChange={data.mayChange}
        />
      )}
      {tab === "fleet" && (
        <FleetPanel
          pilot={data.pilot}
          aircraft={aircraft}
          settings={settings}
          elsewhere={data.elsewhere}
          mayChange={data.mayChange}
        />
      )}
      {tab === "measure" && (
        <MeasurePanel key={aircraft.version} aircraft={aircraft} settings={settings} mayChange={data.mayChange} />
      )}
      {tab === "stage" && (
        <StagePanel
          settings={settings}
          airframe={aircraft.airframe}
          stage={data.stage}
          pilot={data.pilot}
          mount={aircraft.mount}
          school={data.school}
          onChange={set}
        />
      )}
    </Box>
  );
}
