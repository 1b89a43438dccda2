import { CalendarScreen, loadCalendar } from "@/features/calendar";
import { enter } from "@/features/shell";

export const metadata = { title: "Calendar" };

export default async function CalendarPage() {
  return <CalendarScreen data={await loadCalendar(await enter())} />;
}
