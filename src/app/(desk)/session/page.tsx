import { enter, parameter, type SearchParams } from "@/features/shell";
import { loadPlan, PlanScreen } from "@/features/plan";

export const metadata = { title: "Session" };

export default async function SessionPage({ searchParams }: { searchParams: SearchParams }) {
  const plan = await parameter(searchParams, "plan");
  return <PlanScreen key={plan} data={await loadPlan(await enter(), plan)} />;
}
