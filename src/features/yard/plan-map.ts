import Collection from "ol/Collection";
import Feature from "ol/Feature";
import OlMap from "ol/Map";
import View from "ol/View";
import ScaleLine from "ol/control/ScaleLine";
import { LineString, Point, Polygon } from "ol/geom";
import { defaults as usualInteractions, Draw, Modify, Snap, Translate } from "ol/interaction";
import VectorLayer from "ol/layer/Vector";
import Projection from "ol/proj/Projection";
import VectorSource from "ol/source/Vector";
import { Style } from "ol/style";
import { planShapes, type FlownOnPlan, type PlanKind, type PlanPoint, type PlannedCourse, type SitePlan } from "@/core";
import { flownCourse, type Chosen } from "./edits";
import type { PlanLooks } from "./plan-looks";

/** Everything that is drawn. */
export interface Drawn {
  readonly plan: SitePlan;
  readonly chosen: Chosen | null;
  /** Ids of poles that stand already, by course. */
  readonly standing: Readonly<Record<string, readonly string[]>>;
  /** The course that is set out, and to which pole the tapes go now. */
  readonly settingOut: { readonly course: PlannedCourse; readonly pole: string | null } | null;
  readonly throwM: number;
  readonly flights: readonly DrawnFlight[];
  readonly lengthText: (m: number) => string;
  /** Address of the picture that lies underneath. */
  readonly pictureFrom: string;
}

/** A flight that lies on the plan: where it begins, and once it is flown where it goes. */
export interface DrawnFlight {
  readonly id: string;
  readonly name: string;
  readonly at: PlanPoint;
  readonly headingDeg: number;
  readonly flown: Pick<FlownOnPlan, "way" | "amiss"> | null;
  /** Where hands that err would take it; empty for one that is not chosen. */
  readonly cloud: readonly (readonly PlanPoint[])[];
}

export interface PlanEvents {
  readonly onChoose: (chosen: Chosen | null) => void;
  readonly onMoved: (chosen: Chosen, points: readonly PlanPoint[]) => void;
  readonly onDrawn: (kind: PlanKind, points: readonly PlanPoint[]) => void;
  readonly onMeasured: (m: number) => void;
}

/** What the pointer does: choose and move, draw a thing, or measure. */
export type Tool = "choose" | "measure" | PlanKind;

/** Flat metres: no earth, no tiles. */
const projection = new Projection({ code: "site-plan", units: "m", extent: [-5000, -5000, 5000, 5000], global: false });
/** What is looked at first where nothing is drawn, m each way. */
const FIRST_VIEW_M = 60;
const SNAP_PX = 8;
const PICTURE_REACH_PX = 20_000;

const toPair = ({ eastM, northM }: PlanPoint) => [eastM, northM];
const fromPair = ([eastM, northM]: readonly number[]): PlanPoint => ({ eastM, northM });

function geometryOf(kind: PlanKind, points: readonly PlanPoint[]) {
  const all = points.map(toPair);
  switch (planShapes[kind]) {
    case "point":
      return new Point(all[0]);
    case "line":
      return new LineString(all);
    case "area":
      return new Polygon([[...all, all[0]]]);
  }
}

function pointsOf(geometry: unknown): readonly PlanPoint[] {
  if (geometry instanceof Point) return [fromPair(geometry.getCoordinates())];
  if (geometry instanceof LineString) return geometry.getCoordinates().map(fromPair);
  if (geometry instanceof Polygon) return geometry.getCoordinates()[0].slice(0, -1).map(fromPair);
  return [];
}

/** The plan on a canvas: drawn from what it is given, and telling what was chosen, moved and drawn. */
export class PlanMap {
  private readonly things = new VectorSource();
  private readonly helps = new VectorSource();
  private readonly under = new VectorSource();
  private readonly map: OlMap;
  private readonly held = new Collection<Feature>();
  private readonly modify: Modify;
  private readonly translate: Translate;
  private readonly snap: Snap;
  private draw: Draw | null = null;
  private drawn: Drawn | null = null;
  /** What each thing was drawn from, so that only what changed is drawn anew. */
  private readonly sources = new Map<string, unknown>();
  private fitted = false;
  /** The picture underneath, by where it comes from. */
  private picture: { readonly from: string; readonly feature: Feature } | null = null;

