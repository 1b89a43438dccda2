import type { SentSyllabus } from "@/contract";
import { keepPractice, readPractices } from "@/ui/outbox/device-store";
import type { PracticeData } from "./load";

/** Practice as a device keeps it: opened without a network, nothing is set there, only flown. */
export interface PracticeKept {
  readonly data: PracticeData;
  readonly syllabus: SentSyllabus | null;
  readonly keptAtMs: number;
}

export function keepOnDevice(data: PracticeData, syllabus: SentSyllabus | null): Promise<void> {
  return keepPractice({ pilotId: data.pilot.id, keptAtMs: Date.now(), practice: data, syllabus });
}

/** What this device keeps, the pilot shown last first. What cannot be read is left out. */
export async function practicesKept(): Promise<readonly PracticeKept[]> {
  return (await readPractices()).flatMap(({ practice, syllabus, keptAtMs }) =>
    isPractice(practice)
      ? [
          {
            data: { ...practice, earlier: [], setsHomework: false },
            syllabus: syllabus as SentSyllabus | null,
            keptAtMs,
          },
        ]
      : [],
  );
}

/** Written by this version of the program: what is flown with it is checked again by the model. */
function isPractice(kept: unknown): kept is PracticeData {
  if (typeof kept !== "object" || kept === null) return false;
  const { accountId, pilot, manner, day, homework, lines, recent, sites, tries } = kept as Readonly<
    Record<string, unknown>
  >;
  return (
    typeof accountId === "string" &&
    [pilot, manner, day, recent, tries].every((part) => typeof part === "object" && part !== null) &&
    [homework, lines, sites].every(Array.isArray)
  );
}
