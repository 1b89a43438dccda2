export { calendarActions } from "./actions";
export { CalendarScreen } from "./calendar-screen";
export { downloadCalendar } from "./download";
export { loadCalendar } from "./load";
