import { v7 } from "uuid";
import { airframePresets, seededNormal, seededRandom, type Attempt, type Outcome, DAY_MS, usualRules } from "@/core";
import { tricksOf, type LineTry } from "@/contract";
import { evidenceFor } from "@/features/pilot/evidence";
import { hashPassword, insertAccount } from "@/server/accounts";
import {
  addToSquad,
  anyAccount,
  insertAircraft,
  insertAttempt,
  insertCheck,
  insertCheckFlight,
  insertDefect,
  insertTilt,
  insertCoach,
  insertLine,
  insertLoad,
  insertMilestone,
  insertHomework,
  insertKeptTry,
  insertNote,
  insertPilot,
  insertPlanned,
  insertRequest,
  insertSession,
  insertSetup,
  insertSite,
  updateSitePlan,
  insertSquad,
  insertTarget,
  insertVariant,
  inTransaction,
  giveLine,
  leavePilotTrail,
  listCoaches,
  setSessionEnd,
  updateLine,
} from "@/server/repositories";
import type { Transaction } from "@/server/database";
import { builtInSyllabus, digestSteps, findStep, lineDirection, LINES_STEP, standingAt } from "@/syllabus";
import {
  coaches,
  flyingDaysAgo,
  type Alone,
  type CampAircraft,
  ownWay,
  pilots,
  planned,
  sites,
  squadName,
  targets,
} from "./camp";
import { lineOf, lines, lineTries } from "./lines";
import { homework, sittings, sticksOfTry } from "./practice";
import { sitePlans } from "./site-plans";

const HOUR_MS = 3_600_000;
const MINUTE_MS = 60_000;
const SEED = 20260117;

/**
 * Loads the made-up camp, ending shortly before `now`, unless there are records already. The same but for the dates every
 * time. Both coaches, and the pilots who sign in, do so with the password given. Returns whether it was loaded.
 */
export async function loadDemo(now: Date, password: string): Promise<boolean> {
  if (await anyAccount()) return false;
  const passwordHash = await hashPassword(password);
  const here = await listCoaches();
  return inTransaction(async (transaction) => {
    // Loaded before there were accounts: its coaches only want a way in.
    for (const { id, name } of here) await insertAccount(transaction, { coachId: id, name, passwordHash }, now);
    if (here.length > 0) return false;
    await new Camp(transaction, now, passwordHash).load();
    return true;
  });
}

type FlownAttempt = Attempt & { readonly stepId: string };

/** A pilot of the camp while it is loaded. */
interface Person {
  readonly plan: (typeof pilots)[number];
  readonly id: string;
  readonly setupOnDay: (day: number) => string | null;
  readonly flown: FlownAttempt[];
  readonly signed: Set<string>;
  /** Draws of their own for those who came later, so that nobody else's camp changes. */
  readonly random: () => number;
  /** Share of a clean attempt saved up in each direction. */
  readonly credit: { back: number; front: number };
}

class Camp {
  private readonly random = seededRandom(SEED);
  /** Of its own, so that what is measured moves nothing else. */
  private readonly normal = seededNormal(seededRandom(SEED + 1));
  private readonly checks = seededRandom(SEED + 2);
  private readonly laterSites = seededRandom(SEED + 4);
  private readonly evenings = seededRandom(SEED + 5);
  private readonly today: number;
  private readonly coachIds: string[] = [];
  private readonly squadId: string;
  private readonly siteIds: string[] = [];
  /** The aircraft of each setup, as far as a check after a crash wants it. */
  private readonly flownWith = new Map<
    string,
    { readonly id: string; readonly tiltDeg: number; readonly ready: boolean }
  >();

  constructor(
    private readonly transaction: Transaction,
    now: Date,
    private readonly passwordHash: string,
  ) {
    this.today = Math.floor(now.getTime() / DAY_MS) * DAY_MS;
    this.squadId = this.id(this.dayMs(0) - 3 * DAY_MS);
  }

