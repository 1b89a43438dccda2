import type { DBSchema } from "idb";
import { opener } from "../device/open-database";
import type { FieldAction } from "@/contract";
import type { Outgoing } from "./outgoing";

/** A session as the server last showed it. A tap does not write it: see `sent`. */
export interface KeptTally {
  readonly sessionId: string;
  /** The account it was sent to. */
  readonly accountId: string;
  readonly keptAtMs: number;
  readonly tally: unknown;
}

/** The briefs of a session, with the tag by which the server knows whether they are still those. */
export interface KeptBriefs {
  readonly sessionId: string;
  readonly tag: string;
  readonly briefs: unknown;
  /** The courses of its site; left out by earlier versions. */
  readonly plan?: unknown;
}

/** A session on this device, as it was kept: what is in it is to be checked before it is used. */
export interface KeptSession extends KeptTally {
  readonly briefs: unknown;
  readonly plan?: unknown;
  /** What the server took since the tally was kept, oldest first. */
  readonly sent: readonly FieldAction[];
}

type Sent = FieldAction & { readonly sessionId: string };

interface Device extends DBSchema {
  /** In the order they were done: keys count up. */
  outbox: { key: number; value: Outgoing };
  /** Of earlier versions, which kept tally and briefs in one; read, and no longer written. */
  packets: {
    key: string;
    value: Omit<KeptTally, "tally"> & { readonly packet?: { tally?: unknown; briefs?: unknown } };
  };
}

/** Beside the other, so that no tab with an earlier version of the program stands in the way of a change of its stores. */
interface Field extends DBSchema {
  tallies: { key: string; value: KeptTally };
  briefs: { key: string; value: KeptBriefs };
  sent: { key: number; value: Sent; indexes: { bySession: string } };
}

/** Squads as they are taken into the field, beside the others for the same reason. */
interface Squads extends DBSchema {
  squads: { key: string; value: KeptSquad };
}

/** A squad as the server last showed it. */
export interface KeptSquad {
  readonly squadId: string;
  readonly keptAtMs: number;
  readonly squad: unknown;
}

/** Practice of a pilot as the server last showed it, beside the others for the same reason. */
interface Practices extends DBSchema {
  practices: { key: string; value: KeptPractice };
}

export interface KeptPractice {
  readonly pilotId: string;
  readonly keptAtMs: number;
  readonly practice: unknown;
  /** The squad's own syllabus; null for the built-in one. */
  readonly syllabus: unknown;
}

const device = opener<Device>("bathygon", (database) => {
  database.createObjectStore("outbox", { autoIncrement: true });
  database.createObjectStore("packets", { keyPath: "sessionId" });
});
const field = opener<Field>("bathygon-field", (database) => {
  database.createObjectStore("tallies", { keyPath: "sessionId" });
  database.createObjectStore("briefs", { keyPath: "sessionId" });
  database.createObjectStore("sent", { autoIncrement: true }).createIndex("bySession", "sessionId");
});

const squads = opener<Squads>("bathygon-squads", (database) => {
  database.createObjectStore("squads", { keyPath: "squadId" });
});

const practices = opener<Practices>("bathygon-practices", (database) => {
  database.createObjectStore("practices", { keyPath: "pilotId" });
});

/** Closes it, for whoever opens it afresh. */
export async function closeDevice(): Promise<void> {
  await Promise.all([device.close(), field.close(), squads.close(), practices.close()]);
}

export async function keepPractice(kept: KeptPractice): Promise<void> {
  await (await practices.open()).put("practices", kept);
}

/** Practice kept on this device, the one kept last first. */
export async function readPractices(): Promise<readonly KeptPractice[]> {
  const kept = await (await practices.open()).getAll("practices");
  return kept.sort((a, b) => b.keptAtMs - a.keptAtMs);
}

/** Keeps the squads that somebody coaches now, and no others. */
export async function keepSquads(kept: readonly KeptSquad[]): Promise<void> {
  const transaction = (await squads.open()).transaction("squads", "readwrite");
  await Promise.all([transaction.store.clear(), ...kept.map((one) => transaction.store.put(one)), transaction.done]);
}

