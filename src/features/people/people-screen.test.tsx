import { usualRules } from "@/core";
import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { fakeServer, navigation, renderScreen } from "@/ui/testing/render-screen";
import { JoinScreen } from "./join-screen";
import type { PeopleData } from "./load";
import { PeopleScreen } from "./people-screen";

const TOKEN = "k".repeat(43);
const data: PeopleData = {
  coachId: "ann",
  squads: [
    {
      id: "pans",
      name: "Pans",
      version: 3,
      school: {},
      rules: usualRules,
      coaches: [
        { id: "ann", name: "Ann Pell", owner: true },
        { id: "edda", name: "Edda Lind", owner: false },
      ],
    },
    {
      id: "yard",
      name: "Yard",
      version: 1,
      school: {},
      rules: usualRules,
      coaches: [{ id: "ann", name: "Ann Pell", owner: false }],
    },
  ],
  pilots: [
    { id: "odo", name: "Odo Fenn", squadId: "pans", hasAccount: true },
    { id: "ida", name: "Ida Rook", squadId: "pans", hasAccount: false },
  ],
  invitations: [{ id: "i1", says: "a coach for Pans", expiresAtMs: 0 }],
};
const made = { status: 200, body: { ok: true, data: { token: TOKEN } } };

describe("people", () => {
  it("shows who coaches and who has an account; only owners are offered what owners may", () => {
    renderScreen(<PeopleScreen data={data} />, { address: "/people" });
    const pans = within(screen.getByRole("region", { name: "Pans" }));
    expect(pans.getByText("Ann Pell").parentElement).toHaveTextContent("Ann Pell, owner (you)");
    expect(pans.getByText("Odo Fenn").parentElement).toHaveTextContent("can see own record");
    expect(pans.getByRole("button", { name: "Share with another coach" })).toBeVisible();
    const yard = within(screen.getByRole("region", { name: "Yard" }));
    expect(yard.queryByRole("button", { name: "Share with another coach" })).toBeNull();
    expect(yard.getByText("Owners decide who else coaches this squad.")).toBeVisible();
  });

  it("makes a one-time link, shown as text and as a code, with its secret behind the #", async () => {
    const sent = fakeServer({ "invite-pilot": made });
    renderScreen(<PeopleScreen data={data} />, { address: "/people" });
    await userEvent.click(screen.getByRole("button", { name: "Invite" }));
    const dialog = within(await screen.findByRole("dialog", { name: "An invitation for Ida Rook" }));
    expect(sent[0]).toMatchObject({ action: "invite-pilot", input: { pilotId: "ida" } });
    expect(dialog.getByLabelText("The link")).toHaveValue(`${location.origin}/join#${TOKEN}`);
    expect(dialog.getByTitle("The link as a code for a camera")).toBeInTheDocument();
    expect(dialog.getByText(/works once, within 7 days/)).toBeVisible();
  });

  it("lets an owner set how days are counted and how sure advice is; the others read it", async () => {
    const sent = fakeServer();
    renderScreen(<PeopleScreen data={data} />, { address: "/people" });
    const yard = within(screen.getByRole("region", { name: "Rules of Yard" }));
    expect(yard.getByLabelText("Time zone")).toBeDisabled();
    expect(yard.queryByRole("button", { name: "Save rules" })).toBeNull();
    const pans = within(screen.getByRole("region", { name: "Rules of Pans" }));
    expect(pans.getByRole("button", { name: "Save rules" })).toBeDisabled();
    await userEvent.clear(pans.getByLabelText("Time zone"));
    await userEvent.type(pans.getByLabelText("Time zone"), "Lisb");
    await userEvent.click(await screen.findByRole("option", { name: "Europe/Lisbon" }));
    await userEvent.click(pans.getByRole("combobox", { name: /Advise a sign-off/ }));
    await userEvent.click(screen.getByRole("option", { name: "once luck is 10\u202f% or less" }));
    await userEvent.click(pans.getByRole("checkbox"));
    await userEvent.click(pans.getByRole("button", { name: "Save rules" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toEqual({
      action: "set-squad-rules",
      input: {
        id: "pans",
        version: 3,
        timeZone: "Europe/Lisbon",
        mostLuck: 0.1,
        attendedOnly: true,
      },
    });
  });

  it("takes an open invitation back, renames on the version it shows, and ends sharing", async () => {
    const sent = fakeServer();
    renderScreen(<PeopleScreen data={data} />, { address: "/people" });
    await userEvent.click(screen.getByRole("button", { name: "Take it back" }));
    await userEvent.click(screen.getByRole("button", { name: "Stop sharing" }));
    await userEvent.click(screen.getByRole("button", { name: "Rename" }));
    await userEvent.clear(screen.getByLabelText("Name of the squad"));
    await userEvent.type(screen.getByLabelText("Name of the squad"), "Tower");
    await userEvent.click(screen.getByRole("dialog").querySelector("button[type=submit]")!);
    await waitFor(() => expect(sent).toHaveLength(3));
    expect(sent).toEqual([
      { action: "revoke-invitation", input: { id: "i1" } },
      { action: "remove-coach", input: { squadId: "pans", coachId: "edda" } },
      { action: "rename-squad", input: { id: "pans", name: "Tower", version: 3 } },
    ]);
  });
});

describe("an invitation", () => {
  const opened = (change: object) => ({
    status: 200,
    body: {
      ok: true,
      data: { kind: "pilot", pilotName: "Odo Fenn", squadName: null, byName: "Ann Pell", expiresAtMs: 0, ...change },
    },
  });
  beforeEach(() => window.history.replaceState(null, "", `/join#${TOKEN}`));

  it("for a pilot says what the account is for and makes it with the secret of the link", async () => {
    const sent = fakeServer({ "open-invitation": opened({}) });
    renderScreen(<JoinScreen signedInAs={null} isCoach={false} />, { address: "/join" });
    expect(await screen.findByRole("heading", { name: "Your own record, Odo Fenn" })).toBeVisible();
    expect(sent[0]).toEqual({ action: "open-invitation", input: { token: TOKEN } });
    await userEvent.type(screen.getByLabelText("A password"), "four plain words here");
    await userEvent.click(screen.getByRole("button", { name: "Create account" }));
    await waitFor(() => expect(navigation.journeys).toContain("/"));
    expect(sent[1]).toMatchObject({
      action: "accept-invitation",
      input: { token: TOKEN, name: "Odo Fenn", password: "four plain words here" },
    });
  });

  it("lets a coach who is signed in join a squad without a new account", async () => {
    const sent = fakeServer({ "open-invitation": opened({ kind: "coach", pilotName: null, squadName: "Pans" }) });
    renderScreen(<JoinScreen signedInAs="Cy Dorn" isCoach />, { address: "/join" });
    await userEvent.click(await screen.findByRole("button", { name: "Join" }));
    expect(sent[1]).toEqual({ action: "join-squad", input: { token: TOKEN } });
  });

  it("sets a new password where the old one is forgotten", async () => {
    const sent = fakeServer({ "open-invitation": opened({ kind: "way-back" }) });
    renderScreen(<JoinScreen signedInAs={null} isCoach={false} />, { address: "/join" });
    await userEvent.type(await screen.findByLabelText("A password"), "four plain words here");
    await userEvent.click(screen.getByRole("button", { name: "Set password" }));
    expect(sent[1]).toEqual({ action: "take-way-back", input: { token: TOKEN, password: "four plain words here" } });
  });

  it("that leads nowhere says so", async () => {
    fakeServer({
      "open-invitation": { status: 404, body: { ok: false, message: "This link does not work any more.", fields: {} } },
    });
    renderScreen(<JoinScreen signedInAs={null} isCoach={false} />, { address: "/join" });
    expect(await screen.findByText("This link does not work any more.")).toBeVisible();
  });
});