  async load(): Promise<void> {
    for (const name of coaches) {
      const id = this.id(this.dayMs(0) - 3 * DAY_MS);
      this.coachIds.push(id);
      await insertCoach(
        this.transaction,
        { id, name },
        new Date(this.dayMs(0) - 3 * DAY_MS + this.coachIds.length * MINUTE_MS),
      );
    }
    for (const [i, name] of coaches.entries()) {
      await insertAccount(
        this.transaction,
        { coachId: this.coachIds[i], name, passwordHash: this.passwordHash },
        new Date(this.dayMs(0)),
      );
    }
    const [ownerId, sharerId] = this.coachIds;
    const began = new Date(this.dayMs(0) - 3 * DAY_MS);
    await insertSquad(this.transaction, { id: this.squadId, name: squadName, ownerId }, began);
    await addToSquad(this.transaction, { squadId: this.squadId, coachId: sharerId, owner: false }, began);
    const people: Person[] = [];
    for (const plan of pilots) {
      const id = this.id(this.dayMs(0) - 2 * DAY_MS);
      await insertPilot(
        this.transaction,
        {
          id,
          squadId: this.squadId,
          name: plan.name,
          stickMode: plan.stickMode,
          grip: plan.grip,
          cruiseMps: plan.cruiseMps ?? null,
        },
        new Date(this.dayMs(0) - 2 * DAY_MS),
      );
      if (plan.signsIn) {
        const account = { pilotId: id, name: plan.name, passwordHash: this.passwordHash };
        await insertAccount(this.transaction, account, new Date(this.dayMs(0)));
      }
      const saved = await this.loadAircraft(plan, id);
      await this.bringAlong(id, plan.broughtAlong);
      people.push({
        plan,
        id,
        random:
          plan.alone || plan.flown.some(({ tiring }) => tiring) ? seededRandom(SEED + people.length) : this.random,
        flown: [],
        signed: new Set(plan.broughtAlong),
        credit: { back: 0.5, front: 0.3 },
        setupOnDay: (day) => saved.filter((one) => one.day <= day).at(-1)?.id ?? null,
      });
    }
    for (const [i, site] of sites.entries()) {
      // The two that came later draw from elsewhere, so that nothing else of the camp changes.
      const id = this.id(this.dayMs(0), i < 2 ? this.random : this.laterSites);
      this.siteIds.push(id);
      const now = new Date(this.dayMs(0));
      await insertSite(this.transaction, { ...site, id, squadId: this.squadId }, now);
      await updateSitePlan(this.transaction, { siteId: id, version: 1, plan: sitePlans[site.name] }, coaches[0], now);
    }
    for (const day of flyingDaysAgo.keys()) await this.loadDay(day, people);
    for (const person of people) if (person.plan.alone) await this.flyAlone(person, person.plan.alone);
    for (const { plan, id } of people) if (plan.asksFor) await this.ask(id, plan.asksFor);
    await this.loadAhead(people);
    await this.practise(people);
  }

  /** What a pilot flew and logged without a coach. */
  private async flyAlone({ id, flown, setupOnDay }: Person, alone: Alone): Promise<void> {
    for (const daysAgo of alone.daysAgo) {
      const startedAtMs = this.today - daysAgo * DAY_MS + 16 * HOUR_MS;
      const sessionId = this.id(startedAtMs);
      const setupId = setupOnDay(flyingDaysAgo.length - 1);
      await insertSession(this.transaction, {
        id: sessionId,
        squadId: this.squadId,
        coachId: null,
        place: "field",
        siteId: this.siteIds[0],
        startedAtMs,
        pilots: [{ pilotId: id, stepId: alone.step, setupId }],
      });
      for (let n = 0; n < alone.tries; n++) {
        const outcome: Outcome = n >= alone.tries - alone.clean ? "clean" : "rough";
        const one = {
          stepId: alone.step,
          direction: n % 2 === 0 ? "back" : "front",
          outcome,
          place: "field",
          setupId,
          atMs: startedAtMs + n * 2 * MINUTE_MS,
        } as const;
        await insertAttempt(this.transaction, {
          ...one,
          id: this.id(one.atMs),
          sessionId,
          pilotId: id,
          faults: [],
          pack: 1,
          minutes: null,
          measured: {},
        });
        flown.push({ ...one, alone: true });
      }
      await setSessionEnd(this.transaction, sessionId, { at: new Date(startedAtMs + HOUR_MS), byAccountId: null });
    }
  }

