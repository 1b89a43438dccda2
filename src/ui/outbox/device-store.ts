import { openDB, type DBSchema, type IDBPDatabase } from "idb";
import type { Outgoing } from "./outbox";

/** What a session needs in the field, as the server sent it. */
export interface KeptPacket {
  readonly sessionId: string;
  /** The account it was sent to. */
  readonly accountId: string;
  readonly keptAtMs: number;
  readonly packet: unknown;
}

interface Device extends DBSchema {
  /** In the order they were done: keys count up. */
  outbox: { key: number; value: Outgoing };
  packets: { key: string; value: KeptPacket };
}

let opened: Promise<IDBPDatabase<Device>> | null = null;

/** The database on this device. Opens again after it could not be opened, or was closed by the browser. */
function device(): Promise<IDBPDatabase<Device>> {
  opened ??= openDB<Device>("bathygon", 1, {
    upgrade(database) {
      database.createObjectStore("outbox", { autoIncrement: true });
      database.createObjectStore("packets", { keyPath: "sessionId" });
    },
    terminated() {
      opened = null;
    },
  }).catch((error: unknown) => {
    opened = null;
    throw error;
  });
  return opened;
}

/** Closes it, for whoever opens it afresh. */
export async function closeDevice(): Promise<void> {
  (await opened)?.close();
  opened = null;
}

/** Everything in the outbox with its key, oldest first. */
export async function readOutbox(): Promise<(readonly [key: number, item: Outgoing])[]> {
  const transaction = (await device()).transaction("outbox");
  const [keys, items] = await Promise.all([transaction.store.getAllKeys(), transaction.store.getAll()]);
  return keys.map((key, i) => [key, items[i]] as const);
}

/** Puts an item behind all others. It is on the disk, not only on its way there, when this resolves. */
export async function appendToOutbox(item: Outgoing): Promise<void> {
  const transaction = (await device()).transaction("outbox", "readwrite", { durability: "strict" });
  await Promise.all([transaction.store.add(item), transaction.done]);
}

/** Changes or, with null, removes items by key, all or none. */
export async function changeOutbox(changes: readonly (readonly [key: number, item: Outgoing | null])[]): Promise<void> {
  const transaction = (await device()).transaction("outbox", "readwrite", { durability: "strict" });
  await Promise.all([
    ...changes.map(([key, item]) => (item ? transaction.store.put(item, key) : transaction.store.delete(key))),
    transaction.done,
  ]);
}

export async function keepPacket(kept: KeptPacket): Promise<void> {
  await (await device()).put("packets", kept);
}

export async function readPacket(sessionId: string): Promise<KeptPacket | undefined> {
  return (await device()).get("packets", sessionId);
}

/** Sessions kept on this device, the one kept last first. */
export async function listPackets(): Promise<KeptPacket[]> {
  return (await (await device()).getAll("packets")).sort((a, b) => b.keptAtMs - a.keptAtMs);
}

export async function dropPackets(sessionIds: readonly string[]): Promise<void> {
  const transaction = (await device()).transaction("packets", "readwrite");
  await Promise.all([...sessionIds.map((id) => transaction.store.delete(id)), transaction.done]);
}
