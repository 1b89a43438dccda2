import {
  AmbientLight,
  BoxGeometry,
  BufferGeometry,
  CircleGeometry,
  Color,
  DirectionalLight,
  Fog,
  Group,
  InstancedMesh,
  Line,
  LineBasicMaterial,
  LineSegments,
  Matrix4,
  Mesh,
  MeshBasicMaterial,
  MeshStandardMaterial,
  PerspectiveCamera,
  PlaneGeometry,
  Quaternion,
  RingGeometry,
  Scene,
  Vector2,
  Vector3,
  WebGLRenderer,
  type Material,
} from "three";
import type { Drill, Obstacle, PlanPoint, PracticeState, Seat, Trace } from "@/core";
import type { Tokens } from "@/ui/theme/tokens";

/** From where it is looked at: through the aircraft's camera, or by eye from behind where it begins. */
export type Looking = "camera" | "eye";

export interface Lens {
  readonly tiltDeg: number;
  readonly verticalFovDeg: number;
}

const GROUND_M = 600;
const GRID_M = 5;
const PIECE_M = 10;
const TUFTS = 700;
const RAD = Math.PI / 180;
/** The height of eyes; who walks along keeps so near, m. */
const EYE = { heightM: 1.7, walksM: 6 };
const EYE_FOV_DEG = 38;
/** Marks of a course on the ground, m; what is to be stayed in or landed on has its own size. */
const MARK_M = 0.8;

/** World axes north, east, up are the scene's x, z, y. */
const placed = (northM: number, eastM: number, heightM: number) => new Vector3(northM, heightM, eastM);
/** Body forward, right, down in the scene: a rotation of the same axes with up for minus down. */
const turned = (q: PracticeState["attitude"]) => new Quaternion(q.x, -q.z, q.y, q.w);
/** A camera looks along its minus z; the nose of a body lies along x. */
const alongNose = new Quaternion().setFromAxisAngle(new Vector3(0, 1, 0), -Math.PI / 2);

/** The drill's ground, sky and things in paper and ink, seen from the aircraft or from a place on the ground. */
export class World {
  private readonly scene = new Scene();
  private readonly camera = new PerspectiveCamera(60, 1, 0.05, 2000);
  private readonly renderer: WebGLRenderer;
  private readonly aircraft: Group;
  private readonly ghost: Group;
  private way: Line | null = null;
  private readonly walks: boolean;
  private readonly stands: PlanPoint;
  private eye: PlanPoint;
  private readonly made: { dispose: () => void }[] = [];

  /** Throws where the browser draws nothing in space. */
  constructor(
    canvas: HTMLCanvasElement,
    private readonly tokens: Tokens,
    private readonly lens: Lens,
    stage: { readonly obstacles: readonly Obstacle[]; readonly task: Drill["task"]; readonly seat: Seat },
    spanM: number,
  ) {
    this.walks = stage.seat.kind === "walks";
    this.stands = stage.seat.at;
    this.eye = this.stands;
    this.renderer = new WebGLRenderer({ canvas, antialias: true });
    const sky = new Color(tokens.sheet);
    this.scene.background = sky;
    // Thick enough that the lines run together before they crowd at the horizon.
    this.scene.fog = new Fog(sky, 30, GROUND_M * 0.5);
    this.scene.add(new AmbientLight(0xffffff, 2.2));
    const sun = new DirectionalLight(0xffffff, 1.2);
    sun.position.set(40, 80, 30);
    this.scene.add(sun);
    this.ground();
    for (const obstacle of stage.obstacles) this.stand(obstacle);
    for (const { at, radiusM } of ringsOf(stage.task)) this.ring(at, radiusM);
    this.aircraft = this.body(spanM, tokens.ink, tokens.buoy, 1);
    this.ghost = this.body(spanM, tokens.shoal, tokens.shoal, 0.45);
    this.scene.add(this.aircraft, this.ghost);
  }