  /** Evenings at the radio, and what was asked for them. */
  private async practise(people: readonly Person[]): Promise<void> {
    const personOf = (who: string) => people.find(({ plan }) => plan.name === who)!;
    const flown = new Map<string, Buffer | null>();
    for (const sitting of sittings) {
      const { who, stepId, direction, daysAgo, tries, seconds } = sitting;
      const { id: pilotId, setupOnDay, plan } = personOf(who);
      const { preset, setups } = plan.aircraft[0];
      const startedAtMs = this.today - daysAgo * DAY_MS + 20 * HOUR_MS;
      const setupId = setupOnDay(flyingDaysAgo.length - 1);
      const sessionId = this.id(startedAtMs, this.evenings);
      await insertSession(this.transaction, {
        ...{ id: sessionId, squadId: this.squadId, coachId: null, place: "simulator", startedAtMs },
        pilots: [{ pilotId, stepId, setupId }],
      });
      for (const [n, one] of [...tries].entries()) {
        const atMs = startedAtMs + n * MINUTE_MS;
        const id = this.id(atMs, this.evenings);
        await insertAttempt(this.transaction, {
          ...{ id, sessionId, pilotId, stepId, direction, setupId, atMs },
          ...{ outcome: one === "." ? "clean" : one === "x" ? "crashed" : "rough", place: "simulator" },
          ...{ faults: [], pack: null, minutes: seconds / 60, measured: {} },
        });
        // The same hands come to the same sticks.
        const same = `${who} ${stepId} ${direction} ${one}`;
        if (!flown.has(same))
          flown.set(same, sticksOfTry(sitting, one, airframePresets[preset].airframe, setups.at(-1)!.settings));
        const packed = flown.get(same);
        if (packed) await insertKeptTry(this.transaction, { attemptId: id, pilotId, packed });
      }
      const at = new Date(startedAtMs + tries.length * MINUTE_MS);
      await setSessionEnd(this.transaction, sessionId, { at, byAccountId: null });
    }
    for (const { who, stepId, tries, setDaysAgo, inDays } of homework) {
      const setAtMs = this.today - setDaysAgo * DAY_MS;
      const asked = { id: this.id(setAtMs, this.evenings), pilotId: personOf(who).id, stepId, tries };
      const dueAtMs = this.today + inDays * DAY_MS + 20 * HOUR_MS;
      await insertHomework(this.transaction, { ...asked, dueAtMs }, new Date(setAtMs));
    }
  }

  /** What is planned, and the dates that are aimed at. */
  private async loadAhead(people: readonly Person[]): Promise<void> {
    const idOf = (who: string) => people.find(({ plan }) => plan.name === who)!.id;
    const began = new Date(this.today);
    for (const { inDays, minutes, note, who } of planned) {
      const startsAtMs = this.today + inDays * DAY_MS + 10 * HOUR_MS;
      const common = { squadId: this.squadId, siteId: this.siteIds[0], pilotIds: who.map(idOf) };
      await insertPlanned(this.transaction, { id: this.id(this.today), startsAtMs, minutes, note, ...common }, began);
    }
    const { who: flownBy, ...way } = ownWay;
    const common = { squadId: this.squadId, pilotIds: flownBy.map(idOf) };
    await insertVariant(this.transaction, { id: this.id(this.today), ...way, ...common }, began);
    await this.flyLines(people, await this.loadLines(idOf));
    for (const { who, stepId, inDays } of targets) {
      const dueAtMs = this.today + inDays * DAY_MS + 12 * HOUR_MS;
      await insertTarget(this.transaction, { id: this.id(this.today), pilotId: idOf(who), stepId, dueAtMs }, began);
    }
  }

  /** What is flown joined, in versions, and to whom it was given. */
  private async loadLines(idOf: (who: string) => string): Promise<ReadonlyMap<string, Omit<LineTry, "brokeAt">>> {
    const kept = new Map<string, Omit<LineTry, "brokeAt">>();
    for (const line of lines) {
      const id = this.id(this.today);
      const { name, style, copied } = line;
      const parts = copied?.parts.map((part) => ({ id: this.id(this.today), name: part }));
      const copy = copied && { from: copied.from, parts: parts!, lookAfter: 5 };
      const siteId = this.siteIds[sites.findIndex((site) => site.name === line.site)];
      for (const [version, items] of line.versions.entries()) {
        const at = new Date(this.today - (line.versions.length - version) * DAY_MS);
        const saved = { id, siteId, name, style, line: lineOf(line, items), copy, savedBy: coaches[0] };
        if (version === 0) await insertLine(this.transaction, { ...saved, squadId: this.squadId }, at);
        else await updateLine(this.transaction, { ...saved, version }, at);
        kept.set(name, { id, version: version + 1, name, tricks: tricksOf(items), ...(parts && { parts }) });
      }
      for (const who of line.given)
        await giveLine(this.transaction, { id, pilotId: idOf(who), given: true }, new Date(this.today));
    }
    return kept;
  }

