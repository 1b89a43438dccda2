import { enterAsCoach } from "@/features/shell";
import { loadSquad, SquadScreen } from "@/features/squad";

export const metadata = { title: "Squad" };

export default async function SquadPage() {
  return <SquadScreen data={await loadSquad(await enterAsCoach())} />;
}
