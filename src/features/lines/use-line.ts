"use client";

import { useMemo } from "react";
import {
  boundaryOf,
  environmentOn,
  lineFaults,
  type Environment,
  type ItemWayOut,
  type LineFault,
  type LineFreezes,
  type LineMend,
  type Obstacle,
  type Recipe,
  type SitePlan,
} from "@/core";
import type { Aircraft, Setup, Site } from "@/contract";
import type { Day } from "@/syllabus";
import { useNewest } from "@/ui/worker/use-newest";
import type { LineWorker } from "@/workers/line.worker";
import type { LineDraft } from "./edits";
import { standingAbout } from "./on-site";
import { lineWorker, type FlownLine, type LineRequest } from "./line-worker";

/** The air of the day over a site, or over wherever the squad flies, and what stands there. */
function airOver(day: Day, site: Site | null, obstacles: readonly Obstacle[]): Environment {
  const air = environmentOn(site?.elevationM == null ? day.air : { ...day.air, elevationM: site.elevationM });
  return obstacles.length > 0 ? { ...air, obstacles } : air;
}

interface LineReport {
  readonly freezes: LineFreezes | null;
  readonly wayOuts: readonly ItemWayOut[];
}

/** A mended item, by its place. */
export type Mends = ReadonlyMap<number, readonly LineMend[]>;

/** Flies a line that is being put together as it changes, then says where it does not hold, its ways out, and what would mend it. */
export function useLine({
  draft,
  aircraft,
  setup,
  day,
  site,
  plan,
}: {
  draft: LineDraft;
  aircraft: Aircraft;
  setup: Setup;
  day: Day;
  site: Site | null;
  plan: SitePlan | null;
}) {
  const { headingDeg, anchors } = draft.line;
  const environment = useMemo(
    () => airOver(day, site, plan ? standingAbout(plan, headingDeg, anchors) : []),
    [day, site, plan, headingDeg, anchors],
  );
  const request = useMemo((): LineRequest | null => {
    if (draft.line.items.length === 0) return null;
    // Not by its name: typing that changes no flight.
    const line = { id: "line", label: "Line", ...draft.line };
    return { line, airframe: aircraft.airframe, settings: setup.settings, environment };
  }, [draft.line, aircraft, setup, environment]);
  const { result, pending } = useNewest<LineRequest, FlownLine, LineWorker>(
    request,
    lineWorker,
    (remote, { line, airframe, settings, environment: air }) => remote.flyLineWorkedOut(line, airframe, settings, air),
  );
  const flown = result?.kind === "answer" ? result.answer : null;
  const upToDate = flown !== null && !pending;
  const report = useReport(request, upToDate ? flown : null);
  const ceilingM = site?.ceilingM ?? null;
  // Where the boundary is drawn, that is the room.
  const roomM = site && !(plan && boundaryOf(plan)) ? 2 * site.roomM : null;
  const faults = useMemo((): readonly LineFault[] => {
    if (!flown) return [];
    const wantsM = report.report?.freezes?.wantsM ?? null;
    return lineFaults(flown.flight, flown.line.items.length, { ceilingM, roomM, style: draft.style, wantsM });
  }, [flown, report.report, ceilingM, roomM, draft.style]);
  const mends = useMends(request, upToDate && !report.pending ? faults : [], ceilingM);
  return {
    environment,
    request,
    flown: request ? flown : null,
    refused: request && result?.kind === "refused" ? result.why : null,
    pending,
    faults: request ? faults : [],
    freezes: report.report?.freezes ?? null,
    wayOuts: report.report?.wayOuts ?? null,
    reportPending: report.pending,
    reportRefused: report.refused,
    mends: mends.found,
    // The report tells what is wrong, and mends are looked for after it.
    mending: mends.pending || report.pending,
  };
}

export type LineAsFlown = ReturnType<typeof useLine>;

interface ReportRequest extends LineRequest {
  readonly planned: readonly Recipe[];
}

/** Ways out and what freezing costs, in a worker of their own: they take longer than the flight. */
function useReport(request: LineRequest | null, flown: FlownLine | null) {
  const asked = useMemo(
    (): ReportRequest | null =>
      request && flown ? { ...request, planned: flown.flight.items.map(({ recipe }) => recipe) } : null,
    [request, flown],
  );
  const { result, pending } = useNewest<ReportRequest, LineReport, LineWorker>(
    asked,
    lineWorker,
    async (remote, { line, airframe, settings, environment, planned }) => ({
      freezes: await remote.lineFreezes(line, airframe, settings, environment),
      wayOuts: await remote.lineWayOut(line, airframe, settings, environment, { planned }),
    }),
  );
  return {
    report: result?.kind === "answer" && !pending ? result.answer : null,
    refused: result?.kind === "refused" && !pending ? result.why : null,
    pending: flown === null || pending,
  };
}

interface MendRequest extends LineRequest {
  readonly broken: readonly {
    readonly item: number;
    readonly wantsM: number | null;
    readonly ceilingM: number | null;
    readonly overM: number;
  }[];
}

/** What would let each trick hold that does not, in a worker of its own. */
function useMends(request: LineRequest | null, faults: readonly LineFault[], ceilingM: number | null) {
  const asked = useMemo((): MendRequest | null => {
    if (!request || faults.length === 0) return null;
    const items = [...new Set(faults.flatMap(({ item }) => (item === null ? [] : [item])))];
    const broken = items
      .filter((item) => item > 0 && request.line.items[item]?.kind === "trick")
      .map((item) => {
        const own = faults.filter((fault) => fault.item === item);
        const low = own.find((fault) => fault.kind === "too-low");
        const over = own.find((fault) => fault.kind === "over-ceiling");
        return { item, wantsM: low?.wantsM ?? null, ceilingM, overM: over ? over.highestM - over.ceilingM : 0 };
      });
    return broken.length === 0 ? null : { ...request, broken };
  }, [request, faults, ceilingM]);
  const { result, pending } = useNewest<MendRequest, readonly (readonly [number, readonly LineMend[]])[], LineWorker>(
    asked,
    lineWorker,
    (remote, { line, airframe, settings, environment, broken }) =>
      Promise.all(
        broken.map(
          async ({ item, ...limits }) =>
            [item, await remote.lineMends(line, item, airframe, settings, environment, limits)] as const,
        ),
      ),
  );
  const found = useMemo(
    (): Mends => new Map(asked && result?.kind === "answer" && !pending ? result.answer : []),
    [asked, result, pending],
  );
  return { found, pending };
}
