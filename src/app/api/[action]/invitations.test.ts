import { v7 as newId } from "uuid";
import { signedInBy, type SignedIn } from "@/server/accounts";
import type { ActionResult } from "@/contract";
import { runAction, type Asker } from "@/server/actions";
import { database } from "@/server/database";
import { INVITATION_MS, listPilots, listSquads } from "@/server/repositories";
import { withFreshDatabase } from "@/server/testing/fresh-database";
import { loadPeople } from "@/features/people";
import { findAction } from "./registry";

withFreshDatabase();

const password = "four plain words here";

/** A device: signs in as whoever it last became. */
class Device {
  token: string | null = null;
  who = async (): Promise<SignedIn | null> => (this.token ? signedInBy(this.token, new Date()) : null);

  send(name: string, input: object): Promise<ActionResult<unknown>> {
    const asker: Asker = {
      identify: this.who,
      address: "local",
      device: "a computer",
      requestId: "r",
      setToken: async (token) => void (this.token = token),
    };
    return runAction(findAction(name)!, async () => input, asker);
  }

  async done<Output>(name: string, input: object): Promise<Output> {
    const result = await this.send(name, input);
    if (!result.ok) throw new Error(`${name}: ${result.message}`);
    return result.data as Output;
  }
}

const desk = new Device();
const coachId = newId();
const squadId = newId();
const pilotId = newId();
const invitePilot = () => desk.done<{ token: string }>("invite-pilot", { id: newId(), pilotId });
const inviteCoach = (into: string | null) =>
  desk.done<{ token: string }>("invite-coach", { id: newId(), squadId: into });
const accept = (device: Device, token: string, name: string) =>
  device.send("accept-invitation", { id: newId(), token, name, password });
const status = (result: ActionResult<unknown>) => (result.ok ? 200 : result.status);

beforeAll(async () => {
  await desk.done("begin", { id: coachId, name: "Ann Pell", password });
  await desk.done("add-squad", { id: squadId, name: "Pans" });
  await desk.done("add-pilot", { id: pilotId, squadId, name: "Odo Fenn", stickMode: 2, grip: "thumbs" });
});

it("says what a link is for without using it up; keeps only a hash of its secret", async () => {
  const { token } = await inviteCoach(squadId);
  for (let times = 0; times < 2; times++) {
    expect(await new Device().done("open-invitation", { token })).toMatchObject({
      kind: "coach",
      squadName: "Pans",
      byName: "Ann Pell",
      pilotName: null,
    });
  }
  expect(JSON.stringify(await database()("invitation"))).not.toContain(token);
});

it("works once, also when several use it at the same moment", async () => {
  const { token } = await inviteCoach(squadId);
  const devices = [1, 2, 3, 4].map(() => new Device());
  const results = await Promise.all(devices.map((device, i) => accept(device, token, `Rival ${"ABCD"[i]}`)));
  expect(results.map(status).sort()).toEqual([200, 404, 404, 404]);
  expect(devices.filter(({ token: signedIn }) => signedIn !== null)).toHaveLength(1);
  expect((await listSquads(coachId)).find(({ id }) => id === squadId)?.coaches).toHaveLength(2);
});

it("is worthless when taken back, and after seven days", async () => {
  const id = newId();
  const taken = await desk.done<{ token: string }>("invite-coach", { id, squadId });
  await desk.done("revoke-invitation", { id });
  const old = await inviteCoach(squadId);
  await database()("invitation")
    .orderBy("created_at", "desc")
    .limit(1)
    .update({ expires_at: new Date(Date.now() - 1) });
  for (const { token } of [taken, old]) {
    expect(status(await new Device().send("open-invitation", { token }))).toBe(404);
    expect(await accept(new Device(), token, "Too Late")).toMatchObject({
      status: 404,
      message: expect.stringContaining("is no longer valid"),
    });
  }
  expect(INVITATION_MS).toBe(7 * 24 * 3600 * 1000);
});

it("is not used up by a name that is taken or a password that is poor", async () => {
  const { token } = await inviteCoach(null);
  expect(await accept(new Device(), token, " ann  PELL")).toMatchObject({
    status: 422,
    fields: { name: expect.any(String) },
  });
  expect(
    await new Device().send("accept-invitation", { id: newId(), token, name: "Bo Kerr", password: "short" }),
  ).toMatchObject({ status: 422, fields: { password: expect.any(String) } });
  const device = new Device();
  expect(status(await accept(device, token, "Bo Kerr"))).toBe(200);
  const who = (await device.who())!;
  expect(await listSquads(who.coachId!)).toMatchObject([
    { name: "The squad", coaches: [{ name: "Bo Kerr", owner: true }] },
  ]);
  expect(await listPilots(who)).toEqual([]);
});

it("a coach with an account takes up another squad by link, and sees its pilots", async () => {
  const other = new Device();
  const { token: own } = await inviteCoach(null);
  await accept(other, own, "Cy Dorn");
  expect(await listPilots((await other.who())!)).toEqual([]);
  const { token } = await inviteCoach(squadId);
  await other.done("join-squad", { token });
  expect((await listPilots((await other.who())!)).map(({ name }) => name)).toEqual(["Odo Fenn"]);
  expect(status(await other.send("join-squad", { token }))).toBe(404);
  const { coachId: cy } = (await other.who())!;
  await desk.done("remove-coach", { squadId, coachId: cy });
  expect(await listPilots((await other.who())!)).toEqual([]);
});

it("a squad keeps an owner, whoever goes", async () => {
  expect(status(await desk.send("set-owner", { squadId, coachId, owner: false }))).toBe(409);
  expect(status(await desk.send("remove-coach", { squadId, coachId }))).toBe(409);
});

describe("a pilot's account", () => {
  const phone = new Device();

  it("is made by link, and the newest link makes older ones worthless", async () => {
    const first = await invitePilot();
    const second = await invitePilot();
    expect(status(await accept(phone, first.token, "Odo"))).toBe(404);
    expect(status(await accept(phone, second.token, "Odo"))).toBe(200);
    expect(await phone.who()).toMatchObject({ name: "Odo Fenn", coachId: null, pilotId });
    expect((await loadPeople((await desk.who()) as never)).pilots).toMatchObject([
      { name: "Odo Fenn", hasAccount: true },
    ]);
  });

  it("comes back after a forgotten password by link, and every device is signed out", async () => {
    const { token } = await invitePilot();
    expect(await new Device().done("open-invitation", { token })).toMatchObject({
      kind: "way-back",
      pilotName: "Odo Fenn",
    });
    expect(status(await accept(new Device(), token, "Somebody Else"))).toBe(404);
    const tablet = new Device();
    await tablet.done("take-way-back", { token, password: "five other plain words now" });
    expect(await phone.who()).toBeNull();
    expect(await tablet.who()).toMatchObject({ pilotId });
    expect(status(await new Device().send("sign-in", { name: "odo", password }))).toBe(422);
    expect(status(await phone.send("sign-in", { name: "odo", password: "five other plain words now" }))).toBe(200);
  });

  it("ends when the record goes into the bin, is back with it, and is closed by the coach", async () => {
    await desk.done("remove-pilot", { id: pilotId });
    expect(await phone.who()).toBeNull();
    await desk.done("restore-pilot", { id: pilotId });
    expect(await phone.who()).toMatchObject({ pilotId });
    await desk.done("close-pilot-account", { pilotId });
    expect(await phone.who()).toBeNull();
    expect(status(await desk.send("close-pilot-account", { pilotId }))).toBe(404);
  });
});
