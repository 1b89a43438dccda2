import { accountActions } from "@/features/account";
import { briefActions } from "@/features/brief";
import { calendarActions } from "@/features/calendar";
import { choreographerActions } from "@/features/choreographer";
import { peopleActions } from "@/features/people";
import { pilotActions } from "@/features/pilot";
import { recordActions } from "@/features/records";
import { sessionActions } from "@/features/session";
import { setupActions } from "@/features/setup";
import { squadActions } from "@/features/squad";
import { syllabusActions } from "@/features/syllabus";
import { yardActions } from "@/features/yard";
import type { Action } from "@/server/actions";

/** Everything that can be asked of the server, by name. */
const actions: ReadonlyMap<string, Action<object, unknown>> = new Map(
  Object.entries({
    ...accountActions,
    ...peopleActions,
    ...recordActions,
    ...squadActions,
    ...pilotActions,
    ...setupActions,
    ...sessionActions,
    ...syllabusActions,
    ...yardActions,
    ...calendarActions,
    ...choreographerActions,
    ...briefActions,
  }),
) as ReadonlyMap<string, Action<object, unknown>>;

export const actionNames: readonly string[] = [...actions.keys()];

export function findAction(name: string): Action<object, unknown> | undefined {
  return actions.get(name);
}
