import { enterAsCoach } from "@/features/shell";
import { loadSquad, shownOf, SquadScreen } from "@/features/squad";

export const metadata = { title: "Squad" };

export default async function SquadPage() {
  return <SquadScreen data={shownOf(await loadSquad(await enterAsCoach()))} />;
}
