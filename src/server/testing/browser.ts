import { signedInBy } from "../accounts/sign-ins";

/** The browser of a test: holds one cookie, as the real one does. */
export const browser: { token: string | null } = { token: null };

/** In place of `@/server/accounts/current`: whoever the browser is signed in as. */
export const accountOfBrowser = {
  currentAccount: async () => (browser.token ? signedInBy(browser.token, new Date()) : null),
  setToken: async (token: string | null) => {
    browser.token = token;
  },
};

/** What an action is sent as by a page of our own; text goes as it is. */
export function requestTo(action: string, body: unknown, headers: Readonly<Record<string, string>> = {}): Request {
  return new Request(`http://localhost/api/${action}`, {
    method: "POST",
    body: typeof body === "string" ? body : JSON.stringify(body),
    headers: { "content-type": "application/json", host: "localhost", ...headers },
  });
}
