export { downloadFirstSession, downloadOverview, downloadReport } from "./download";
export { loadSeason } from "./load";
export { SeasonScreen } from "./season-screen";
