"use client";

import Typography from "@mui/material/Typography";
import dynamic from "next/dynamic";
import { useState } from "react";
import { boundaryOf, NoRoom, planOrigin, spanM, type SitePlan } from "@/core";
import { Box } from "@/ui/layout/box";
import { later } from "@/ui/loading/later";
import type { Draft } from "@/ui/drafts/use-draft";
import { useHydrated } from "@/ui/hydration/use-hydrated";
import { usePreferences } from "@/ui/theme/preferences";
import { noRoomWords, quantityText, refusedWords } from "@/words";
import { withChangedCourse, withChangedFeature, withChangedFlight, withPicture } from "./edits";
import type { PlanData } from "./load-plan";
import { Compass, Conflicts, FlightConflicts } from "./plan-marks";
import { PlanTools } from "./plan-tools";
import { FirstSteps, planWords, Things } from "./things-list";
import { usePlanBoard, type Board } from "./use-plan-board";
import { usePlanKeys } from "./use-plan-keys";

const CoursePanel = later(() => import("./course-panel").then((part) => part.CoursePanel));
const FlightPanel = later(() => import("./flight-panel").then((part) => part.FlightPanel));
const LayFlight = later(() => import("./lay-flight").then((part) => part.LayFlight));
const PicturePanel = later(() => import("./picture-panel").then((part) => part.PicturePanel));
const PlacePanel = later(() => import("./place-panel").then((part) => part.PlacePanel));
const ThingPanel = later(() => import("./thing-panel").then((part) => part.ThingPanel));
const AddCourse = later(() => import("./add-course").then((part) => part.AddCourse));
const DayPanel = later(() => import("./day-panel").then((part) => part.DayPanel));

const PlanCanvas = dynamic(() => import("./plan-canvas"), { ssr: false });

const USUAL_DIAGONAL_M = 0.22;

export type Adding = "course" | "flight";

