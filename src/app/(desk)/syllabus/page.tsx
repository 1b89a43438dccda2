import { notFound } from "next/navigation";
import { enter, isUuid, parameter, pilotAtHand, type SearchParams } from "@/features/shell";
import { loadSyllabus, SyllabusScreen } from "@/features/syllabus";

export const metadata = { title: "Syllabus" };

export default async function SyllabusPage({ searchParams }: { searchParams: SearchParams }) {
  const who = await enter();
  const [squad, version, step, atHand] = await Promise.all([
    parameter(searchParams, "squad"),
    parameter(searchParams, "version"),
    parameter(searchParams, "step"),
    pilotAtHand(searchParams, who),
  ]);
  const number = version === null ? null : /^\d{1,7}$/.test(version) ? Number(version) : -1;
  const data = await loadSyllabus(who, {
    squadId: squad && isUuid(squad) ? squad : null,
    pilotSquadId: atHand?.pilot.squadId ?? null,
    version: number,
  });
  if (!data) notFound();
  return <SyllabusScreen key={step} data={data} stepId={step} />;
}
