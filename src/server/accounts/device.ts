/** What kind of device asks, from what its browser says of itself; enough to tell one's own devices apart. */
export function deviceKind(userAgent: string): string {
  if (/iPad|Tablet/i.test(userAgent)) return "a tablet";
  if (/Mobi|Android|iPhone/i.test(userAgent)) return "a phone";
  return /Mozilla/.test(userAgent) ? "a computer" : "a program";
}
