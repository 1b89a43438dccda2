import { enter } from "@/features/shell";
import { loadPlan, PlanScreen } from "@/features/session";

export const metadata = { title: "Session" };

export default async function SessionPage() {
  return <PlanScreen data={await loadPlan(await enter())} />;
}