  /** Tries at lines, each pilot's of a day in a session of their own. */
  private async flyLines(
    people: readonly Person[],
    kept: ReadonlyMap<string, Omit<LineTry, "brokeAt">>,
  ): Promise<void> {
    const step = findStep(builtInSyllabus, LINES_STEP)!;
    const days = new Map<string, { readonly sessionId: string; readonly startedAtMs: number; flown: number }>();
    for (const { who, line: name, daysAgo, alone, tries, held } of lineTries) {
      const { id: pilotId, setupOnDay } = people.find(({ plan }) => plan.name === who)!;
      const setupId = setupOnDay(flyingDaysAgo.length - 1);
      const key = `${who} ${daysAgo}`;
      const startedAtMs = this.today - daysAgo * DAY_MS + 17 * HOUR_MS;
      const day = days.get(key) ?? { sessionId: this.id(startedAtMs), startedAtMs, flown: 0 };
      if (!days.has(key))
        await insertSession(this.transaction, {
          id: day.sessionId,
          squadId: this.squadId,
          coachId: alone ? null : this.coachIds[0],
          place: "field",
          siteId: this.siteIds[0],
          startedAtMs,
          pilots: [{ pilotId, stepId: LINES_STEP, setupId }],
        });
      days.set(key, day);
      const line = kept.get(name)!;
      for (const [i, one] of [...tries].entries()) {
        const atMs = startedAtMs + day.flown++ * 90_000;
        const through = one === "." || one === "~";
        await insertAttempt(this.transaction, {
          id: this.id(atMs),
          sessionId: day.sessionId,
          pilotId,
          stepId: LINES_STEP,
          direction: lineDirection(step, line.tricks.length),
          outcome: one === "." ? "clean" : through ? "rough" : "bailed",
          place: "field",
          setupId,
          atMs,
          faults: [],
          pack: 1 + Math.floor(day.flown / 5),
          minutes: null,
          measured: {},
          line: {
            ...{ ...line, brokeAt: through ? null : Number(one) - 1 },
            ...(held && line.parts && { held: [...held[i]].map((part) => line.parts![Number(part) - 1].id) }),
          },
        });
      }
      await setSessionEnd(this.transaction, day.sessionId, { at: new Date(startedAtMs + HOUR_MS), byAccountId: null });
    }
  }

  /** Milestones from before the camp, without attempts. */
  private async bringAlong(pilotId: string, stepIds: readonly string[]): Promise<void> {
    for (const [i, stepId] of stepIds.entries()) {
      const signedAtMs = this.dayMs(0) - (stepIds.length - i + 7) * 4 * DAY_MS;
      await insertMilestone(this.transaction, {
        id: this.id(signedAtMs),
        pilotId,
        coachId: this.coachOn(0),
        stepId,
        note: "",
        evidence: { advice: "advance", sentence: "Signed off before the camp, on paper.", directions: [] },
        signedAtMs,
      });
    }
  }

  private async loadAircraft(plan: (typeof pilots)[number], pilotId: string): Promise<{ day: number; id: string }[]> {
    const ofFirst: { day: number; id: string }[] = [];
    for (const [place, aircraft] of plan.aircraft.entries()) {
      const aircraftId = this.id(this.dayMs(0) - DAY_MS);
      await insertAircraft(
        this.transaction,
        {
          id: aircraftId,
          pilotId,
          name: aircraft.name,
          presetId: aircraft.preset as string,
          flightState: aircraft.state,
          airframe: airframePresets[aircraft.preset].airframe,
        },
        new Date(this.dayMs(0) - DAY_MS + place * MINUTE_MS),
      );
      for (const load of aircraft.loads ?? [])
        await insertLoad(
          this.transaction,
          { ...load, id: this.id(this.dayMs(0)), aircraftId },
          new Date(this.dayMs(0)),
        );
      await this.lookedOver(aircraft, aircraftId);
      for (const [i, { day, settings, reason }] of aircraft.setups.entries()) {
        const atMs = this.dayMs(day) - 15 * HOUR_MS;
        const id = this.id(atMs);
        await insertSetup(
          this.transaction,
          { id, aircraftId, number: i + 1, settings, reason, coachId: this.coachOn(day) },
          new Date(atMs),
        );
        if (place === 0) ofFirst.push({ day, id });
        const ready = aircraft.state === "flying";
        this.flownWith.set(id, { id: aircraftId, tiltDeg: settings.tiltDeg, ready });
        const done = { kind: "saved-setup", aircraft: aircraft.name, number: i + 1, reason } as const;
        await this.leaveTrail({ who: coaches[day % 2], done, pilotId }, atMs);
      }
    }
    return ofFirst;
  }

