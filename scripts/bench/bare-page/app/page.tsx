import { headers } from "next/headers";

/** Nothing but what the framework itself does for a page that is drawn at each visit. */
export default async function Page() {
  return <p>{(await headers()).get("host")}</p>;
}
