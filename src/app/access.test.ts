import fc from "fast-check";
import { readdirSync } from "node:fs";
import { join, relative } from "node:path";
import { v7 as newId } from "uuid";
import { firstSettings } from "@/core";
import { builtInSyllabus } from "@/syllabus";
import { signedInBy, type SignedInCoach } from "@/server/accounts";
import { database } from "@/server/database";
import { firstPiece } from "@/server/testing/first-piece";
import { longPunch } from "@/server/testing/long-punch";
import { smallJpeg } from "@/server/testing/small-jpeg";
import { twoTricks } from "@/server/testing/two-tricks";
import { tryPacked } from "@/server/testing/try-packed";
import { withFreshDatabase } from "@/server/testing/fresh-database";
import { actionNames } from "./api/[action]/registry";
import { POST } from "./api/[action]/route";

/** The browser of these tests: holds one cookie, and stops where a page leads away. */
const browser: { token: string | null } = { token: null };
jest.mock("@/server/accounts/current", () => ({
  currentAccount: async () => (browser.token ? signedInBy(browser.token, new Date()) : null),
  setToken: async (token: string | null) => {
    browser.token = token;
  },
}));
jest.mock("next/headers", () => ({
  cookies: async () => ({ get: () => undefined }),
  headers: async () => new Headers(),
}));
jest.mock("next/navigation", () => {
  const stop =
    (where: string) =>
    (to = "") => {
      throw new Error(`stopped: ${where}${to}`);
    };
  return { redirect: stop("to "), notFound: stop("404"), forbidden: stop("403") };
});

withFreshDatabase();

/**
 * Two squads. Ann owns the first and shares it with Edda; Odo and Ida fly in it and have accounts. Bo coaches the second. Everything below is
 * asked for with ids of the first.
 */
const roles = ["stranger", "outsider", "otherPilot", "pilot", "sharer", "owner"] as const;
type Role = (typeof roles)[number];
const tokens: Record<Role, string | null> = {
  stranger: null,
  outsider: null,
  otherPilot: null,
  pilot: null,
  sharer: null,
  owner: null,
};
const made = Object.fromEntries(
  [
    ...[
      "squad",
      "otherSquad",
      "odo",
      "ida",
      "kit",
      "ann",
      "edda",
      "aircraft",
      "setup",
      "load",
      "session",
      "practice",
      "tap",
      "ownTap",
    ],
    ...["milestone", "note", "request", "invitation", "site", "planned", "target", "homework", "variant", "line"],
    ...["recording", "ownRecording", "picture", "sitting", "tried"],
  ].map((name) => [name, newId()]),
) as Record<string, string>;
const password = "four plain words here";

async function post(action: string, input: object): Promise<{ status: number; data?: { token: string } }> {
  const request = new Request(`http://localhost/api/${action}`, {
    method: "POST",
    body: JSON.stringify(input),
    headers: { "content-type": "application/json", host: "localhost" },
  });
  const response = await POST(request, { params: Promise.resolve({ action }) });
  return { status: response.status, ...((await response.json()) as object) };
}
async function done(action: string, input: object): Promise<{ token: string }> {
  const { status, data } = await post(action, input);
  if (status !== 200) throw new Error(`${action} was answered ${status}`);
  return data ?? { token: "" };
}
async function accept(token: string, id: string, name: string): Promise<string> {
  browser.token = null;
  await done("accept-invitation", { id, token, name, password });
  return browser.token!;
}
const attempt = (sessionId: string, id = newId()) => ({
  id,
  sessionId,
  pilotId: made.odo,
  stepId: "flip-slow",
  direction: "back",
  outcome: "clean",
  flownAtMs: Date.now(),
});
const pilotFields = { stickMode: 2, grip: "thumbs" };
const siteFields = {
  name: "Pans",
  roomM: 60,
  ceilingM: "",
  ...{ surface: "", features: "", hazards: "", rules: "", askWhom: "" },
};
const drawnPlan = {
  ...{ place: null, northDeg: 0, indoorHeightM: null, features: [] },
  courses: [
    {
      ...{ id: "line", kind: "own", name: "", parameters: {}, order: ["1", "2"], pegs: null },
      poles: ["1", "2"].map((id, i) => ({ id, eastM: 9 * i, northM: 0, heightM: 2 })),
    },
  ],
};
const planFields = { siteId: null, startsAtMs: Date.now() + 86_400_000, minutes: 90, note: "", pilotIds: [] };
const start = (id: string) => ({
  id,
  place: "field",
  pilots: [{ pilotId: made.odo, stepId: "flip-slow", setupId: made.setup }],
});

