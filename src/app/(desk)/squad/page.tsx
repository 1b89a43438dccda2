import { requireCoach } from "@/features/shell";
import { loadSquad, SquadScreen } from "@/features/squad";

export const metadata = { title: "Squad" };

export default async function SquadPage() {
  await requireCoach();
  return <SquadScreen data={await loadSquad()} />;
}
