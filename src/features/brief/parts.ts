import { later } from "@/ui/loading/later";

export const FlownTrick = later(() => import("./flown-trick").then((part) => part.FlownTrick));
export const StickQuiz = later(() => import("./stick-quiz").then((part) => part.StickQuiz));
export const GapPanel = later(() => import("./gap-panel").then((part) => part.GapPanel));
export const Readiness = later(() => import("./readiness").then((part) => part.Readiness));
export const PunchLadder = later(() => import("@/ui/flight/punch-ladder").then((part) => part.PunchLadder));

/** What a brief in the field shows once its trick is flown. */
export const fieldParts = [FlownTrick, Readiness, PunchLadder, GapPanel];