beforeAll(async () => {
  await done("begin", { id: made.ann, name: "Ann Pell", password });
  tokens.owner = browser.token;
  await done("add-squad", { id: made.squad, name: "First" });
  for (const [id, name] of [
    [made.odo, "Odo Fenn"],
    [made.ida, "Ida Rook"],
    [made.kit, "Kit Marsh"],
  ])
    await done("add-pilot", { id, squadId: made.squad, name, ...pilotFields });
  await done("add-aircraft", {
    id: made.aircraft,
    pilotId: made.odo,
    name: "Plank",
    presetId: "three-inch",
    flightState: "flying",
    massG: "",
    thrustToWeight: "",
  });
  await done("save-setup", {
    id: made.setup,
    aircraftId: made.aircraft,
    basedOn: 0,
    reason: "r",
    settings: firstSettings,
  });
  const load = { id: made.load, aircraftId: made.aircraft, name: "Camera", massG: "400", thrustToWeight: "" };
  await done("add-load", load);
  await done("start-session", start(made.session));
  await done("set-target", { id: made.target, pilotId: made.odo, stepId: "flip-one-move", dueAtMs: Date.now() });
  await done("log-try", {
    ...{ id: made.tried, sittingId: made.sitting, pilotId: made.odo, stepId: "flip-slow", direction: "back" },
    ...{ outcome: "rough", flownAtMs: Date.now(), seconds: 9, measured: {}, setupId: made.setup, loadId: null },
    packed: tryPacked(),
  });
  await done("set-homework", {
    id: made.homework,
    pilotId: made.odo,
    stepId: "flip-one-move",
    tries: 5,
    dueAtMs: Date.now(),
  });
  await done("log-attempt", attempt(made.session, made.tap));
  await done("add-site", { ...siteFields, id: made.site, squadId: made.squad });
  await done("plan-session", { ...planFields, id: made.planned, squadId: made.squad });
  await done("add-variant", { id: made.variant, squadId: made.squad, pilotIds: [made.odo], document: longPunch });
  await done("save-plan", { id: made.site, version: 1, plan: drawnPlan });
  await done("put-site-picture", { id: made.site, pictureId: made.picture, jpeg: smallJpeg });
  await done("add-line", { id: made.line, squadId: made.squad, siteId: null, document: twoTricks });
  await done("give-line", { id: made.line, pilotId: made.odo, given: true });
  const flown = { pilotId: made.odo, setupId: made.setup, ...firstPiece.file };
  await done("begin-recording", { ...flown, id: made.recording });
  await done("keep-piece", { id: made.recording, number: 0, packed: firstPiece.packed });
  await done("finish-recording", { id: made.recording, found: firstPiece.found });
  await done("add-note", { id: made.note, pilotId: made.odo, text: "calm" });
  await done("sign-off", { id: made.milestone, pilotId: made.odo, stepId: "flip-slow", note: "" });
  const links: readonly (readonly [Role, string, string, object])[] = [
    ["sharer", made.edda, "Edda Lind", { squadId: made.squad }],
    ["outsider", newId(), "Bo Kerr", { squadId: null }],
    ["pilot", newId(), "Odo Fenn", { pilotId: made.odo }],
    ["otherPilot", newId(), "Ida Rook", { pilotId: made.ida }],
  ];
  for (const [role, id, name, input] of links) {
    browser.token = tokens.owner;
    const { token } = await done("pilotId" in input ? "invite-pilot" : "invite-coach", { id: newId(), ...input });
    tokens[role] = await accept(token, id, name);
  }
  browser.token = tokens.owner;
  await done("invite-coach", { id: made.invitation, squadId: made.squad });
  browser.token = tokens.pilot;
  await done("start-session", start(made.practice));
  await done("log-attempt", attempt(made.practice, made.ownTap));
  await done("begin-recording", { ...flown, id: made.ownRecording, sha256: "a".repeat(64) });
  await done("ask-sign-off", { id: made.request, pilotId: made.odo, stepId: "flip-ease-quarter", message: "" });
  browser.token = tokens.outsider;
  await done("add-squad", { id: made.otherSquad, name: "Second" });
});