/** The plan with its tools on the left; what is chosen, the day and everything on it by name on the right. */
export function PlanBoard(props: {
  data: PlanData;
  draft: Draft<SitePlan>;
  /** What is being added: in a dialog of its own. */
  adding: Adding | null;
  onAdded: () => void;
}) {
  const { data, draft, adding, onAdded } = props;
  const { site, flown, mayChange } = data;
  const { units } = usePreferences();
  const inBrowser = useHydrated();
  const board = usePlanBoard(data, draft);
  const { plan, course, chosen, map, measuredM } = board;
  usePlanKeys({
    draft,
    chosen: mayChange ? chosen : null,
    edit: board.edit,
    setChosen: board.setChosen,
    setTool: board.use,
    map,
  });
  return (
    <Box sx={{ display: "grid", gap: 2, gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1fr) 340px" } }}>
      <Box sx={{ minWidth: 0 }}>
        <PlanTools
          tool={board.tool}
          onTool={board.use}
          onPut={board.putInMiddle}
          undo={draft.undo}
          redo={draft.redo}
          onZoom={(by) => map?.zoom(by)}
          onFit={() => map?.fit()}
          mayChange={mayChange}
        />
        <Box
          sx={(theme) => ({
            position: "relative",
            height: { xs: 420, md: "max(540px, calc(100vh - 260px))" },
            bgcolor: theme.tokens.depths[0],
            border: `1.5px solid ${theme.tokens.ink}`,
          })}
        >
          {inBrowser && (
            <PlanCanvas
              drawn={board.drawn}
              events={board.events}
              tool={board.tool}
              mayChange={mayChange}
              onReady={board.setMap}
              label={`Plan of ${site.name}: ${planWords(plan)}. Everything on it is listed beside it.`}
            />
          )}
          <Compass northDeg={plan.northDeg} day={board.day} />
        </Box>
        {measuredM !== null && (
          <Typography role="status" sx={{ mt: 0.5 }}>
            Measured <b className="num">{quantityText(measuredM, "length", units, 2)}</b>
          </Typography>
        )}
        <FlightConflicts flights={board.flights} />
        {course && (
          <Conflicts
            plan={plan}
            course={course}
            ceilingM={site.ceilingM}
            throwM={board.throwM}
            heightM={board.day.heightM}
          />
        )}
      </Box>
      <PlanSide data={data} board={board} saved={!draft.changed} />
      {adding === "flight" && <LayFlight open onClose={onAdded} {...data.flyable} onLay={board.layFlight} />}
      {adding === "course" && (
        <AddCourse
          open
          onClose={onAdded}
          bounded={boundaryOf(plan) !== null}
          aircraftWidthM={spanM(flown?.aircraft.airframe ?? { motorDiagonalM: USUAL_DIAGONAL_M })}
          onAdd={board.lay}
        />
      )}
    </Box>
  );
}

/** The flight that is chosen, if one is. */
function ChosenFlight({ board, flown, mayChange }: { board: Board; flown: PlanData["flown"]; mayChange: boolean }) {
  const { plan, flights, intoWindDeg, edit } = board;
  const { chosen } = flights;
  if (!chosen) return null;
  const { id } = chosen.flight;
  return (
    <FlightPanel
      key={id}
      named={chosen}
      answer={flights.answerOf(id)}
      cloud={flights.cloud}
      cloudRefused={flights.cloudRefused}
      {...{ flown, mayChange, intoWindDeg }}
      northDeg={plan.northDeg}
      onChange={(change, gesture) => edit(withChangedFlight(plan, id, change), `${id} ${gesture}`)}
      onRemove={() => board.remove(id)}
    />
  );
}

/** What is chosen, the day, and everything on the plan by name. */
function PlanSide({
  data: { site, flown, mayChange },
  board,
  saved,
}: {
  data: PlanData;
  board: Board;
  saved: boolean;
}) {
  const { plan, feature, course, chosen, figures, day, edit } = board;
  const { units } = usePreferences();
  const [problem, setProblem] = useState<string | null>(null);
  const layAnew = () => {
    if (!course || course.kind === "own") return;
    const { at: _, headingDeg: __, ...sizes } = course.parameters;
    try {
      board.lay(course.kind, sizes, course.id);
      setProblem(null);
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      setProblem(error instanceof NoRoom ? noRoomWords(error, units) : refusedWords(error, units));
    }
  };
  return (
    <Box sx={{ minWidth: 0 }}>
      {problem && (
        <Typography role="alert" color="error.main">
          ▲ {problem}
        </Typography>
      )}
      {feature && (
        <ThingPanel
          key={feature.id}
          feature={feature}
          mayChange={mayChange}
          onChange={(change, gesture) => edit(withChangedFeature(plan, feature.id, change), `${feature.id} ${gesture}`)}
          onRemove={() => board.remove(feature.id)}
        />
      )}
      <ChosenFlight board={board} flown={flown} mayChange={mayChange} />
      {course && (
        <CoursePanel
          key={course.id}
          plan={plan}
          course={course}
          figures={figures}
          flown={flown}
          stepM={day.stepM}
          mayChange={mayChange}
          inField={board.inField}
          onInField={board.changeInField}
          next={board.next}
          onChange={(change, gesture) =>
            edit(withChangedCourse(plan, course.id, change), gesture && `${course.id} ${gesture}`)
          }
          onFitAgain={boundaryOf(plan) ? layAnew : null}
          paper={saved ? `/yard-papers/${site.id}/${course.id}` : null}
          onRemove={() => board.remove(course.id)}
        />
      )}
      {plan.features.length + plan.courses.length === 0 && <FirstSteps mayChange={mayChange} />}
      <DayPanel
        day={day}
        onDay={board.changeDay}
        figures={figures}
        elevationKnown={site.elevationM !== null}
        placeKnown={plan.place !== null}
        nowMs={board.nowMs}
      />
      {mayChange && (
        <PicturePanel
          siteId={site.id}
          picture={plan.picture}
          middle={() => board.map?.centre() ?? planOrigin(plan)}
          measuredM={board.measuredM}
          onMeasure={() => board.use("measure")}
          onChange={(picture, gesture) => edit(withPicture(plan, picture), gesture)}
        />
      )}
      <PlacePanel
        plan={plan}
        mayChange={mayChange}
        onChange={(change, gesture) => edit({ ...plan, ...change }, gesture)}
      />
      <Things plan={plan} named={board.flights.named} chosen={chosen} onChoose={board.setChosen} />
    </Box>
  );
}
