import { enter } from "@/features/shell";
import { loadYard, YardScreen } from "@/features/yard";

export const metadata = { title: "Yard" };

export default async function YardPage() {
  return <YardScreen data={await loadYard(await enter())} />;
}
