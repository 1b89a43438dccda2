import { loadLive, LiveScreen } from "@/features/live";
import { enter, pilotAtHand, type SearchParams } from "@/features/shell";
import { ChoosePilot } from "@/ui/shell/choose-pilot";

export const metadata = { title: "Live" };

export default async function LivePage({ searchParams }: { searchParams: SearchParams }) {
  const who = await enter();
  const atHand = await pilotAtHand(searchParams, who);
  if (!atHand) return <ChoosePilot screen="Live" path="/tape/live" />;
  const data = await loadLive(atHand.pilot, atHand.aircraft, who.coachId !== null);
  return <LiveScreen key={`${data.pilot.id} ${data.setup?.id}`} data={data} />;
}