export async function readSquads(): Promise<readonly KeptSquad[]> {
  return (await squads.open()).getAll("squads");
}

/** Everything in the outbox with its key, oldest first. */
export async function readOutbox(): Promise<(readonly [key: number, item: Outgoing])[]> {
  const transaction = (await device.open()).transaction("outbox");
  const [keys, items] = await Promise.all([transaction.store.getAllKeys(), transaction.store.getAll()]);
  return keys.map((key, i) => [key, items[i]] as const);
}

/** Puts an item behind all others. It is on the disk, not only on its way there, when this resolves. */
export async function appendToOutbox(item: Outgoing): Promise<void> {
  const transaction = (await device.open()).transaction("outbox", "readwrite", { durability: "strict" });
  await Promise.all([transaction.store.add(item), transaction.done]);
}

/** Changes or, with null, removes items by key, all or none. */
export async function changeOutbox(changes: readonly (readonly [key: number, item: Outgoing | null])[]): Promise<void> {
  const transaction = (await device.open()).transaction("outbox", "readwrite", { durability: "strict" });
  await Promise.all([
    ...changes.map(([key, item]) => (item ? transaction.store.put(item, key) : transaction.store.delete(key))),
    transaction.done,
  ]);
}

/** Notes what the server took, before it leaves the outbox: the tally that is kept does not know of it yet. */
export async function noteSent(sent: Sent): Promise<void> {
  await (await field.open()).add("sent", sent);
}

/** What the server has taken of a session by now, for `keepTally` once it has answered with all of that. */
export async function sentSoFar(sessionId: string): Promise<readonly number[]> {
  return (await field.open()).getAllKeysFromIndex("sent", "bySession", sessionId);
}

/** Keeps a session as the server shows it, which knows of what had been sent. */
export async function keepTally(kept: KeptTally, knownOf: readonly number[]): Promise<void> {
  const transaction = (await field.open()).transaction(["tallies", "sent"], "readwrite");
  await Promise.all([
    transaction.objectStore("tallies").put(kept),
    ...knownOf.map((key) => transaction.objectStore("sent").delete(key)),
    transaction.done,
  ]);
}

export async function keepBriefs(kept: KeptBriefs): Promise<void> {
  await (await field.open()).put("briefs", kept);
}

export async function readBriefs(sessionId: string): Promise<KeptBriefs | undefined> {
  return (await field.open()).get("briefs", sessionId);
}

/** Sessions kept on this device, the one kept last first. */
export async function listKept(): Promise<KeptSession[]> {
  const [tallies, briefs, sent] = await inField(["tallies", "briefs", "sent"]);
  const now = tallies.map((kept) => {
    const known = briefs.find(({ sessionId }) => sessionId === kept.sessionId);
    return {
      ...kept,
      briefs: known?.briefs ?? [],
      plan: known?.plan ?? null,
      sent: sent.filter(({ sessionId }) => sessionId === kept.sessionId),
    };
  });
  const before = (await (await device.open()).getAll("packets"))
    .filter(({ sessionId }) => !now.some((kept) => kept.sessionId === sessionId))
    .map(({ packet, ...kept }) => ({ ...kept, tally: packet?.tally, briefs: packet?.briefs, sent: [] }));
  return [...now, ...before].sort((a, b) => b.keptAtMs - a.keptAtMs);
}

async function inField(stores: ["tallies", "briefs", "sent"]) {
  const transaction = (await field.open()).transaction(stores);
  return Promise.all([
    transaction.objectStore("tallies").getAll(),
    transaction.objectStore("briefs").getAll(),
    transaction.objectStore("sent").getAll(),
  ]);
}

/** Forgets every session that is kept; what waits to be sent stays. */
export async function dropKept(): Promise<void> {
  const transaction = (await field.open()).transaction(["tallies", "briefs", "sent"], "readwrite");
  await Promise.all([
    transaction.objectStore("tallies").clear(),
    transaction.objectStore("briefs").clear(),
    transaction.objectStore("sent").clear(),
    transaction.done,
  ]);
  await (await device.open()).clear("packets");
  await (await squads.open()).clear("squads");
  await (await practices.open()).clear("practices");
}