const coaches: readonly Role[] = ["sharer", "owner"];
const everyCoach: readonly Role[] = [...coaches, "outsider"];
const withPilot: readonly Role[] = ["pilot", ...coaches];
const members: readonly Role[] = [...withPilot, "otherPilot", "outsider"];

/** Who may do each action, and an input that would do it. The order matters: what ends something comes last. */
const actionRules: Readonly<Record<string, readonly [may: readonly Role[], input: () => object]>> = {
  begin: [roles, () => ({ id: newId(), name: "Late", password })],
  "sign-in": [roles, () => ({ name: "Nobody", password: "not a known word" })],
  "open-invitation": [roles, () => ({ token: "x".repeat(43) })],
  "accept-invitation": [roles, () => ({ id: newId(), token: "x".repeat(43), name: "Someone", password })],
  "take-way-back": [roles, () => ({ token: "x".repeat(43), password })],
  "change-password": [members, () => ({ password: "a wrong guess", newPassword: password })],
  "begin-second-factor": [everyCoach, () => ({ password: "a wrong guess" })],
  "confirm-second-factor": [everyCoach, () => ({ code: "000000" })],
  "renew-recovery-codes": [everyCoach, () => ({ code: "000000" })],
  "end-second-factor": [everyCoach, () => ({ password: "a wrong guess", code: "000000" })],
  "end-sign-in": [members, () => ({ id: newId() })],
  "join-squad": [everyCoach, () => ({ token: "x".repeat(43) })],
  "add-squad": [everyCoach, () => ({ id: newId(), name: "Another" })],
  "rename-squad": [["owner"], () => ({ id: made.squad, name: "First of all", version: 1 })],
  "set-owner": [["owner"], () => ({ squadId: made.squad, coachId: made.ann, owner: true })],
  "invite-coach": [["owner"], () => ({ id: newId(), squadId: made.squad })],
  "invite-pilot": [coaches, () => ({ id: newId(), pilotId: made.ida })],
  "revoke-invitation": [coaches, () => ({ id: made.invitation })],
  "add-site": [coaches, () => ({ ...siteFields, id: newId(), squadId: made.squad })],
  "edit-site": [coaches, () => ({ ...siteFields, id: made.site, version: 1 })],
  "save-plan": [coaches, () => ({ id: made.site, version: 2, plan: drawnPlan })],
  "put-site-picture": [coaches, () => ({ id: made.site, pictureId: made.picture, jpeg: smallJpeg })],
  "remove-site": [coaches, () => ({ id: made.site })],
  "restore-site": [coaches, () => ({ id: made.site })],
  "check-variant": [everyCoach, () => ({ document: longPunch })],
  "add-variant": [coaches, () => ({ id: newId(), squadId: made.squad, pilotIds: [], document: longPunch })],
  "edit-variant": [coaches, () => ({ id: made.variant, version: 1, pilotIds: [], document: longPunch })],
  "remove-variant": [coaches, () => ({ id: made.variant })],
  "restore-variant": [coaches, () => ({ id: made.variant })],
  "check-line": [everyCoach, () => ({ document: twoTricks })],
  // Reads nobody's record: what is set is what was sent.
  "begin-recording": [
    withPilot,
    () => ({ ...firstPiece.file, id: newId(), pilotId: made.odo, setupId: made.setup, sha256: "b".repeat(64) }),
  ],
  "keep-piece": [coaches, () => ({ id: made.recording, number: 0, packed: firstPiece.packed })],
  "finish-recording": [coaches, () => ({ id: made.recording, found: firstPiece.found })],
  "match-recording": [
    coaches,
    () => ({
      id: made.recording,
      ...{ found: firstPiece.found, clockMs: Date.now(), matches: [], taken: [] },
      sessionId: made.session,
    }),
  ],
  "delete-recording": [withPilot, () => ({ id: made.ownRecording })],
  "line-paper": [members, () => ({ document: twoTricks, flown: {}, units: "metric" })],
  "add-line": [coaches, () => ({ id: newId(), squadId: made.squad, siteId: null, document: twoTricks })],
  "save-line": [
    coaches,
    () => ({ id: made.line, version: 1, siteId: null, document: { ...twoTricks, name: "Other" } }),
  ],
  "give-line": [coaches, () => ({ id: made.line, pilotId: made.odo, given: true })],
  "remove-line": [coaches, () => ({ id: made.line })],
  "restore-line": [coaches, () => ({ id: made.line })],
  "keep-start-height": [
    everyCoach,
    () => ({
      key: "0".repeat(32),
      startHeight: { heightM: 9, reason: { kind: "freeze", before: "catch", lostM: 7.5, packUsed: 0 } },
    }),
  ],
  "plan-session": [coaches, () => ({ ...planFields, id: newId(), squadId: made.squad })],
  "edit-planned": [coaches, () => ({ ...planFields, id: made.planned, version: 1 })],
  "remove-planned": [coaches, () => ({ id: made.planned })],
  "restore-planned": [coaches, () => ({ id: made.planned })],
  "add-pilot": [coaches, () => ({ id: newId(), squadId: made.squad, name: "New", ...pilotFields })],
  "edit-pilot": [coaches, () => ({ id: made.odo, squadId: made.squad, name: "Odo Fenn", version: 1, ...pilotFields })],
  "add-aircraft": [
    coaches,
    () => ({
      id: newId(),
      pilotId: made.odo,
      name: "Gull",
      presetId: "three-inch",
      flightState: "flying",
      massG: "",
      thrustToWeight: "",
    }),
  ],
  "add-load": [
    coaches,
    () => ({ id: newId(), aircraftId: made.aircraft, name: "Long pack", massG: "900", thrustToWeight: "" }),
  ],
  "remove-load": [coaches, () => ({ id: made.load })],
  "restore-load": [coaches, () => ({ id: made.load })],
  "check-flight": [
    coaches,
    () => ({
      id: newId(),
      aircraftId: made.aircraft,
      found: { sense: "right", drift: "none", noise: "smooth", heat: "cool" },
      defects: [],
    }),
  ],
  "add-defect": [coaches, () => ({ id: newId(), aircraftId: made.aircraft, what: "loose arm" })],
  "mend-defect": [coaches, () => ({ id: newId(), aircraftId: made.aircraft, mended: true })],
  "read-tilt": [coaches, () => ({ id: newId(), aircraftId: made.aircraft, readingsDeg: [24.6, 25] })],
  "set-mount": [coaches, () => ({ id: made.aircraft, version: 2, mount: "fixed" })],
  "set-flight-state": [coaches, () => ({ id: made.aircraft, flightState: "flying" })],
  "measure-aircraft": [
    coaches,
    () => ({ id: made.aircraft, version: 1, measurements: [{ kind: "hover", command: 0.3 }] }),
  ],
  "set-pilot-school": [coaches, () => ({ id: made.odo, school: { loop: "float" }, version: 2 })],
  "place-pilot": [coaches, () => ({ id: newId(), pilotId: made.odo, stepId: "los-hover" })],
  "unplace-pilot": [coaches, () => ({ id: newId(), pilotId: made.odo, stepId: "los-hover" })],
  "remove-squad": [["owner"], () => ({ id: made.squad })],
  "restore-squad": [["owner"], () => ({ id: made.squad })],
  "rename-aircraft": [coaches, () => ({ id: made.aircraft, name: "Plank Two", version: 2 })],
  "set-squad-rules": [
    ["owner"],
    () => ({ id: made.squad, timeZone: "Europe/Lisbon", mostLuck: 0.3, attendedOnly: false, version: 2 }),
  ],
  "set-squad-school": [coaches, () => ({ id: made.squad, school: {}, version: 2 })],
  "save-syllabus": [
    coaches,
    () => ({ id: newId(), squadId: made.squad, basedOn: 0, reason: "r", document: builtInSyllabus.document }),
  ],
  "choose-reference": [coaches, () => ({ id: made.aircraft })],
  "save-setup": [
    coaches,
    () => ({ id: newId(), aircraftId: made.aircraft, basedOn: 1, reason: "r", settings: firstSettings }),
  ],
  "start-session": [withPilot, () => start(newId())],
  "log-attempt": [coaches, () => attempt(made.session)],
  "set-held": [coaches, () => ({ id: made.tap, held: [] })],
  "set-faults": [coaches, () => ({ id: made.tap, faults: [] })],
  "set-measured": [coaches, () => ({ id: made.tap, minutes: null, measured: { stopErrorDeg: 9 } })],
  "add-session-note": [
    coaches,
    () => ({ id: newId(), sessionId: made.session, pilotId: made.odo, text: "x", writtenAtMs: Date.now() }),
  ],
  "begin-in-field": [
    coaches,
    () => ({
      id: newId(),
      squadId: made.squad,
      place: "field",
      siteId: null,
      atMs: Date.now(),
      pilots: [{ pilotId: made.odo, stepId: "flip-slow", setupId: null }],
    }),
  ],
  "take-in": [coaches, () => ({ id: made.session, pilotId: made.odo, stepId: "flip-slow", setupId: null })],
  "let-go": [coaches, () => ({ id: made.session, pilotId: made.kit })],
  "check-aircraft": [
    coaches,
    () => ({ id: newId(), aircraftId: made.aircraft, props: "fine", tiltDeg: 20, atMs: Date.now() }),
  ],
  "undo-attempt": [coaches, () => ({ id: made.tap })],
  "restore-attempt": [coaches, () => ({ id: made.tap })],
  "end-session": [coaches, () => ({ id: made.session })],
  "begin-session": [coaches, () => ({ id: made.session, atMs: Date.now() })],
  "drop-session": [coaches, () => ({ id: made.session })],
  "set-target": [
    coaches,
    () => ({ id: newId(), pilotId: made.odo, stepId: "flip-one-move", dueAtMs: Date.now() + 86_400_000 }),
  ],
  "log-try": [
    withPilot,
    () => ({
      ...{ id: newId(), sittingId: newId(), pilotId: made.odo, stepId: "flip-slow", direction: "back" },
      ...{ outcome: "clean", flownAtMs: Date.now(), seconds: 9, measured: {}, setupId: made.setup, loadId: null },
    }),
  ],
  "set-homework": [
    coaches,
    () => ({ id: newId(), pilotId: made.odo, stepId: "flip-one-move", tries: 5, dueAtMs: Date.now() }),
  ],
  "remove-homework": [coaches, () => ({ id: made.homework })],
  "restore-homework": [coaches, () => ({ id: made.homework })],
  "remove-target": [coaches, () => ({ id: made.target })],
  "restore-target": [coaches, () => ({ id: made.target })],
  "reopen-session": [coaches, () => ({ id: made.session })],
  "add-note": [coaches, () => ({ id: newId(), pilotId: made.odo, text: "x" })],
  "remove-note": [coaches, () => ({ id: made.note })],
  "restore-note": [coaches, () => ({ id: made.note })],
  "ask-sign-off": [withPilot, () => ({ id: newId(), pilotId: made.odo, stepId: "flip-one-move", message: "" })],
  "answer-request": [coaches, () => ({ id: made.request, answer: "Ease it more." })],
  "sign-off": [coaches, () => ({ id: newId(), pilotId: made.odo, stepId: "flip-ease-quarter", note: "" })],
  "withdraw-sign-off": [coaches, () => ({ id: made.milestone })],
  "restore-sign-off": [coaches, () => ({ id: made.milestone })],
  "import-record": [coaches, () => ({ squadId: made.squad, record: {} })],
  "remove-aircraft": [coaches, () => ({ id: made.aircraft })],
  "restore-aircraft": [coaches, () => ({ id: made.aircraft })],
  "remove-pilot": [coaches, () => ({ id: made.odo })],
  "restore-pilot": [coaches, () => ({ id: made.odo })],
  "erase-pilot": [coaches, () => ({ id: made.odo, name: "Not the name" })],
  "close-pilot-account": [coaches, () => ({ pilotId: made.kit })],
  "leave-squad": [coaches, () => ({ squadId: made.squad })],
  "remove-coach": [["owner"], () => ({ squadId: made.squad, coachId: made.edda })],
  "sign-out": [members, () => ({ everywhere: false })],
};

