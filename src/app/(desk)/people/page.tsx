import { loadPeople, PeopleScreen } from "@/features/people";
import { enterAsCoach } from "@/features/shell";

export const metadata = { title: "People" };

export default async function PeoplePage() {
  return <PeopleScreen data={await loadPeople(await enterAsCoach())} />;
}