  constructor(
    target: HTMLElement,
    private readonly looks: PlanLooks,
    private events: PlanEvents,
    { mayChange, imperial }: { readonly mayChange: boolean; readonly imperial: boolean },
  ) {
    const layer = new VectorLayer({ source: this.things, updateWhileAnimating: true, updateWhileInteracting: true });
    // Its middle may lie far out of sight.
    const beneath = new VectorLayer({
      ...{ source: this.under, renderBuffer: PICTURE_REACH_PX },
      ...{ updateWhileAnimating: true, updateWhileInteracting: true },
    });
    const above = new VectorLayer({ source: this.helps, updateWhileAnimating: true, updateWhileInteracting: true });
    this.map = new OlMap({
      target,
      layers: [beneath, layer, above],
      controls: [new ScaleLine({ units: imperial ? "us" : "metric", minWidth: 70 })],
      interactions: usualInteractions({ altShiftDragRotate: false, pinchRotate: false, keyboard: false }),
      view: new View({ projection, center: [0, 0], resolution: 0.2, minResolution: 0.005, maxResolution: 20 }),
    });
    this.modify = new Modify({ features: this.held, style: this.looks.drawing, pixelTolerance: 12 });
    this.translate = new Translate({ features: this.held });
    this.snap = new Snap({ source: this.things, pixelTolerance: SNAP_PX });
    for (const end of ["modifyend", "translateend"] as const)
      (end === "modifyend" ? this.modify : this.translate).on(end as never, () => this.told());
    if (mayChange) for (const one of [this.translate, this.modify, this.snap]) this.map.addInteraction(one);
    this.map.on("click", ({ pixel }) => {
      if (this.draw) return;
      const at = this.map.forEachFeatureAtPixel(pixel, (found) => found as Feature, {
        hitTolerance: 6,
        layerFilter: (one) => one === layer,
      });
      this.events.onChoose(at ? chosenOf(at) : null);
    });
  }

  listen(events: PlanEvents): void {
    this.events = events;
  }

  /** Draws what changed. */
  show(drawn: Drawn): void {
    const before = this.drawn;
    this.drawn = drawn;
    const seen = new Set<string>();
    for (const feature of drawn.plan.features) {
      seen.add(feature.id);
      this.put(
        feature.id,
        feature,
        { id: feature.id },
        () => geometryOf(feature.kind, feature.points),
        this.looks.of(feature),
      );
    }
    for (const course of drawn.plan.courses) this.showCourse(course, drawn, seen);
    for (const { id, name, at, headingDeg } of drawn.flights) {
      seen.add(id);
      const source = `${at.eastM} ${at.northM} ${headingDeg} ${name}`;
      this.put(id, source, { id }, () => new Point(toPair(at)), this.looks.flight(name, headingDeg));
    }
    for (const key of [...this.sources.keys()])
      if (!seen.has(key)) {
        this.sources.delete(key);
        const gone = this.things.getFeatureById(key);
        if (gone) this.things.removeFeature(gone);
      }
    this.showPicture(drawn);
    this.showHelps(drawn);
    if (before?.chosen !== drawn.chosen || before?.plan !== drawn.plan) this.hold(drawn.chosen);
    if (!this.fitted) this.fit();
  }

  private showPicture({ plan: { picture }, pictureFrom }: Drawn): void {
    if (!picture) {
      this.under.clear();
      this.picture = null;
      return;
    }
    if (this.picture?.from !== pictureFrom) {
      this.under.clear();
      this.picture = { from: pictureFrom, feature: new Feature() };
      this.under.addFeature(this.picture.feature);
    }
    const { feature } = this.picture;
    feature.setGeometry(new Point(toPair(picture.at)));
    feature.setStyle(this.looks.picture(picture, pictureFrom));
  }

  private showCourse(course: PlannedCourse, { standing, settingOut }: Drawn, seen: Set<string>): void {
    const stands = standing[course.id] ?? [];
    for (const pole of course.poles) {
      const key = `${course.id}/${pole.id}`;
      seen.add(key);
      const full = stands.includes(pole.id);
      const source = `${pole.eastM} ${pole.northM} ${full}`;
      this.put(
        key,
        source,
        { id: course.id, part: pole.id },
        () => new Point(toPair(pole)),
        this.looks.pole(pole.id, full),
      );
    }
    if (settingOut?.course.id !== course.id) return;
    course.pegs?.forEach((peg, i) => {
      const name = i === 0 ? "A" : "B";
      const key = `${course.id}/peg ${name}`;
      seen.add(key);
      this.put(
        key,
        `${peg.eastM} ${peg.northM}`,
        { id: course.id, part: name },
        () => new Point(toPair(peg)),
        this.looks.peg(name),
      );
    });
  }

  /** Puts a thing there, or draws it anew where what it is drawn from is another. */
  private put(
    key: string,
    source: unknown,
    chosen: Chosen,
    geometry: () => Point | LineString | Polygon,
    style: Style,
  ): void {
    if (this.sources.get(key) === source) return;
    this.sources.set(key, source);
    const known = this.things.getFeatureById(key);
    const feature = known ?? new Feature();
    feature.setGeometry(geometry());
    feature.setStyle(style);
    feature.set("chosen", chosen);
    if (known) return;
    feature.setId(key);
    this.things.addFeature(feature);
  }

