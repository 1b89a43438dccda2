import { enter, parameter, pilotAtHand, type SearchParams } from "@/features/shell";
import { loadMonth, MonthScreen, spans } from "@/features/tape";
import { ChoosePilot } from "@/ui/shell/choose-pilot";

export const metadata = { title: "On tape" };

export default async function MonthPage({ searchParams }: { searchParams: SearchParams }) {
  const who = await enter();
  const atHand = await pilotAtHand(searchParams, who);
  if (!atHand) return <ChoosePilot screen="On tape" path="/tape/month" />;
  const asked = Number(await parameter(searchParams, "days"));
  return <MonthScreen data={await loadMonth(atHand.pilot, spans.find((days) => days === asked) ?? spans[1])} />;
}
