import { loadPlan, PlanScreen } from "@/features/plan";
import { enter, parameter, remembered, type SearchParams } from "@/features/shell";

export const metadata = { title: "Session" };

export default async function SessionPage({ searchParams }: { searchParams: SearchParams }) {
  const plannedId = await parameter(searchParams, "plan");
  const pilotId = (await parameter(searchParams, "pilot")) ?? (await remembered("pilot"));
  return <PlanScreen key={plannedId} data={await loadPlan(await enter(), { plannedId, pilotId })} />;
}
