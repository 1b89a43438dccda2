import { loadRecords, RecordsScreen } from "@/features/records";
import { enterAsCoach, parameter, type SearchParams } from "@/features/shell";

export const metadata = { title: "Records" };

export default async function RecordsPage({ searchParams }: { searchParams: SearchParams }) {
  const who = await enterAsCoach();
  const before = Number((await parameter(searchParams, "before")) ?? NaN);
  return <RecordsScreen data={await loadRecords(who, Number.isSafeInteger(before) ? before : undefined)} />;
}