const pagesIn = (folder: string): string[] =>
  readdirSync(folder, { recursive: true, encoding: "utf8" })
    .filter((file) => /(^|\/)(page\.tsx|route\.ts|layout\.tsx)$/.test(file))
    .sort();
type Parameters = { params?: object; search?: object };
const ofOdo = () => ({ search: { pilot: made.odo } });

/** Who gets to see each page, or fetches from each route; the rest are led to the entrance or told that it is not theirs. */
const pageRules: Readonly<Record<string, readonly [sees: readonly Role[], parameters: () => Parameters]>> = {
  "(desk)/account/page.tsx": [members, () => ({})],
  "(desk)/brief/page.tsx": [withPilot, ofOdo],
  "(desk)/lab/page.tsx": [withPilot, ofOdo],
  "(desk)/practice/page.tsx": [withPilot, ofOdo],
  "(desk)/lab/choreographer/page.tsx": [coaches, ofOdo],
  "(desk)/layout.tsx": [members, () => ({})],
  "(desk)/lines/page.tsx": [withPilot, () => ({ search: { pilot: made.odo, line: made.line } })],
  "(desk)/tape/page.tsx": [withPilot, ofOdo],
  "(desk)/tape/month/page.tsx": [withPilot, ofOdo],
  "(desk)/tape/live/page.tsx": [withPilot, ofOdo],
  "(desk)/people/page.tsx": [everyCoach, () => ({})],
  "(desk)/pilot/page.tsx": [withPilot, ofOdo],
  "(desk)/records/page.tsx": [everyCoach, () => ({})],
  "(desk)/season/page.tsx": [withPilot, ofOdo],
  "(desk)/session/page.tsx": [members, () => ({})],
  "(desk)/setup/page.tsx": [withPilot, ofOdo],
  "(desk)/squad/page.tsx": [everyCoach, () => ({})],
  "(desk)/syllabus/page.tsx": [members, () => ({})],
  "(field)/session/[id]/page.tsx": [withPilot, () => ({ params: { id: made.session } })],
  "(open)/join/page.tsx": [roles, () => ({})],
  "reports/[pilot]/[file]/route.ts": [withPilot, () => ({ params: { pilot: made.odo, file: "season.csv" } })],
  "squad-files/[squad]/[file]/route.ts": [coaches, () => ({ params: { squad: made.squad, file: "overview.csv" } })],
  "syllabus-files/[squad]/[file]/route.ts": [
    [...withPilot, "otherPilot"],
    () => ({ params: { squad: made.squad, file: "syllabus.json" } }),
  ],
  "start-heights/[key]/route.ts": [members, () => ({ params: { key: "0".repeat(32) } })],
  "recordings/[recording]/[file]/route.ts": [
    withPilot,
    () => ({ params: { recording: made.recording, file: "whole.csv" } }),
  ],
  "guides/first-session/route.ts": [members, () => ({})],
  "kept-tries/[attempt]/route.ts": [withPilot, () => ({ params: { attempt: made.tried } })],
  "plan-candidates/[pilots]/route.ts": [withPilot, () => ({ params: { pilots: made.odo } })],
  "field-squads/route.ts": [everyCoach, () => ({})],
  "field-tallies/[session]/route.ts": [withPilot, () => ({ params: { session: made.session } })],
  "field-briefs/[session]/route.ts": [withPilot, () => ({ params: { session: made.session } })],
  "debriefs/[session]/route.ts": [withPilot, () => ({ params: { session: made.session } })],
  "(desk)/calendar/page.tsx": [members, () => ({})],
  "calendar-files/[squad]/route.ts": [[...withPilot, "otherPilot"], () => ({ params: { squad: made.squad } })],
  "(desk)/yard/page.tsx": [members, () => ({})],
  "(desk)/yard/[site]/page.tsx": [[...withPilot, "otherPilot"], () => ({ params: { site: made.site } })],
  "site-pictures/[site]/[picture]/route.ts": [
    [...withPilot, "otherPilot"],
    () => ({ params: { site: made.site, picture: made.picture } }),
  ],
  "yard-papers/[site]/[course]/route.ts": [
    [...withPilot, "otherPilot"],
    () => ({ params: { site: made.site, course: "line" } }),
  ],
  "setup-card/[aircraft]/[paper]/route.ts": [withPilot, () => ({ params: { aircraft: made.aircraft, paper: "a6" } })],
  "records/[pilot]/[file]/route.ts": [withPilot, () => ({ params: { pilot: made.odo, file: "record.json" } })],
};
/** Without rules of their own: the entrances, open to all; the leader to one's own page; every action, walked above; what says nothing of anybody. */
const open = [
  "(field)/field/page.tsx",
  "(field)/practice-here/page.tsx",
  "(open)/begin/page.tsx",
  "(open)/gallery/page.tsx",
  "(open)/sign-in/page.tsx",
  "api/[action]/route.ts",
  "healthz/route.ts",
  "readyz/route.ts",
  "layout.tsx",
  "page.tsx",
  "schemas/[name]/route.ts",
];

