import { tallyAfter, type TallyData } from "@/contract";
import type { Outgoing } from "@/ui/outbox/outbox";

/** A session as it is once everything waiting has arrived. */
export const withWaiting = (tally: TallyData, waiting: readonly Outgoing[]): TallyData =>
  waiting.filter((item) => item.sessionId === tally.session.id && item.refused === undefined).reduce(tallyAfter, tally);