  /** Sheets of paper with their lines, so that height and speed are seen. */
  private ground(): void {
    const sheet = this.keep(new PlaneGeometry(2 * GROUND_M, 2 * GROUND_M));
    // First, and nothing is ever behind it: lines that lie on it are drawn whole.
    const paint = this.keep(new MeshBasicMaterial({ color: this.tokens.depths[1], depthWrite: false }));
    const floor = new Mesh(sheet, paint);
    floor.renderOrder = -1;
    floor.rotation.x = -Math.PI / 2;
    this.scene.add(floor);
    const lines = (stepM: number, reachM: number, color: string, lift: number) => {
      const points: Vector3[] = [];
      // In pieces: one that reaches behind the camera is not drawn at all by some drawing cards.
      for (let m = -reachM; m <= reachM; m += stepM)
        for (let from = -reachM; from < reachM; from += PIECE_M) {
          points.push(placed(m, from, lift), placed(m, from + PIECE_M, lift));
          points.push(placed(from, m, lift), placed(from + PIECE_M, m, lift));
        }
      const geometry = this.keep(new BufferGeometry().setFromPoints(points));
      this.scene.add(new LineSegments(geometry, this.keep(new LineBasicMaterial({ color }))));
    };
    lines(GRID_M, 100, this.tokens.depths[3], 0.01);
    lines(5 * GRID_M, 300, this.tokens.depths[5], 0.02);
    // Tufts, everywhere the same: something small to judge the last metre by.
    const tuft = this.keep(new CircleGeometry(0.09, 6));
    tuft.rotateX(-Math.PI / 2);
    const dark = this.keep(new MeshBasicMaterial({ color: this.tokens.depths[5] }));
    const tufts = this.keep(new InstancedMesh(tuft, dark, TUFTS));
    const at = new Matrix4();
    for (let i = 0; i < TUFTS; i++)
      tufts.setMatrixAt(i, at.setPosition(placed(spread(i, 0.754877), spread(i, 0.56984), 0.015)));
    this.scene.add(tufts);
  }

  /** A mark on the ground. */
  private ring({ northM, eastM }: PlanPoint, radiusM: number): void {
    const ring = this.keep(new RingGeometry(Math.max(0.05, radiusM - 0.14), radiusM, 40));
    ring.rotateX(-Math.PI / 2);
    const mesh = new Mesh(ring, this.keep(new MeshBasicMaterial({ color: this.tokens.ochre })));
    mesh.position.copy(placed(northM, eastM, 0.03));
    this.scene.add(mesh);
  }

  private stand({ kind, alongM, acrossM, heightM, widthM, turnedDeg = 0 }: Obstacle): void {
    const paint = this.keep(new MeshStandardMaterial({ color: this.tokens.slate }));
    const group = new Group();
    const box = (east: number, height: number, [x, y, z]: readonly [number, number, number]) => {
      const mesh = new Mesh(this.keep(new BoxGeometry(x, y, z)), paint);
      mesh.position.set(0, height, east);
      group.add(mesh);
    };
    const half = 0.5 * widthM;
    if (kind === "wall") box(0, 0.5 * heightM, [0.3, heightM, widthM]);
    else if (kind === "building") box(0, 0.5 * heightM, [widthM, heightM, widthM]);
    else if (kind === "pole") box(0, 0.5 * heightM, [Math.max(0.12, widthM), heightM, Math.max(0.12, widthM)]);
    else if (kind === "tree") {
      box(0, 0.3 * heightM, [0.3, 0.6 * heightM, 0.3]);
      box(0, 0.75 * heightM, [0.7 * widthM, 0.5 * heightM, 0.7 * widthM]);
    } else {
      box(0, heightM, [0.12, 0.12, widthM]);
      box(-half, 0.5 * heightM, [0.12, heightM, 0.12]);
      box(half, 0.5 * heightM, [0.12, heightM, 0.12]);
    }
    group.position.copy(placed(alongM, acrossM, 0));
    group.rotation.y = -turnedDeg * RAD;
    this.scene.add(group);
  }

  /** Front arms, motors and propellers of another colour than the rear, as pilots paint them to see which way is front: also from the side, edge on. */
  private body(spanM: number, color: string, front: string, opacity: number): Group {
    const group = new Group();
    const paint = (of: string) =>
      this.keep(new MeshBasicMaterial({ color: of, transparent: opacity < 1, opacity }) as Material);
    const [rearPaint, frontPaint] = [paint(color), paint(front)];
    const tipM = 0.36 * spanM;
    const arm = this.keep(new BoxGeometry(Math.SQRT2 * tipM, 0.09 * spanM, 0.1 * spanM));
    const motor = this.keep(new BoxGeometry(0.11 * spanM, 0.17 * spanM, 0.11 * spanM));
    const disc = this.keep(new CircleGeometry(0.26 * spanM, 20));
    for (const [x, z] of [
      [1, 1],
      [1, -1],
      [-1, 1],
      [-1, -1],
    ]) {
      const of = x > 0 ? frontPaint : rearPaint;
      const add = (geometry: BufferGeometry, share: number, upM: number, turn: (mesh: Mesh) => void) => {
        const mesh = new Mesh(geometry, of);
        mesh.position.set(share * tipM * x, upM, share * tipM * z);
        turn(mesh);
        group.add(mesh);
      };
      add(arm, 0.5, 0, (mesh) => (mesh.rotation.y = -x * z * 45 * RAD));
      add(motor, 1, 0.06 * spanM, () => undefined);
      for (const up of [1, -1]) add(disc, 1, 0.13 * spanM, (mesh) => (mesh.rotation.x = -up * 0.5 * Math.PI));
    }
    return group;
  }

