import { notFound } from "next/navigation";
import { enter, isUuid, pilotAtHand, requirePageAccess, type SearchParams } from "@/features/shell";
import { loadPlan, PlanScreen } from "@/features/yard";
import { need } from "@/server/access";
import { carrying } from "@/server/repositories";

export const metadata = { title: "Site plan" };

interface PlanPageProps {
  readonly params: Promise<{ readonly site: string }>;
  readonly searchParams: SearchParams;
}

export default async function PlanPage({ params, searchParams }: PlanPageProps) {
  const who = await enter();
  const { site } = await params;
  if (!isUuid(site)) notFound();
  await requirePageAccess(who, [need("reader", "site", site)]);
  const found = await pilotAtHand(searchParams, who);
  const atHand = found && { pilot: found.pilot, aircraft: found.aircraft && carrying(found.aircraft, found.load) };
  const data = await loadPlan(who, site, atHand);
  return <PlanScreen key={`${site} ${data.kept.version}`} data={data} />;
}
