import { standardDay, type Day } from "@/syllabus";
import type { Session, Site } from "./records";

/** The air of a session: what was said with it, the rest standard. */
export function dayOfSession(
  { temperatureC, windMps }: Pick<Session, "temperatureC" | "windMps">,
  site: Site | null,
): Day {
  if (temperatureC == null && windMps == null && site?.elevationM == null) return standardDay;
  return {
    air: { elevationM: site?.elevationM ?? 0, temperatureC: temperatureC ?? null, windMps: windMps ?? 0 },
    from: {
      kind: "session",
      siteName: site?.name ?? null,
      ...(site?.elevationM == null && { elevationUnknown: true as const }),
    },
  };
}