  /** The model's own way as a line in the air, seen from the ground only: begun in the same place, it would go through the camera. */
  showWay({ northM, eastM, heightM }: Trace): void {
    const points = northM.map((north, i) => placed(north, eastM[i], heightM[i]));
    const geometry = this.keep(new BufferGeometry().setFromPoints(points));
    this.way = new Line(geometry, this.keep(new LineBasicMaterial({ color: this.tokens.shoal })));
    this.scene.add(this.way);
  }

  /** Draws a moment; the ghost where the model is at that time. */
  draw(state: PracticeState, ghost: Trace | null, looking: Looking): void {
    const at = placed(state.northM, state.eastM, state.heightM);
    const attitude = turned(state.attitude);
    this.aircraft.position.copy(at);
    this.aircraft.quaternion.copy(attitude);
    this.aircraft.visible = looking === "eye";
    this.ghost.visible = ghost !== null;
    if (this.way) this.way.visible = ghost !== null && looking === "eye";
    if (ghost) {
      const i = Math.min(ghost.timeS.length - 1, Math.round(state.timeS / ghost.sampleS));
      this.ghost.position.copy(placed(ghost.northM[i], ghost.eastM[i], ghost.heightM[i]));
      this.ghost.quaternion.copy(turned({ w: ghost.qw[i], x: ghost.qx[i], y: ghost.qy[i], z: ghost.qz[i] }));
      // Begun in the same place, it would fill the picture of the camera, and from the ground hide which way is front.
      if (this.ghost.position.distanceTo(at) < 0.6) this.ghost.visible = false;
    }
    const { camera } = this;
    if (looking === "camera") {
      const up = new Quaternion().setFromAxisAngle(new Vector3(1, 0, 0), this.lens.tiltDeg * RAD);
      camera.position.copy(at);
      camera.quaternion.copy(attitude).multiply(alongNose).multiply(up);
      camera.fov = this.lens.verticalFovDeg;
    } else {
      this.walkTo(state);
      camera.position.copy(placed(this.eye.northM, this.eye.eastM, EYE.heightM));
      camera.up.set(0, 1, 0);
      camera.lookAt(at);
      camera.fov = EYE_FOV_DEG;
    }
    const { clientWidth, clientHeight } = this.renderer.domElement;
    camera.aspect = Math.max(0.2, clientWidth / Math.max(1, clientHeight));
    camera.updateProjectionMatrix();
    this.fit(clientWidth, clientHeight);
    this.renderer.render(this.scene, camera);
  }

  /** Who watches stands still, or walks behind it; at the start everybody is in their place again. */
  private walkTo({ timeS, northM, eastM }: PracticeState): void {
    if (timeS === 0 || !this.walks) this.eye = this.stands;
    if (!this.walks) return;
    const [north, east] = [northM - this.eye.northM, eastM - this.eye.eastM];
    const far = Math.hypot(north, east);
    if (far <= EYE.walksM) return;
    const share = (far - EYE.walksM) / far;
    this.eye = { northM: this.eye.northM + share * north, eastM: this.eye.eastM + share * east };
  }

  /** A canvas that is given a size, even the same, is cleared and made anew. */
  private fit(width: number, height: number): void {
    const ratio = Math.min(1.5, window.devicePixelRatio);
    const now = this.renderer.getSize(new Vector2());
    if (now.x === width && now.y === height && this.renderer.getPixelRatio() === ratio) return;
    this.renderer.setPixelRatio(ratio);
    this.renderer.setSize(width, height, false);
  }

  private keep<Made extends { dispose: () => void }>(made: Made): Made {
    this.made.push(made);
    return made;
  }

  end(): void {
    for (const one of this.made) one.dispose();
    this.renderer.dispose();
  }
}

/** Where a task happens on the ground. */
function ringsOf(task: Drill["task"]): readonly { readonly at: PlanPoint; readonly radiusM: number }[] {
  switch (task.kind) {
    case "hold":
      return [{ at: task.at, radiusM: task.radiusM }];
    case "land":
      return [{ at: task.at, radiusM: task.withinM }];
    case "course":
      return task.at.map((at) => ({ at, radiusM: MARK_M }));
    default:
      return [];
  }
}

/** Places that fill a square evenly (the additive recurrence of the plastic number), m. */
const spread = (i: number, by: number) => 120 * (((i * by) % 1) - 0.5);
