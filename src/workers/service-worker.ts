import { Serwist, type PrecacheEntry, type RouteHandlerCallbackOptions } from "serwist";

/** Put in by scripts/lib/service-worker.mjs: the files of this build, and the field page by its build id. */
declare const PRECACHED: PrecacheEntry[];

/** A network that has not answered by then is as good as none. */
const PATIENCE_MS = 4000;
const PRACTICE = "/practice";
const SESSION = /^\/session\/([0-9a-f-]{36})$/;

/** A page from the network, or null when nothing answers in time or the server fails. */
async function fromNetwork(request: Request): Promise<Response | null> {
  const patience = new AbortController();
  const timer = setTimeout(() => patience.abort(), PATIENCE_MS);
  try {
    const response = await fetch(request, { signal: patience.signal });
    return response.status >= 500 ? null : response;
  } catch {
    return null;
  } finally {
    clearTimeout(timer);
  }
}

/** A session opens from the network, else from what is kept on the device. Nobody's pages are kept, only the field page with nobody's data in it. */
const openSession = async ({ request, url }: RouteHandlerCallbackOptions): Promise<Response> =>
  (await fromNetwork(request)) ??
  Response.redirect(new URL(`/field?session=${SESSION.exec(url.pathname)![1]}`, url.origin).href);

/** Practice opens from the network, else with what is kept on the device. */
const openPractice = async ({ request, url }: RouteHandlerCallbackOptions): Promise<Response> =>
  (await fromNetwork(request)) ?? Response.redirect(new URL(`/practice-here${url.search}`, url.origin).href);

const serwist = new Serwist({
  precacheEntries: PRECACHED,
  precacheOptions: {
    ignoreURLParametersMatching: [/.*/],
    cleanURLs: false,
    plugins: [
      {
        // The settings of a bundled worker sit behind the # of its address; a response with an address of its own would drop them.
        handlerWillRespond: async ({ request, response }) =>
          request.destination === "worker" ? new Response(response.body, response) : response,
      },
    ],
  },
  clientsClaim: true,
  runtimeCaching: [
    { matcher: ({ request, url }) => request.mode === "navigate" && SESSION.test(url.pathname), handler: openSession },
    { matcher: ({ request, url }) => request.mode === "navigate" && url.pathname === PRACTICE, handler: openPractice },
    {
      matcher: ({ request }) => request.mode === "navigate",
      handler: async ({ request, url }) => {
        try {
          return await fetch(request);
        } catch {
          return Response.redirect(new URL("/field", url.origin).href);
        }
      },
    },
  ],
});

serwist.addEventListeners();
