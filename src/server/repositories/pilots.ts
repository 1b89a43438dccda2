import { database, type Transaction } from "../database";
import { insertOnce } from "./rows";

export type Grip = "thumbs" | "pinch" | "hybrid";
export const grips: readonly Grip[] = ["thumbs", "pinch", "hybrid"];

export interface Pilot {
  readonly id: string;
  readonly name: string;
  /** Stick mode 1 to 4 of the transmitter. */
  readonly stickMode: number;
  readonly grip: Grip;
  readonly version: number;
}

interface PilotRow {
  id: string;
  name: string;
  stick_mode: number;
  grip: Grip;
  version: number;
}

const fromRow = (row: PilotRow): Pilot => ({ ...row, stickMode: row.stick_mode });
const columns = ["id", "name", "stick_mode", "grip", "version"];

export async function listPilots(): Promise<Pilot[]> {
  const rows: PilotRow[] = await database()("pilot").select(columns).orderBy("name");
  return rows.map(fromRow);
}

export async function findPilot(id: string): Promise<Pilot | undefined> {
  const row: PilotRow | undefined = await database()("pilot").select(columns).where({ id }).first();
  return row && fromRow(row);
}

export async function insertPilot(transaction: Transaction, pilot: Omit<Pilot, "version">, now: Date): Promise<void> {
  const { id, name, stickMode, grip } = pilot;
  await insertOnce(transaction, "pilot", { id, name, stick_mode: stickMode, grip, created_at: now });
}

/** Changes a pilot whose version is still the one that was read. Returns whether it was. */
export async function updatePilot(
  transaction: Transaction,
  { id, name, stickMode, grip, version }: Pilot,
): Promise<boolean> {
  const changed = await transaction("pilot")
    .where({ id, version })
    .update({ name, stick_mode: stickMode, grip, version: version + 1 });
  return changed === 1;
}