  /** Ways, baseline, tapes and throw: drawn over, never chosen. */
  private showHelps({ plan, settingOut, throwM, flights, lengthText, chosen }: Drawn): void {
    this.helps.clear(true);
    const add = (
      geometry: LineString | Polygon | Point,
      style: Style | Style[] | ((f: unknown, resolution: number) => Style),
    ) => {
      const feature = new Feature(geometry);
      feature.setStyle(style as Style);
      this.helps.addFeature(feature);
    };
    for (const { flown, cloud } of flights) {
      for (const way of cloud) if (way.length > 1) add(new LineString(way.map(toPair)), this.looks.strayed);
      for (const { points, amiss } of piecesOf(flown))
        add(new LineString(points.map(toPair)), amiss ? this.looks.amiss : this.looks.flown);
    }
    for (const course of plan.courses) {
      const poles = new Map(course.poles.map((pole) => [pole.id, pole]));
      for (const { from, to } of flownCourse(course).legs)
        add(new LineString([toPair(poles.get(from)!), toPair(poles.get(to)!)]), this.looks.way);
    }
    for (const { kind, points } of plan.features)
      if (throwM > 0 && (kind === "people" || kind === "road"))
        add(new LineString(points.map(toPair)), (_, resolution) => this.looks.thrown(throwM, resolution));
    const pegs = settingOut?.course.pegs;
    if (settingOut && pegs) {
      const [a, b] = pegs;
      add(new LineString([toPair(a), toPair(b)]), this.looks.baseline(`baseline ${lengthText(distance(a, b))}`));
      const pole = settingOut.course.poles.find(({ id }) => id === settingOut.pole);
      if (pole)
        for (const peg of pegs)
          add(new LineString([toPair(peg), toPair(pole)]), this.looks.tape(lengthText(distance(peg, pole))));
    }
    const at = chosen && this.featureOf(chosen)?.getGeometry();
    if (at) add(at.clone() as Point, at instanceof Point ? this.looks.chosenPoint : this.looks.chosen);
  }

  private featureOf({ id, part }: Chosen): Feature | null {
    const key = part === undefined ? id : part === "A" || part === "B" ? `${id}/peg ${part}` : `${id}/${part}`;
    return this.things.getFeatureById(key) as Feature | null;
  }

  /** What is chosen can be bent and moved. */
  private hold(chosen: Chosen | null): void {
    this.held.clear();
    const feature = chosen && this.featureOf(chosen);
    if (feature) this.held.push(feature);
  }

  private told(): void {
    const [feature] = this.held.getArray();
    if (!feature) return;
    // As it was drawn from: the answer may be another place, or the same.
    this.sources.delete(String(feature.getId()));
    this.events.onMoved(chosenOf(feature), pointsOf(feature.getGeometry()));
  }

  use(tool: Tool): void {
    if (this.draw) this.map.removeInteraction(this.draw);
    this.draw = null;
    if (tool === "choose") return;
    const shape = tool === "measure" ? "line" : planShapes[tool];
    const draw = new Draw({
      type: shape === "point" ? "Point" : shape === "line" ? "LineString" : "Polygon",
      style: this.looks.drawing,
    });
    draw.on("drawend", ({ feature }) => {
      const points = pointsOf(feature.getGeometry());
      if (tool !== "measure") return this.events.onDrawn(tool, points);
      this.events.onMeasured(points.slice(1).reduce((sum, point, i) => sum + distance(points[i], point), 0));
    });
    this.draw = draw;
    this.map.addInteraction(draw);
    // The last to be added is asked first.
    this.map.removeInteraction(this.snap);
    this.map.addInteraction(this.snap);
  }

  /** Takes back what is being drawn. */
  cancel(): void {
    this.draw?.abortDrawing();
  }

  zoom(by: number): void {
    const view = this.map.getView();
    view.animate({ resolution: (view.getResolution() ?? 0.2) / by, duration: 120 });
  }

  /** Shows all of it. */
  fit(): void {
    const [width, height] = this.map.getSize() ?? [0, 0];
    if (width === 0 || height === 0) return;
    this.fitted = true;
    const extent = this.things.isEmpty()
      ? [-FIRST_VIEW_M, -FIRST_VIEW_M, FIRST_VIEW_M, FIRST_VIEW_M]
      : this.things.getExtent();
    this.map.getView().fit(extent ?? [], { padding: [40, 40, 40, 40], maxZoom: 20, minResolution: 0.02 });
  }

  resized(): void {
    this.map.updateSize();
    if (!this.fitted) this.fit();
  }

  centre(): PlanPoint {
    return fromPair(this.map.getView().getCenter() ?? [0, 0]);
  }

  end(): void {
    this.map.setTarget(undefined);
    this.map.dispose();
  }
}

/** A way cut where it begins and ends to be where it may not. */
function piecesOf(flown: DrawnFlight["flown"]): readonly { readonly points: PlanPoint[]; readonly amiss: boolean }[] {
  const pieces: { points: PlanPoint[]; amiss: boolean }[] = [];
  flown?.way.forEach((point, i) => {
    if (i === 0) return;
    const amiss = flown.amiss[i] || flown.amiss[i - 1];
    const last = pieces.at(-1);
    if (last?.amiss === amiss) last.points.push(point);
    else pieces.push({ points: [flown.way[i - 1], point], amiss });
  });
  return pieces;
}

const chosenOf = (feature: Feature): Chosen => feature.get("chosen") as Chosen;
const distance = (a: PlanPoint, b: PlanPoint) => Math.hypot(b.eastM - a.eastM, b.northM - a.northM);