  /** What was read and found about an aircraft itself. */
  private async lookedOver(
    { mount, tilts = [], checkFlights = [], measured = [] }: CampAircraft,
    aircraftId: string,
  ): Promise<void> {
    const on = (day: number) => {
      const at = new Date(this.dayMs(day) - 14 * HOUR_MS);
      return { at, coachId: this.coachOn(day), id: this.id(at.getTime(), this.checks) };
    };
    for (const { day, readingsDeg } of tilts) {
      const { at, coachId, id } = on(day);
      await insertTilt(this.transaction, { id, aircraftId, coachId, readingsDeg }, at);
    }
    for (const { day, found, defects } of checkFlights) {
      const { at, coachId, id } = on(day);
      await insertCheckFlight(this.transaction, { id, aircraftId, coachId, found }, at);
      for (const defect of defects)
        await insertDefect(
          this.transaction,
          { ...defect, id: this.id(at.getTime(), this.checks), aircraftId, coachId },
          at,
        );
    }
    await this.transaction("aircraft")
      .where({ id: aircraftId })
      .update({
        mount: mount ?? null,
        // Counted hangs settle nothing: the aircraft stays its estimate.
        ...(measured.length > 0 && {
          measurements: JSON.stringify(measured),
          estimate: this.transaction.ref("airframe"),
        }),
      });
  }

  private async loadDay(day: number, people: readonly Person[]): Promise<void> {
    const startMs = this.dayMs(day) + 10 * HOUR_MS;
    const here = people.flatMap((person) => {
      const stretch = person.plan.flown.find(({ days: [first, last] }) => day >= first && day <= last);
      return stretch ? [{ person, stretch }] : [];
    });
    const sessionId = this.id(startMs);
    await insertSession(this.transaction, {
      id: sessionId,
      squadId: this.squadId,
      coachId: this.coachOn(day),
      place: "field",
      siteId: this.siteIds[0],
      startedAtMs: startMs,
      pilots: here.map(({ person, stretch }) => ({
        pilotId: person.id,
        stepId: stretch.step,
        setupId: person.setupOnDay(day),
      })),
    });
    for (const [turn, { person, stretch }] of here.entries()) {
      const step = findStep(builtInSyllabus, stretch.step)!;
      const [first, last] = stretch.days;
      const progress = last === first ? 1 : (day - first) / (last - first);
      const { random } = person;
      const count = stretch.tiring ? 12 : 6 + Math.floor(random() * 5);
      for (let n = 0; n < count; n++) {
        const direction = n % 2 === 0 ? "back" : "front";
        const [from, to] = stretch[direction];
        // The last day before a sign-off, or of a pilot who is ready, passes for certain.
        const certain = progress === 1 && to >= 0.85 && n >= count - 8;
        // Evenly spread rather than drawn, so that the camp's stories show whatever the seed.
        person.credit[direction] += from + progress * (to - from) + 0.2 * (random() - 0.5);
        const clean = certain || person.credit[direction] >= 1;
        if (clean) person.credit[direction] = Math.max(0, person.credit[direction] - 1);
        const outcome: Outcome = clean
          ? "clean"
          : (stretch.tiring ? n >= 6 && n % 3 !== 0 : random() < (stretch.crashes ?? 0.04))
            ? "crashed"
            : random() < 0.25
              ? "bailed"
              : "rough";
        const fault = step.faults[Math.floor(random() * step.faults.length)].id;
        const atMs = startMs + (turn * 25 + n * 2) * MINUTE_MS + Math.floor(random() * MINUTE_MS);
        const setupId = person.setupOnDay(day);
        await insertAttempt(this.transaction, {
          id: this.id(atMs),
          sessionId,
          pilotId: person.id,
          stepId: step.id,
          direction,
          outcome,
          place: "field",
          setupId,
          faults: clean ? [] : [fault],
          pack: Math.floor(n / 4) + 1,
          minutes: null,
          measured: person.plan.measured ? this.stopOf(outcome) : {},
          atMs,
        });
        person.flown.push({ stepId: step.id, direction, outcome, place: "field", setupId, atMs });
      }
      if (stretch.signed && day === last) await this.signOff(person, step.id, startMs + 5 * HOUR_MS, day);
    }
    await this.lookAfter(day, people, startMs);
    for (const { plan, id } of people) {
      for (const [, text] of plan.notes.filter(([noted]) => noted === day)) {
        await insertNote(
          this.transaction,
          { id: this.id(startMs), pilotId: id, coachId: this.coachOn(day), text, sessionId },
          new Date(startMs + 3 * HOUR_MS),
        );
      }
    }
    await setSessionEnd(this.transaction, sessionId, { at: new Date(startMs + 4 * HOUR_MS), byAccountId: null });
  }

