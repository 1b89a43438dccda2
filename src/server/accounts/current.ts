import "server-only";
import { cookies, headers } from "next/headers";
import { cache } from "react";
import { LONGEST_MS, signedInBy, type SignedIn } from "./sign-ins";

const COOKIE = "bathygon-sign-in";

/** Who makes this request, or null for a stranger. Looked up once a request. */
export const currentAccount = cache(async (): Promise<SignedIn | null> => {
  const token = (await cookies()).get(COOKIE)?.value;
  return token && token.length < 100 ? signedInBy(token, new Date()) : null;
});

/** Hands the browser its token, or takes it away with null. Scripts never see it; it goes out over TLS only where there is TLS. */
export async function setToken(token: string | null): Promise<void> {
  const secure = (await headers()).get("x-forwarded-proto") === "https";
  const settings = { httpOnly: true, sameSite: "lax", secure, path: "/" } as const;
  const jar = await cookies();
  if (token) jar.set(COOKIE, token, { ...settings, maxAge: LONGEST_MS / 1000 });
  else jar.set(COOKIE, "", { ...settings, maxAge: 0 });
}