async function visit(file: string, { params = {}, search = {} }: Parameters): Promise<string> {
  const loaded = (await import(join(__dirname, file))) as Record<string, (...given: unknown[]) => Promise<Response>>;
  const promises = { params: Promise.resolve(params), searchParams: Promise.resolve(search) };
  if (loaded.GET) return String((await loaded.GET(new Request("http://localhost/"), promises)).status);
  try {
    await loaded.default(promises);
    return "200";
  } catch (error) {
    const stopped = /^stopped: (.*)/.exec((error as Error).message);
    if (!stopped) throw error;
    return stopped[1];
  }
}

describe("pages and downloads", () => {
  it("each has a rule here", () => {
    const files = pagesIn(__dirname).map((file) => relative(".", file));
    expect(files).toEqual([...Object.keys(pageRules), ...open].sort());
  });

  it.each(Object.keys(pageRules))("%s", async (file) => {
    const [sees, parameters] = pageRules[file];
    for (const role of roles) {
      browser.token = tokens[role];
      const answer = await visit(file, parameters());
      const turnedAway = role === "stranger" ? /^(to \/sign-in|401)$/ : /^403$/;
      expect([role, answer]).toEqual([role, sees.includes(role) ? "200" : expect.stringMatching(turnedAway)]);
    }
  });

  it("addresses of any shape are never a fault of the server", async () => {
    const word = fc.oneof(
      fc.string(),
      fc.string({ unit: "binary" }),
      fc.constantFrom(made.odo, "record.json", "..", "%00"),
    );
    browser.token = tokens.owner;
    await fc.assert(
      fc.asyncProperty(word, word, async (one, other) => {
        for (const [file, parameters] of [
          ["records/[pilot]/[file]/route.ts", { params: { pilot: one, file: other } }],
          ["schemas/[name]/route.ts", { params: { name: one } }],
          ["(field)/session/[id]/page.tsx", { params: { id: one } }],
          ["field-tallies/[session]/route.ts", { params: { session: one } }],
          ["field-briefs/[session]/route.ts", { params: { session: one } }],
          ["(desk)/pilot/page.tsx", { search: { pilot: one, aircraft: other } }],
          ["(desk)/brief/page.tsx", { search: { pilot: made.odo, step: one, direction: other } }],
          ["(desk)/records/page.tsx", { search: { before: one } }],
          ["(desk)/syllabus/page.tsx", { search: { squad: one, version: other } }],
          ["(desk)/season/page.tsx", { search: { pilot: made.odo, since: one } }],
          ["(desk)/session/page.tsx", { search: { plan: one } }],
          ["reports/[pilot]/[file]/route.ts", { params: { pilot: made.odo, file: other } }],
          ["squad-files/[squad]/[file]/route.ts", { params: { squad: one, file: other } }],
          ["syllabus-files/[squad]/[file]/route.ts", { params: { squad: one, file: other } }],
        ] as const) {
          expect(["200", "403", "404", "409"]).toContain(await visit(file, parameters));
        }
      }),
      { numRuns: 60 },
    );
  });

  it("leads everybody to their own page", async () => {
    const homes = { stranger: "to /sign-in", owner: "to /squad", pilot: "to /pilot" };
    for (const role of ["stranger", "owner", "pilot"] as const) {
      browser.token = tokens[role];
      expect(await visit("page.tsx", {})).toBe(homes[role]);
    }
  });

  it("show nobody who is not theirs, whatever the address says", async () => {
    const { loadSquad } = await import("@/features/squad");
    const { loadRecords } = await import("@/features/records");
    const { loadShell } = await import("@/features/shell");
    const { loadTally } = await import("@/server/tally");
    const as = async (role: Role) => (await signedInBy(tokens[role]!, new Date()))!;
    const outsider = (await as("outsider")) as SignedInCoach;
    expect((await loadSquad(outsider)).rows).toEqual([]);
    expect((await loadRecords(outsider)).trail.filter(({ pilotId }) => pilotId)).toEqual([]);
    expect((await loadShell(await as("pilot"))).pilots.map(({ name }) => name)).toEqual(["Odo Fenn"]);
    expect(await loadTally(await as("otherPilot"), made.session)).toBeNull();
    expect((await loadTally(await as("pilot"), made.session))!.mayKeep).toBe(false);
  });
});
describe("actions", () => {
  it("each has a rule here", () => {
    expect(Object.keys(actionRules).sort()).toEqual([...actionNames].sort());
  });

  it("a pilot writes into a session of their own practice, and nobody else's pilot does", async () => {
    for (const [role, status] of [
      ["otherPilot", 403],
      ["outsider", 403],
      ["pilot", 200],
      ["sharer", 200],
    ] as const) {
      browser.token = tokens[role];
      expect([role, (await post("log-attempt", attempt(made.practice))).status]).toEqual([role, status]);
      expect([role, (await post("undo-attempt", { id: made.ownTap })).status]).toEqual([role, status]);
    }
  });

  it("a pilot takes nobody along, and nobody flies another's aircraft", async () => {
    browser.token = tokens.pilot;
    const both = {
      ...start(newId()),
      pilots: [made.odo, made.ida].map((pilotId) => ({ pilotId, stepId: "flip-slow", setupId: null })),
    };
    expect((await post("start-session", both)).status).toBe(403);
    browser.token = tokens.owner;
    const borrowed = { ...start(newId()), pilots: [{ pilotId: made.ida, stepId: "flip-slow", setupId: made.setup }] };
    expect((await post("start-session", borrowed)).status).toBe(404);
  });

  it("a pilot who changes squads brings old sessions along to be read, and not to be written into", async () => {
    const { loadTally } = await import("@/server/tally");
    await database()("pilot").where({ id: made.odo }).update({ squad_id: made.otherSquad });
    browser.token = tokens.outsider;
    expect(await visit("(field)/session/[id]/page.tsx", { params: { id: made.session } })).toBe("200");
    const seen = (await loadTally((await signedInBy(tokens.outsider!, new Date()))!, made.session))!;
    expect([seen.mayKeep, seen.pilots.map(({ name }) => name)]).toEqual([false, ["Odo Fenn"]]);
    expect((await post("log-attempt", attempt(made.session))).status).toBe(403);
    browser.token = tokens.owner;
    expect((await post("log-attempt", attempt(made.session))).status).toBe(403);
    await database()("pilot").where({ id: made.odo }).update({ squad_id: made.squad });
  });

  it("a pilot cannot be moved into or out of a squad that is not the coach's", async () => {
    const move = { id: made.odo, squadId: made.otherSquad, name: "Odo Fenn", version: 1, ...pilotFields };
    for (const role of ["owner", "outsider"] as const) {
      browser.token = tokens[role];
      expect((await post("edit-pilot", move)).status).toBe(403);
    }
  });

  it.each(Object.keys(actionRules))("%s", async (action) => {
    const [may, input] = actionRules[action];
    const before = await everything();
    for (const role of roles.filter((one) => !may.includes(one))) {
      browser.token = tokens[role];
      // A pilot whose record is in the bin is nobody.
      const turnedAway = role === "stranger" ? [401] : [401, 403];
      expect([role, turnedAway.includes((await post(action, input())).status)]).toEqual([role, true]);
    }
    expect(await everything()).toEqual(before);
    for (const role of may) {
      browser.token = tokens[role];
      const { status } = await post(action, input());
      expect([role, [401, 403].includes(status), status < 500]).toEqual([role, false, true]);
    }
  });
});

/** Every row of the records, to see that who may not changes nothing. */
async function everything(): Promise<unknown> {
  const tables = [
    "squad",
    "squad_coach",
    "pilot",
    "aircraft",
    "aircraft_check",
    "aircraft_defect",
    "setup",
    "session",
    "attempt",
    "milestone",
    "note",
    "recording",
    "recording_piece",
    "homework",
    "kept_try",
  ];
  return Promise.all(
    [...tables, "sign_off_request", "invitation", "account", "trail"].map((table) => database()(table)),
  );
}