  /** What crashed was checked the same evening; what crashed on the last day still waits for it. */
  private async lookAfter(day: number, people: readonly Person[], startMs: number): Promise<void> {
    const at = new Date(startMs + 6 * HOUR_MS);
    for (const person of people) {
      const aircraft = this.flownWith.get(person.setupOnDay(day) ?? "");
      const crashed = person.flown.some(({ outcome, atMs }) => outcome === "crashed" && atMs >= startMs);
      if (!aircraft || !crashed || day === flyingDaysAgo.length - 1) continue;
      const coachId = this.coachOn(day);
      if (aircraft.ready) {
        const tiltDeg = aircraft.tiltDeg + Math.round(4 * Math.sin(day + aircraft.tiltDeg)) / 10;
        const check = {
          id: this.id(at.getTime(), this.checks),
          aircraftId: aircraft.id,
          coachId,
          props: "changed",
          tiltDeg,
        } as const;
        await insertCheck(this.transaction, check, at);
      } else await this.transaction("aircraft").where({ id: aircraft.id }).update({ cleared_at: at });
    }
  }

  private async signOff(person: Person, stepId: string, atMs: number, day: number): Promise<void> {
    const step = findStep(builtInSyllabus, stepId)!;
    const standing = standingAt(step, {
      syllabus: builtInSyllabus,
      school: {},
      flown: digestSteps(person.flown),
      signedOff: person.signed,
      setupId: person.setupOnDay(day),
      nowMs: atMs,
      rules: usualRules,
    });
    const evidence = evidenceFor(standing, step, builtInSyllabus);
    await insertMilestone(this.transaction, {
      id: this.id(atMs),
      pilotId: person.id,
      coachId: this.coachOn(day),
      stepId,
      note: "",
      evidence,
      signedAtMs: atMs,
    });
    person.signed.add(stepId);
    const done = { kind: "signed-off", step: step.name } as const;
    await this.leaveTrail({ who: coaches[day % 2], done, pilotId: person.id }, atMs);
  }

  private async ask(pilotId: string, [stepId, message]: readonly [stepId: string, message: string]): Promise<void> {
    const atMs = this.dayMs(flyingDaysAgo.length - 1) + 18 * HOUR_MS;
    await insertRequest(this.transaction, { id: this.id(atMs), pilotId, stepId, message }, new Date(atMs));
  }

  private leaveTrail(deed: Parameters<typeof leavePilotTrail>[1], atMs: number): Promise<void> {
    return leavePilotTrail(this.transaction, deed, new Date(atMs));
  }

  private coachOn(day: number): string {
    return this.coachIds[day % 2];
  }

  private dayMs(day: number): number {
    return this.today - flyingDaysAgo[day] * DAY_MS;
  }

  /** Where a turn stopped that was flown to its end, ° off the mark. */
  private stopOf(outcome: Outcome): { readonly stopErrorDeg?: number } {
    const far = this.normal();
    if (outcome === "clean") return { stopErrorDeg: Math.round(Math.max(-14, Math.min(14, 7 * far))) };
    return outcome === "rough" ? { stopErrorDeg: Math.round(Math.sign(far) * (19 + 5 * Math.abs(far))) } : {};
  }

  /** An id of the usual form whose random part comes from the seed. */
  private id(atMs: number, random = this.random): string {
    return v7({
      msecs: atMs,
      random: Uint8Array.from({ length: 16 }, () => Math.floor(random() * 256)),
      seq: Math.floor(random() * 2 ** 31),
    });
  }
}
