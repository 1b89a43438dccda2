import { requireCoach } from "@/features/shell";
import { loadPlan, PlanScreen } from "@/features/session";

export const metadata = { title: "Session" };

export default async function SessionPage() {
  await requireCoach();
  return <PlanScreen data={await loadPlan()} />;
}
