/** Who of a squad was there. Where most of many were, those missing are named. */
export interface Attendance {
  readonly all: boolean;
  /** Who was there; with `all`, who was not. */
  readonly pilotIds: readonly string[];
}

/** So many pilots, or fewer, are named one by one. Ours. */
const MANY = 6;

/** Who was there, of those in the squad. Somebody who was there and is in the squad no more is named with the others. */
export function attendanceOf(there: readonly string[], squad: readonly string[]): Attendance {
  const missing = squad.filter((id) => !there.includes(id));
  const many = there.length > MANY && missing.length < there.length / 2 && there.every((id) => squad.includes(id));
  return many ? { all: true, pilotIds: missing } : { all: false, pilotIds: there };
}

/** Ids of those who were there. */
export const presentAt = ({ all, pilotIds }: Attendance, squad: readonly string[]): readonly string[] =>
  all ? squad.filter((id) => !pilotIds.includes(id)) : pilotIds;
