import type { BriefData } from "@/features/brief/client";
import { keepPacket } from "@/ui/outbox/device-store";
import type { TallyData } from "@/contract";

/** What a session needs in the field without a network. */
export interface FieldPacket {
  readonly tally: TallyData;
  /** Of every step of every pilot. */
  readonly briefs: readonly BriefData[];
}

/** The session as the server has it now; null when nothing answers, or somebody has to sign in first. */
export async function fetchPacket(sessionId: string): Promise<FieldPacket | null> {
  try {
    const response = await fetch(`/field-packets/${sessionId}`);
    return response.ok ? ((await response.json()) as FieldPacket) : null;
  } catch {
    return null;
  }
}

/** Keeps a session on this device, with whatever was tapped since. */
export function keepOnDevice(packet: FieldPacket, nowMs: number): Promise<void> {
  const { accountId, session } = packet.tally;
  return keepPacket({ sessionId: session.id, accountId, keptAtMs: nowMs, packet });
}
