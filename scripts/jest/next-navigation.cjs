/** Stand-in for next/navigation: `visit` sets the address, `journeys` lists where it went. */
const state = { path: "/squad", search: "" };
const journeys = [];
const router = {
  push: (to) => journeys.push(to),
  replace: (to) => journeys.push(to),
  refresh: () => journeys.push("refresh"),
};

module.exports = {
  journeys,
  visit: (address) => {
    const [path, search = ""] = address.split("?");
    state.path = path;
    state.search = search;
    journeys.length = 0;
  },
  useRouter: () => router,
  usePathname: () => state.path,
  useSearchParams: () => new URLSearchParams(state.search),
};
