import { loadSeason, SeasonScreen } from "@/features/report";
import { enter, parameter, pilotAtHand, type SearchParams } from "@/features/shell";
import { ChoosePilot } from "@/ui/shell/choose-pilot";

export const metadata = { title: "Season" };

export default async function SeasonPage({ searchParams }: { searchParams: SearchParams }) {
  const who = await enter();
  const atHand = await pilotAtHand(searchParams, who);
  if (!atHand) return <ChoosePilot screen="Season" path="/season" />;
  return <SeasonScreen season={await loadSeason(atHand.pilot, await parameter(searchParams, "since"))} />;
}
